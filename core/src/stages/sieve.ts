import { say } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { KEFIR_GRAINS } from '../constants/cultures.js';
import { massesBy, totalG, type Masses } from '../materials/composition.js';
import { takeOut, withCurd, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { massesOfGrains } from './grains.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export interface SieveParams {
  /** Where the grains go: the next milk at once, or a rest in the cold. */
  readonly then: 'next milk' | 'rest';
  /** What the grains weighed, g, where somebody weighed them. */
  readonly grainsG: number | null;
}

const TAKES_MIN = 8;

/** Grains sieved out and weighed; they have grown. */
export const sieve: StageKind<SieveParams, 'sieve'> = {
  kind: 'sieve',
  defaults: { then: 'next milk', grainsG: null },
  name: () => say('stages.sieve.sieve'),
  begins: () => say('stages.sieve.startSieving'),
  over: () => say('stages.sieve.grainsOut'),
  instruction: (params, before) => {
    const grew = grownG(before);
    return say('stages.sieve.stirPourThroughSieve', {
      grains: mass(before.curd.grainsG + grew),
      grew: mass(grew),
      next: params.then,
    });
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['sieve', 'bowl', 'scale'],
  keepsBack: {
    is: 'grains',
    name: say('good.kefirGrains'),
    use: say('use.grains'),
    keepsDays: 21,
  },
  begin: (state, params) => {
    const grown = grow(state, params.grainsG);
    const out = massesOfGrains(grown.curd.grainsG);
    return withCurd(takeOut(grown, out, 'heldBack'), { grainsG: 0, disturbed: 1 });
  },
  slack: () => ({ earlyMin: 0, lateMin: 120, cost: say('stages.sieve.leftGoesSouringGrains') }),
  endCue: () => say('stages.sieve.kefirThroughGrainsClean'),
  cues: [
    { cue: 'smell', ask: say('stages.sieve.howDoesSmell'), answers: ['milky', 'bright-acid', 'yeasty', 'foul'] },
    { cue: 'texture', ask: say('stages.sieve.howDoesPour'), answers: ['smooth', 'grainy', 'stringy'] },
  ],
  told: (params, { weighed }) => ({ ...params, grainsG: weighed.grainsG ?? null }),
  watch: (params, { begun }) => [
    {
      what: say('stages.sieve.grains'),
      unit: 'g',
      planned: totalG(begun.heldBack),
      now: params.grainsG ?? say('stages.sieve.weighThem'),
    },
    { what: say('stages.sieve.kefir'), unit: 'g', planned: totalG(begun.masses), now: totalG(begun.masses) },
  ],
  asks: () => [{ asks: 'reading', quantity: 'grainsG', label: say('stages.sieve.grainsDrippedOff') }],
  cautions: () => [CAUTIONS.clean, CAUTIONS.mould],
  problems: () => [],
};

/**
 * What grains grow by in a batch, g: 5–15 % of themselves, as the milk sours (Garrote et al. 1997, J. Dairy Res. 64, 263;
 * Libudzisz & Piatkiewicz 1990: about 7–10 % a day at room temperature).
 */
function grownG({ curd, souring }: CrockState): number {
  if (!souring) return 0;
  const { growth } = KEFIR_GRAINS;
  const soured = Math.min(1, souring.lacticMolPerKg / growth.fullAtLacticMolPerKg);
  return curd.grainsG * (growth.least + (growth.most - growth.least) * soured);
}

/** Grains that weigh more than so many times what went in have milk and curd clinging to them. */
const MOST_GROWN = 0.5;

/** The milk gives its grains what they have grown by: water, casein, and sugar for the gum that holds them. */
function grow(state: CrockState, weighedG: number | null): CrockState {
  const grewG = weighedG === null ? grownG(state) : Math.max(0, weighedG - state.curd.grainsG);
  const more = massesOfGrains(Math.min(grewG, MOST_GROWN * state.curd.grainsG));
  const gum = more.other;
  const sugarG = Math.min(state.masses.lactose, gum);
  const masses: Masses = massesBy((c) =>
    c === 'lactose' ? state.masses.lactose - sugarG : c === 'other' ? state.masses.other + sugarG : state.masses[c],
  );
  return withCurd({ ...state, masses }, { grainsG: state.curd.grainsG + totalG(more) * fractionOfGum(sugarG, gum) });
}

/** Where there is little sugar left, grains grow only as far as it goes. */
const fractionOfGum = (sugarG: number, gumG: number) => (gumG > 0 ? sugarG / gumG : 0);
