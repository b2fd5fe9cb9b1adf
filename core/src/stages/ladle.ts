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
  ladle: { lost: 0.004, broken: 0.1, minutes: 10, say: 'Ladle the curd in thin slices into the lined sieve' },
  pour: { lost: 0.006, broken: 0.7, minutes: 3, say: 'Pour the curd slowly into the lined sieve' },
} as const;

/** Curd out of its pot on to the cloth. */
export const ladle: StageKind<LadleParams> = {
  kind: 'ladle',
  defaults: { how: 'ladle' },
  name: (params) => params.how,
  begins: () => 'Start ladling',
  over: () => 'It is on the cloth',
  instruction: (params) => `${WAYS[params.how].say}; fold the corners over.`,
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
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: 'It waits in its pot, a little sourer.' }),
  endCue: () => 'All of it lies on the cloth; the whey runs clear.',
  cues: [{ cue: 'clarity', ask: 'How is the whey?', answers: ['milky', 'cloudy', 'clear', 'greenish'] }],
  cautions: () => [CAUTIONS.clean],
  problems: () => [],
};
