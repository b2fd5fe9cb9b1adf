import { scaleMasses, totalG } from '../materials/composition.js';
import { takeOut, withCurd } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { sayNumber, sayMass, sayPots } from './words.js';

export interface FinishParams {
  /** Net mass of one pot, g. */
  readonly potG: number;
  readonly whisk: 'yes' | 'no';
  /** Filled into pots, or wrapped as the pieces it is. */
  readonly as: 'pots' | 'pieces';
}

/** Left on cloth, whisk and bowl: a fixed smear and a share, as kitchens weigh it. */
const SMEAR_G = 8;
const SMEAR_SHARE = 0.008;
const SMEAR_MOST = 0.25;
/** Beyond this share it is no longer what hands leave behind. */
const MOST_LOST = 0.5;
const TAKES_MIN = 15;

/** Weighed, potted, labelled, back into the cold. */
export const finish: StageKind<FinishParams> = {
  kind: 'finish',
  defaults: { potG: 400, whisk: 'yes', as: 'pots' },
  name: (params) => (params.as === 'pots' ? 'weigh, pot' : 'weigh, wrap'),
  begins: () => 'Start potting',
  over: () => 'It is potted',
  instruction: (params, before) => {
    const weigh = `${params.whisk === 'yes' ? 'Whisk smooth, weigh' : 'Weigh'} (about ${sayMass(totalG(before.masses))})`;
    if (params.as === 'pieces') return `${weigh}, wrap and label.`;
    return `${weigh} and fill ${sayPots(potsOf(before.masses, params.potG))} of ${sayNumber(params.potG, 0)} g.`;
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['scale', 'pots'],
  fillsInto: 'jar',
  begin: (state, _params, { kitchen }) => {
    const mass = totalG(state.masses);
    const smear = Math.min(SMEAR_MOST, (SMEAR_G + SMEAR_SHARE * mass) / Math.max(mass, 1));
    const lost = Math.min(MOST_LOST, Math.max(0, 1 - (1 - smear) * kitchen.yieldFactor));
    return withCurd(takeOut(state, scaleMasses(state.masses, lost), 'lost'), { draining: null });
  },
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: 'Back into the cold within the hour.' }),
  endCue: () => 'Weighed, labelled, in the cold.',
  cues: [{ cue: 'texture', ask: 'Drag a spoon through: what is it like?', answers: ['smooth', 'grainy', 'stringy'] }],
  watch: (params, { here }) => [
    { what: 'Product', unit: 'g', planned: totalG(here.masses), now: 'weigh it' },
    {
      what: params.as === 'pots' ? 'Pots' : 'Pieces',
      unit: '',
      planned: potsOf(here.masses, params.potG),
      now: 'count them',
    },
  ],
  cautions: (_params, state) => [CAUTIONS.clean, ...(state.inputs.casein > 0 ? [CAUTIONS.allergen] : [])],
  problems: () => [],
};

/** Whole pots that a mass fills (g), at least one. */
export function potsOf(masses: Parameters<typeof totalG>[0], potG: number): number {
  return Math.max(1, Math.floor(totalG(masses) / potG));
}
