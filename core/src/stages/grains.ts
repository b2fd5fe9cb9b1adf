import { say } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { CULTURES, KEFIR_GRAINS, type StarterStore } from '../constants/cultures.js';
import { TIRED } from '../constants/starter.js';
import { lagQOf, starterPrior, starterActivity } from '../physics/starter-activity.js';
import { massesBy, totalG, type Masses } from '../materials/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { likesGauge } from './inoculate.js';
import { lethalProblems, sown, spentProblems } from './sowing.js';

export interface GrainsParams {
  readonly culture: 'kefir-grains';
  /** Grains, percent of the milk. */
  readonly grainsPct: number;
  /** Days since they last had milk, and where they waited. */
  readonly ageDays: number;
  readonly store: StarterStore;
  /** Their activity against what age and store say of it, percent. */
  readonly vigourPct: number;
}

const TAKES_MIN = 4;

/** Grains of kefir into the next milk, unrinsed. */
export const grains: StageKind<GrainsParams, 'grains'> = {
  kind: 'grains',
  defaults: { culture: 'kefir-grains', grainsPct: 5, ageDays: 1, store: 'room', vigourPct: 100 },
  name: () => say('stages.grains.grainsIn'),
  begins: () => say('stages.grains.putGrains'),
  over: () => say('stages.grains.theGrainsAreIn'),
  instruction: (params, before) => say('stages.grains.putGrainsIntoMilk', { grains: mass(grainsG(params, before)) }),
  ...handsWork(TAKES_MIN),
  gear: () => ['jar', 'sieve'],
  weighIn: (params, before) => [
    {
      what: say('stages.grains.kefirGrains'),
      massG: grainsG(params, before),
      gPerMl: KEFIR_GRAINS.gPerMl,
      pricedAs: 'own',
      outOf: 'culture',
    },
  ],
  begin: (state, params, environment) => {
    const massG = grainsG(params, state);
    const { member } = environment;
    const full = withCurd(pourIn(state, massesOfGrains(massG)), { grainsG: massG });
    const activity = activityOf(params);
    const biomass = (params.grainsPct / 100) * CULTURES['kefir-grains'].biomassPerDose * activity * member.activity;
    const lagQ = lagQOf('kefir-grains', 'grains') * member.lag;
    const living = { culture: 'kefir-grains' as const, biomass, lagQ };
    const prior = starterPrior({ form: 'grains', store: params.store }, activity);
    return sown(full, { living: [living], lacticMolPerKg: 0, prior, milkOf: state.masses }, member);
  },
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: say('stages.grains.grainsOutMilkDry') }),
  endCue: () => say('stages.grains.allThemUnderMilk'),
  cues: [],
  watch: (_params, seen) => [
    { what: say('stages.grains.grains'), unit: 'g', planned: seen.begun.curd.grainsG, now: seen.here.curd.grainsG },
    likesGauge('kefir-grains', seen),
  ],
  cautions: (params) => [CAUTIONS.spoon, CAUTIONS.clean, ...(activityOf(params) < TIRED ? [CAUTIONS.tiredGrains] : [])],
  problems: (params, state) => [
    ...spentProblems({ form: 'grains', ...params }, activityOf(params), {
      remedy: say('stages.grains.wakeThemLittleMilk'),
      works: { ageDays: 1, vigourPct: 100 },
    }),
    ...lethalProblems('kefir-grains', state.tempC),
  ],
};

const activityOf = ({ ageDays, store, vigourPct }: GrainsParams) =>
  (starterActivity({ form: 'grains', ageDays, store }, 'kefir-grains') * vigourPct) / 100;

const grainsG = ({ grainsPct }: GrainsParams, state: CrockState) => (totalG(state.masses) * grainsPct) / 100;

/** Component masses (g) of grains. */
export function massesOfGrains(massG: number): Masses {
  const { waterPct, proteinPct } = KEFIR_GRAINS;
  const pct: Readonly<Record<string, number>> = {
    water: waterPct,
    casein: proteinPct,
    other: 100 - waterPct - proteinPct,
  };
  return massesBy((c) => ((pct[c] ?? 0) * massG) / 100);
}
