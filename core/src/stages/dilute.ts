import { say } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { GOODS } from '../materials/kitchen-goods.js';
import { totalG } from '../materials/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { massesOfGoods } from '../materials/goods.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export interface DiluteParams {
  readonly into: 'water' | 'milk';
  /** Percent of what is in the crock. */
  readonly pct: number;
}

const TAKES_MIN = 4;

/** Thinned to drink or to pour, stirred smooth on the way. */
export const dilute: StageKind<DiluteParams, 'dilute'> = {
  kind: 'dilute',
  defaults: { into: 'water', pct: 30 },
  name: () => say('stages.dilute.thin'),
  begins: () => say('stages.dilute.startThinning'),
  over: () => say('stages.dilute.thinEnough'),
  instruction: (params, before) =>
    say('stages.dilute.whiskSmoothCold', {
      added: mass(addedG(before, params)),
      into: params.into,
    }),
  ...handsWork(TAKES_MIN),
  gear: () => ['whisk', 'jug'],
  weighIn: (params, before) => [
    {
      what: GOODS[params.into].name,
      massG: addedG(before, params),
      gPerMl: GOODS[params.into].gPerMl,
      pricedAs: params.into === 'milk' ? 'milk' : 'own',
    },
  ],
  begin: (state, params) => {
    const thinned = pourIn(state, massesOfGoods(GOODS[params.into], addedG(state, params)));
    return withCurd({ ...thinned, souring: thinnedSouring(state, thinned) }, { disturbed: 1, draining: null });
  },
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: say('stages.dilute.thickensLittleAgainCold') }),
  endCue: () => say('stages.dilute.poursThreadWithoutLumps'),
  cues: [{ cue: 'texture', ask: say('stages.dilute.howDoesPour'), answers: ['smooth', 'grainy', 'stringy'] }],
  cautions: () => [],
  problems: () => [],
};

const addedG = (state: CrockState, { pct }: DiluteParams) => (totalG(state.masses) * pct) / 100;

/**
 * The souring of a thinned crock. It is reckoned per kg of the milk as it was inoculated, and of that there is as much as
 * before: only what share of the crock's water belongs to it has changed. (Buffer and acid are thinned alike, so the pH
 * hardly moves, as that of any buffer does; the little buffer that added milk brings is left out, the books have its masses.)
 */
function thinnedSouring({ souring, masses }: CrockState, after: CrockState): CrockState['souring'] {
  return souring && { ...souring, waterFraction: (souring.waterFraction * after.masses.water) / masses.water };
}
