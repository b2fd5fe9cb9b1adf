import { say } from '../messages/message.js';
import { amount, length } from '../messages/quantity.js';
import { hasSet, withCurd } from '../state/crock-state.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export interface CutParams {
  /** Edge of a piece, cm. */
  readonly edgeCm: number;
}

const TAKES_MIN = 5;
/** Pieces rest a while, so that their faces close. */
const FACES_CLOSE_MIN = 10;

/** The curd cut, so that its whey has a short way out. */
export const cut: StageKind<CutParams, 'cut'> = {
  kind: 'cut',
  defaults: { edgeCm: 2.5 },
  name: () => say('stages.cut.cut'),
  begins: () => say('stages.cut.startCutting'),
  over: () => say('stages.cut.itIsCut'),
  instruction: (params) =>
    say('stages.cut.cutCurdBottomSquares', { edge: length(params.edgeCm), facesCloseMin: amount(FACES_CLOSE_MIN) }),
  ...handsWork(TAKES_MIN + FACES_CLOSE_MIN),
  handsMin: () => TAKES_MIN,
  gear: () => ['long knife'],
  begin: (state) => withCurd(state, { cut: true }),
  slack: () => ({ earlyMin: 5, lateMin: 30, cost: say('stages.cut.stirredTooSoonPieces') }),
  endCue: () => say('stages.cut.wheyStandsCutsClear'),
  cues: [
    { cue: 'break', ask: say('stages.cut.liftKnifeHowDoes'), answers: ['mush', 'ragged', 'clean'] },
    { cue: 'clarity', ask: say('stages.cut.howWheyCut'), answers: ['milky', 'cloudy', 'clear', 'greenish'] },
  ],
  branches: (_params, { looks, over }) =>
    over || (looks['break'] !== 'mush' && looks['break'] !== 'ragged')
      ? []
      : [
          {
            id: 'soft',
            offer: say('stages.cut.leaveAnotherHalfHour'),
            because: looks['break'] === 'mush' ? say('stages.cut.breaksToMush') : say('stages.cut.breaksRagged'),
            does: { do: 'leave', note: say('stages.cut.leftCurdSetFurther') },
          },
        ],
  cautions: () => [],
  problems: (_params, state) =>
    hasSet(state)
      ? []
      : [
          {
            field: 'targetPh',
            message: say('stages.cut.notSetThereNo'),
            remedy: say('stages.cut.letSourFurtherPh'),
            works: { targetPh: 4.6 },
          },
        ],
};
