import { say } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { GRAIN_FAT_PCT } from '../constants/butter.js';
import { churnBalance } from '../physics/churning.js';
import { fractionOf, massesBy, totalG } from '../materials/composition.js';
import { takeOut, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

/** Nothing to choose: what runs through the cloth is buttermilk. */
export type DrawParams = Readonly<Record<never, never>>;

const TAKES_MIN = 6;

/** The buttermilk poured off the grains through a cloth. */
export const draw: StageKind<DrawParams, 'draw'> = {
  kind: 'draw',
  defaults: {},
  name: () => say('stages.draw.buttermilkOff'),
  begins: () => say('stages.draw.pourButtermilkOff'),
  over: () => say('stages.draw.buttermilkOff2'),
  instruction: (_params, before) =>
    say('stages.draw.pourThroughClothAbout', {
      buttermilk: mass(split(before).buttermilkG),
      butter: mass(split(before).butterG),
    }),
  ...handsWork(TAKES_MIN),
  gear: () => ['cloth', 'strainer'],
  runsOff: { is: 'buttermilk', name: say('good.buttermilk') },
  begin: (state) => {
    const { butterG, butterFatPct } = split(state);
    // What is too lean to churn gives no more fat than it has.
    const fatG = Math.min(state.masses.fat, (butterG * butterFatPct) / 100);
    const serumKept = (butterG - fatG) / (totalG(state.masses) - state.masses.fat);
    const fatLost = state.masses.fat > 0 ? 1 - fatG / state.masses.fat : 0;
    const buttermilk = massesBy((c) => state.masses[c] * (c === 'fat' ? fatLost : 1 - serumKept));
    return takeOut(state, buttermilk, 'whey');
  },
  slack: () => ({ earlyMin: 0, lateMin: 20, cost: say('stages.draw.warmingGrainsRunTogether') }),
  endCue: () => say('stages.draw.dripThroughClothSlowed'),
  cues: [{ cue: 'buttermilk', ask: say('stages.draw.howDoesButtermilkLook'), answers: ['thin', 'creamy'] }],
  watch: (_params, { begun, here }) => [
    { what: say('stages.draw.buttermilk'), unit: 'g', planned: totalG(here.whey), now: say('stages.draw.weighIt') },
    { what: say('stages.draw.grainsButter'), unit: 'g', planned: totalG(begun.masses), now: totalG(here.masses) },
  ],
  asks: () => [{ asks: 'reading', quantity: 'wheyG', label: say('stages.draw.buttermilkBowl') }],
  cautions: () => [CAUTIONS.clean],
  problems: () => [],
};

/** Grains and buttermilk of a churned cream. */
function split(state: CrockState) {
  const fatPct = Math.min(GRAIN_FAT_PCT - 1, 100 * fractionOf(state.masses, 'fat'));
  return churnBalance({ massG: totalG(state.masses), fatPct: Math.max(5, fatPct), tempC: state.tempC }, GRAIN_FAT_PCT);
}
