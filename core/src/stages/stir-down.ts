import { withCurd } from '../state/crock-state.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export type StirDownParams = Readonly<Record<never, never>>;

const TAKES_MIN = 4;

/** The set curd stirred smooth on purpose. */
export const stirDown: StageKind<StirDownParams> = {
  kind: 'stir-down',
  defaults: {},
  name: () => 'stir down',
  begins: () => 'Stir it down',
  over: () => 'It runs smooth',
  instruction: () => 'Stir the set curd smooth with a whisk, slowly, from the bottom up.',
  ...handsWork(TAKES_MIN),
  gear: () => ['whisk'],
  begin: (state) => withCurd(state, { disturbed: 1 }),
  slack: () => ({ earlyMin: 0, lateMin: 120, cost: 'Colder it stirs stiffer and stays thicker.' }),
  endCue: () => 'It runs off the whisk in one smooth ribbon.',
  cues: [{ cue: 'texture', ask: 'How does it run?', answers: ['smooth', 'grainy', 'stringy'] }],
  cautions: () => [],
  problems: () => [],
};
