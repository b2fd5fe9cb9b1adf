import { CALCIUM } from '../constants/rennet.js';
import { calciumDose } from '../physics/rennet.js';
import { massesBy, totalG } from '../materials/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { sayNumber, sayMl } from './words.js';

export interface CalciumParams {
  /** Dry calcium chloride, g per kg of milk. */
  readonly gPerKg: number;
  /** Strength of the bottle, percent by mass. */
  readonly solutionPct: number;
}

const TAKES_MIN = 2;

/** Calcium given back to pasteurised milk, which lost some of it to the heat. */
export const calcium: StageKind<CalciumParams> = {
  kind: 'calcium',
  defaults: { gPerKg: CALCIUM.usualGPerKg, solutionPct: CALCIUM.solutionPct },
  name: () => 'calcium',
  begins: () => 'Stir the calcium in',
  over: () => 'The calcium is in',
  instruction: (params, before) =>
    `Stir ${sayMl(doseFor(before, params).ml)} of ${sayNumber(params.solutionPct)} % calcium chloride, thinned in a cup of water, through the milk.`,
  ...handsWork(TAKES_MIN),
  gear: () => ['pipette', 'spoon'],
  weighIn: (params, before) => [
    {
      what: 'Calcium chloride solution',
      massG: solutionG(before, params),
      gPerMl: CALCIUM.solutionGPerMl,
      pricedAs: 'own',
      outOf: 'calcium',
      measure: sayMl(doseFor(before, params).ml),
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
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: 'It only has to be in before the rennet.' }),
  endCue: () => 'All of it is stirred in.',
  cues: [],
  cautions: () => [CAUTIONS.calcium],
  problems: ({ gPerKg }) =>
    gPerKg <= CALCIUM.mostGPerKg
      ? []
      : [
          {
            field: 'calciumGPerKg',
            message: `${gPerKg} g/kg of calcium chloride tastes bitter and is over the usual limit.`,
            remedy: `Take ${CALCIUM.mostGPerKg} g/kg or less.`,
            works: { calciumGPerKg: CALCIUM.mostGPerKg },
          },
        ],
};

const doseFor = (state: CrockState, { gPerKg, solutionPct }: CalciumParams) =>
  calciumDose(totalG(state.masses), gPerKg, solutionPct);

const solutionG = (state: CrockState, params: CalciumParams) =>
  doseFor(state, params).saltG / (params.solutionPct / 100);
