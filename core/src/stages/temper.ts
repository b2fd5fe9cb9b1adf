import { say } from '../messages/message.js';
import { temp } from '../messages/quantity.js';
import type { StageKind } from './kind.js';
import { standBy } from './pass-time.js';
import { warmthGauge } from './watch.js';

export interface TemperParams {
  readonly targetC: number;
}

/** Farther over its temperature than this (°C), tempered cream churns greasy. */
const TOO_WARM_BY_C = 3;
const LATEST_MIN = 180;
/** A crock in a room comes no nearer to the room's warmth than this while anybody waits, °C; so far off is as good as there. */
const AS_ROOM_C = 1;
const NEARLY_C = 1.5;

/** Back from the cold to the temperature it is worked at, on the counter. */
export const temper: StageKind<TemperParams, 'temper'> = {
  kind: 'temper',
  defaults: { targetC: 12 },
  name: (params) => say('stages.temper.temper', { target: temp(params.targetC) }),
  begins: () => say('stages.temper.takeOutCold'),
  over: (params) => say('stages.temper.itIsAt', { target: temp(params.targetC) }),
  instruction: (params) => say('stages.temper.takeOutColdLeave', { target: temp(params.targetC) }),
  handsMin: () => 2,
  attended: false,
  gear: () => ['counter'],
  endsBy: 'temperature',
  target: (params) => params.targetC,
  begin: (state) => state,
  advance: (state, _params, environment, minutes) => standBy('covered', state, environment, minutes),
  done: (state, params, { kitchen }) => state.tempC >= Math.min(params.targetC, kitchen.roomC - AS_ROOM_C),
  stepMin: 2,
  slack: (params, course) => {
    let lateMin = 0;
    while (lateMin < LATEST_MIN && course.at(lateMin + 5).tempC < params.targetC + TOO_WARM_BY_C) lateMin += 5;
    return {
      earlyMin: 10,
      lateMin,
      cost: say('stages.temper.colderTakesLongerWork'),
    };
  },
  endCue: (params) => say('stages.temper.thermometerShowsMiddle', { target: temp(params.targetC) }),
  cues: [],
  watch: (params, seen) => [warmthGauge(seen, params.targetC)],
  cautions: () => [],
  problems: () => [],
  problemsAtEnd: ({ targetC }, end) =>
    end.tempC >= targetC - NEARLY_C
      ? []
      : [
          {
            field: 'churnC',
            message: say('stages.temper.roomNoWarmer', { temp: temp(end.tempC), target: temp(targetC) }),
            remedy: say('stages.temper.lukewarmWater', { temp: temp(end.tempC) }),
            works: { churnC: Math.floor(end.tempC) },
            mild: true,
          },
        ],
};
