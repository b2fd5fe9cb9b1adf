import { hasSet, withCurd } from '../state/crock-state.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { sayNumber } from './words.js';

export interface CutParams {
  /** Edge of a piece, cm. */
  readonly edgeCm: number;
}

const TAKES_MIN = 5;
/** Pieces rest a while, so that their faces close. */
const FACES_CLOSE_MIN = 10;

/** The curd cut, so that its whey has a short way out. */
export const cut: StageKind<CutParams> = {
  kind: 'cut',
  defaults: { edgeCm: 2.5 },
  name: () => 'cut',
  begins: () => 'Start cutting',
  over: () => 'It is cut',
  instruction: (params) =>
    `Cut the curd to the bottom in ${sayNumber(params.edgeCm)} cm squares, then slantwise; leave it ${FACES_CLOSE_MIN} minutes so that the faces close.`,
  ...handsWork(TAKES_MIN + FACES_CLOSE_MIN),
  handsMin: () => TAKES_MIN,
  gear: () => ['long knife'],
  begin: (state) => withCurd(state, { cut: true }),
  slack: () => ({ earlyMin: 5, lateMin: 30, cost: 'Stirred too soon the pieces crumble and fat goes into the whey.' }),
  endCue: () => 'Whey stands in the cuts, and it is clear.',
  cues: [
    { cue: 'break', ask: 'Lift it with a knife: how does it break?', answers: ['mush', 'ragged', 'clean'] },
    { cue: 'clarity', ask: 'How is the whey in the cut?', answers: ['milky', 'cloudy', 'clear', 'greenish'] },
  ],
  branches: (_params, { looks, over }) =>
    over || (looks['break'] !== 'mush' && looks['break'] !== 'ragged')
      ? []
      : [
          {
            id: 'soft',
            offer: 'Leave it another half hour before it is cut further',
            because: `It breaks ${looks['break'] === 'mush' ? 'to mush' : 'ragged'}: it has not set through, and fat goes into the whey.`,
            does: { do: 'leave', note: 'Left the curd to set further.' },
          },
        ],
  cautions: () => [],
  problems: (_params, state) =>
    hasSet(state)
      ? []
      : [
          {
            field: 'targetPh',
            message: 'It has not set by then: there is no curd to cut.',
            remedy: 'Let it sour further, to pH 4.8 or below.',
            works: { targetPh: 4.6 },
          },
        ],
};
