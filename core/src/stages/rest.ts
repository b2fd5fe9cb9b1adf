import { say } from '../messages/message.js';
import { duration } from '../messages/quantity.js';
import type { StageKind } from './kind.js';
import { standCovered } from './pass-time.js';
import { timeGauge, warmthGauge } from './watch.js';

export interface RestParams {
  readonly minutes: number;
  /** What it rests for. */
  readonly why: keyof typeof RESTS;
}

/** What each rest is for: what the hands do, what shows its end, and what too little or too much of it costs. */
const RESTS = {
  gather: {
    endCue: say('stages.rest.gathered'),
    cost: say('stages.rest.soonerFiner'),
    lateMin: 20,
  },
  soda: {
    endCue: say('stages.rest.sunkTogether'),
    cost: say('stages.rest.soonerGrains'),
    lateMin: 90,
  },
} as const;

/** Left alone, covered, so that the curd gathers. */
export const rest: StageKind<RestParams, 'rest'> = {
  kind: 'rest',
  defaults: { minutes: 10, why: 'gather' },
  name: () => say('stages.rest.rest'),
  begins: () => say('stages.rest.leaveRest'),
  over: () => say('stages.rest.itHasRested'),
  instruction: (params) => say('stages.rest.withoutStirring', { why: params.why, n: duration(params.minutes) }),
  handsMin: () => 1,
  attended: false,
  gear: () => ['pot'],
  endsBy: 'clock',
  target: (params) => params.minutes,
  begin: (state) => state,
  advance: (state, _params, environment, minutes) => standCovered(state, environment, minutes),
  done: (state, params, _environment, since) => state.minute - since >= params.minutes,
  stepMin: 5,
  slack: (params) => ({
    earlyMin: params.minutes / 2,
    lateMin: RESTS[params.why].lateMin,
    cost: RESTS[params.why].cost,
  }),
  endCue: (params) => RESTS[params.why].endCue,
  cues: [],
  chart: { left: 'tempC', limit: 'cooling' },
  watch: (params, seen) => [timeGauge(seen, params.minutes), warmthGauge(seen, seen.planned.tempC)],
  cautions: () => [],
  problems: () => [],
};
