import { say } from '../messages/message.js';
import { ml, perKilo, percent } from '../messages/quantity.js';
import { CALCIUM } from '../constants/rennet.js';
import { calciumDose } from '../physics/rennet.js';
import { massesBy, totalG } from '../materials/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export interface CalciumParams {
  /** Dry calcium chloride, g per kg of milk. */
  readonly gPerKg: number;
  /** Strength of the bottle, percent by mass. */
  readonly solutionPct: number;
}

const TAKES_MIN = 2;

/** Calcium given back to pasteurised milk, which lost some of it to the heat. */
export const calcium: StageKind<CalciumParams, 'calcium'> = {
  kind: 'calcium',
  defaults: { gPerKg: CALCIUM.usualGPerKg, solutionPct: CALCIUM.solutionPct },
  name: () => say('stages.calcium.calcium'),
  begins: () => say('stages.calcium.stirCalcium'),
  over: () => say('stages.calcium.theCalciumIsIn'),
  instruction: (params, before) =>
    say('stages.calcium.stirCalciumChlorideThinned', {
      ml: ml(doseFor(before, params).ml),
      solution: percent(params.solutionPct),
    }),
  ...handsWork(TAKES_MIN),
  gear: () => ['pipette', 'spoon'],
  weighIn: (params, before) => [
    {
      what: say('stages.calcium.calciumChlorideSolution'),
      massG: solutionG(before, params),
      gPerMl: CALCIUM.solutionGPerMl,
      pricedAs: 'own',
      outOf: 'calcium',
      measure: say('quantity.alone', { quantity: ml(doseFor(before, params).ml) }),
    },
  ],
  begin: (state, params) => {
    const { saltG } = doseFor(state, params);
    const poured = pourIn(
      state,
      massesBy((c) => (c === 'minerals' ? saltG : c === 'water' ? solutionG(state, params) - saltG : 0)),
    );
    return withCurd(poured, { calciumGPerKg: state.curd.calciumGPerKg + params.gPerKg });
  },
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: say('stages.calcium.onlyBeforeRennet') }),
  endCue: () => say('stages.calcium.allStirred'),
  cues: [],
  cautions: () => [CAUTIONS.calcium],
  problems: ({ gPerKg }) =>
    gPerKg <= CALCIUM.mostGPerKg
      ? []
      : [
          {
            field: 'calciumGPerKg',
            message: say('stages.calcium.calciumChlorideTastesBitter', { g: perKilo(gPerKg) }),
            remedy: say('stages.calcium.takeLess', { most: perKilo(CALCIUM.mostGPerKg) }),
            works: { calciumGPerKg: CALCIUM.mostGPerKg },
          },
        ],
};

const doseFor = (state: CrockState, { gPerKg, solutionPct }: CalciumParams) =>
  calciumDose(totalG(state.masses), gPerKg, solutionPct);

const solutionG = (state: CrockState, params: CalciumParams) =>
  doseFor(state, params).saltG / (params.solutionPct / 100);
