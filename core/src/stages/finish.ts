import { say, type Text } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { scaleMasses, totalG } from '../materials/composition.js';
import { takeOut, withCurd, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export interface FinishParams {
  /** Net mass of one pot, g. */
  readonly potG: number;
  readonly whisk: 'yes' | 'no';
  /** Filled into pots, or wrapped as the pieces it is. */
  readonly as: 'pots' | 'pieces';
  /** Hours that it has worked in the bottles it stays in; 0 = it is filled here. */
  readonly bottledH: number;
  /** Where it is kept. */
  readonly keptIn: 'cold' | 'frozen';
  /** Eaten from the cold, or an hour out of it, where it is stiff while cold. */
  readonly eaten: 'as it is' | 'an hour out';
}

/** Left on cloth, whisk and bowl: a fixed smear and a share, as kitchens weigh it. */
const SMEAR_G = 8;
const SMEAR_SHARE = 0.008;
const SMEAR_MOST = 0.25;
/** Beyond this share it is no longer what hands leave behind. */
const MOST_LOST = 0.5;
const TAKES_MIN = 15;

/** Weighed, potted, labelled, back into the cold. */
export const finish: StageKind<FinishParams, 'finish'> = {
  kind: 'finish',
  defaults: { potG: 400, whisk: 'yes', as: 'pots', bottledH: 0, keptIn: 'cold', eaten: 'as it is' },
  name: (params) => (params.as === 'pots' ? say('stages.finish.weighPot') : say('stages.finish.weighWrap')),
  begins: () => say('stages.finish.startPotting'),
  over: () => say('stages.finish.itIsPotted'),
  instruction: (params, before, after = before) => {
    const does = fills(params, after);
    if (params.keptIn === 'frozen') return say('stages.finish.thenFreeze', { does });
    return params.eaten === 'an hour out' ? say('stages.finish.anHourOut', { does }) : does;
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['scale', 'pots'],
  fillsInto: 'jar',
  begin: (state, params, { kitchen }) => {
    const mass = totalG(state.masses);
    const smear = Math.min(SMEAR_MOST, (SMEAR_G + SMEAR_SHARE * mass) / Math.max(mass, 1));
    const lost = Math.min(MOST_LOST, Math.max(0, 1 - (1 - smear) * kitchen.yieldFactor));
    const isFrozen = params.keptIn === 'frozen';
    return withCurd(takeOut(state, scaleMasses(state.masses, lost), 'lost'), { draining: null, isFrozen });
  },
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: say('stages.finish.backIntoColdWithin') }),
  endCue: () => say('stages.finish.weighedLabelledCold'),
  cues: [{ cue: 'texture', ask: say('stages.finish.dragSpoonThroughWhat'), answers: ['smooth', 'grainy', 'stringy'] }],
  watch: (params, { here }) => [
    { what: say('stages.finish.product'), unit: 'g', planned: totalG(here.masses), now: say('stages.finish.weighIt') },
    {
      what: params.as === 'pots' ? say('stages.finish.pots') : say('stages.finish.pieces'),
      unit: '',
      planned: potsOf(here.masses, params.potG),
      now: say('stages.finish.countThem'),
    },
  ],
  cautions: (_params, state) => [CAUTIONS.clean, ...(state.inputs.casein > 0 ? [CAUTIONS.allergen] : [])],
  problems: () => [],
};

function fills(params: FinishParams, { masses }: CrockState): Text {
  const weighed = { whisk: params.whisk, total: mass(totalG(masses)) };
  if (params.bottledH > 0)
    return say('stages.finish.labelBottles', {
      ...weighed,
      count: potsOf(masses, params.potG),
      pot: mass(params.potG, 0),
    });
  if (params.as === 'pieces') return say('stages.finish.wrapLabel', weighed);
  return say('stages.finish.fillPots', { ...weighed, count: potsOf(masses, params.potG), pot: mass(params.potG, 0) });
}

/** Whole pots that a mass fills (g), at least one. */
export function potsOf(masses: Parameters<typeof totalG>[0], potG: number): number {
  return Math.max(1, Math.floor(totalG(masses) / potG));
}
