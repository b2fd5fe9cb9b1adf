import type { StageKind } from './kind.js';
import { standBy } from './pass-time.js';
import { warmthGauge } from './watch.js';
import { sayTemp } from './words.js';

export interface TemperParams {
  readonly targetC: number;
}

/** Farther over its temperature than this (°C), tempered cream churns greasy. */
const TOO_WARM_BY_C = 3;
const LATEST_MIN = 180;

/** Back from the cold to the temperature it is worked at, on the counter. */
export const temper: StageKind<TemperParams> = {
  kind: 'temper',
  defaults: { targetC: 12 },
  name: (params) => `temper ${sayTemp(params.targetC)}`,
  begins: () => 'Take it out of the cold',
  over: (params) => `It is at ${sayTemp(params.targetC)}`,
  instruction: (params) => `Take it out of the cold and leave it covered until it is at ${sayTemp(params.targetC)}.`,
  handsMin: () => 2,
  attended: false,
  gear: () => ['counter'],
  endsBy: 'temperature',
  target: (params) => params.targetC,
  begin: (state) => state,
  advance: (state, _params, environment, minutes) => standBy('covered', state, environment, minutes),
  done: (state, params) => state.tempC >= params.targetC,
  stepMin: 2,
  slack: (params, course) => {
    let lateMin = 0;
    while (lateMin < LATEST_MIN && course.at(lateMin + 5).tempC < params.targetC + TOO_WARM_BY_C) lateMin += 5;
    return {
      earlyMin: 10,
      lateMin,
      cost: 'Colder takes longer to work; warmer is quick, but greasy, and leaves fat behind.',
    };
  },
  endCue: (params) => `The thermometer shows ${sayTemp(params.targetC)} in the middle.`,
  cues: [],
  watch: (params, seen) => [warmthGauge(seen, params.targetC)],
  cautions: () => [],
  problems: () => [],
};
