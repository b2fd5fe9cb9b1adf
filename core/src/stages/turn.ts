import { say } from '../messages/message.js';
import { withCurd } from '../state/crock-state.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export type TurnParams = Readonly<Record<never, never>>;

const TAKES_MIN = 5;

/** The curd scraped from its cloth and turned, so that the wet middle comes to the outside. */
export const turn: StageKind<TurnParams, 'turn'> = {
  kind: 'turn',
  defaults: {},
  name: () => say('stages.turn.turn'),
  begins: () => say('stages.turn.turnIt'),
  over: () => say('stages.turn.itIsTurned'),
  instruction: () => say('stages.turn.openClothScrapeDry'),
  ...handsWork(TAKES_MIN),
  gear: () => ['spatula'],
  begin: (state) => withCurd(state, { turns: state.curd.turns + 1 }),
  slack: () => ({ earlyMin: 60, lateMin: 240, cost: say('stages.turn.withoutRimDriesWhile') }),
  endCue: () => say('stages.turn.evenAllThroughDrip'),
  cues: [
    { cue: 'drip', ask: say('stages.turn.howDoesDrip'), answers: ['streams', 'fast-drops', 'slow-drops', 'stopped'] },
  ],
  cautions: () => [],
  problems: () => [],
};
