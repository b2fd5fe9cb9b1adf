import { say } from '../messages/message.js';
import { scaleMasses } from '../materials/composition.js';
import { takeOut, withCurd } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export interface LadleParams {
  readonly how: 'ladle' | 'pour';
}

/** What each way leaves in the pot and on the ladle, how far it breaks the curd, and its minutes. */
const WAYS = {
  ladle: { lost: 0.004, broken: 0.1, minutes: 10 },
  pour: { lost: 0.006, broken: 0.7, minutes: 3 },
} as const;

/** Curd out of its pot on to the cloth. */
export const ladle: StageKind<LadleParams, 'ladle'> = {
  kind: 'ladle',
  defaults: { how: 'ladle' },
  name: (params) => (params.how === 'ladle' ? say('stages.ladle.ladle') : say('stages.ladle.pour')),
  begins: () => say('stages.ladle.startLadling'),
  over: () => say('stages.ladle.itIsOnThe'),
  instruction: (params) => say('stages.ladle.foldCornersOver', { how: params.how }),
  ...handsWork(WAYS.ladle.minutes),
  handsMin: (params) => WAYS[params.how].minutes,
  target: (params) => WAYS[params.how].minutes,
  done: (state, params, _environment, since) => state.minute - since >= WAYS[params.how].minutes,
  gear: () => ['cloth', 'strainer', 'ladle'],
  begin: (state, params) => {
    const { lost, broken } = WAYS[params.how];
    const left = takeOut(state, scaleMasses(state.masses, lost), 'lost');
    return withCurd(left, { disturbed: Math.max(state.curd.disturbed, broken) });
  },
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: say('stages.ladle.waitsPotLittleSourer') }),
  endCue: () => say('stages.ladle.allLiesClothWhey'),
  cues: [{ cue: 'clarity', ask: say('stages.ladle.howWhey'), answers: ['milky', 'cloudy', 'clear', 'greenish'] }],
  cautions: () => [CAUTIONS.clean],
  problems: () => [],
};
