import { say } from '../messages/message.js';
import { withCurd } from '../state/crock-state.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export type StirDownParams = Readonly<Record<never, never>>;

const TAKES_MIN = 4;

/** The set curd stirred smooth on purpose. */
export const stirDown: StageKind<StirDownParams, 'stir-down'> = {
  kind: 'stir-down',
  defaults: {},
  name: () => say('stages.stirDown.stirDown'),
  begins: () => say('stages.stirDown.stirDown2'),
  over: () => say('stages.stirDown.runsSmooth'),
  instruction: () => say('stages.stirDown.stirSetCurdSmooth'),
  ...handsWork(TAKES_MIN),
  gear: () => ['whisk'],
  begin: (state) => withCurd(state, { disturbed: 1 }),
  slack: () => ({ earlyMin: 0, lateMin: 120, cost: say('stages.stirDown.colderStirsStifferStays') }),
  endCue: () => say('stages.stirDown.runsOffWhiskOne'),
  cues: [{ cue: 'texture', ask: say('stages.stirDown.howDoesRun'), answers: ['smooth', 'grainy', 'stringy'] }],
  cautions: () => [],
  problems: () => [],
};
