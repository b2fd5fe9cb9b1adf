import { withCurd } from '../state/crock-state.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export type TurnParams = Readonly<Record<never, never>>;

const TAKES_MIN = 5;

/** The curd scraped from its cloth and turned, so that the wet middle comes to the outside. */
export const turn: StageKind<TurnParams> = {
  kind: 'turn',
  defaults: {},
  name: () => 'turn',
  begins: () => 'Turn it',
  over: () => 'It is turned',
  instruction: () => 'Open the cloth, scrape the dry rim into the middle, stir it through and hang it again.',
  ...handsWork(TAKES_MIN),
  gear: () => ['spatula'],
  begin: (state) => withCurd(state, { turns: state.curd.turns + 1 }),
  slack: () => ({ earlyMin: 60, lateMin: 240, cost: 'Without it the rim dries while the middle stays wet.' }),
  endCue: () => 'Even all through; the drip has begun again.',
  cues: [{ cue: 'drip', ask: 'How does it drip?', answers: ['streams', 'fast drops', 'slow drops', 'stopped'] }],
  cautions: () => [],
  problems: () => [],
};
