import { say } from '../messages/message.js';
import { duration } from '../messages/quantity.js';
import type { StageKind } from './kind.js';
import type { Environment } from '../environment/environment.js';
import type { CrockState } from '../state/crock-state.js';
import { coveredPot, passTimeAt, standCovered, volumeMl } from './pass-time.js';
import { timeGauge, warmthGauge } from './watch.js';

export interface RestParams {
  readonly minutes: number;
  /** What it rests for. */
  readonly why: keyof typeof RESTS;
  /** Off the heat, or kept as hot as it is over a low flame. */
  readonly heat: 'off' | 'simmer';
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

/** Kept as hot as it is: the hob gives what the covered pot loses. */
function simmered(state: CrockState, environment: Environment, minutes: number): CrockState {
  const { uaWPerK, aroundC } = coveredPot(volumeMl(state), environment);
  const endC = environment.measured?.(state.minute, state.minute + minutes)?.tempC ?? state.tempC;
  const lostKJ = (uaWPerK * Math.max(0, state.tempC - aroundC) * minutes * 60) / 1000;
  const held = passTimeAt(state, environment, endC, minutes);
  return { ...held, energyKJ: state.energyKJ + lostKJ };
}

/** Left alone, covered, so that the curd gathers. */
export const rest: StageKind<RestParams, 'rest'> = {
  kind: 'rest',
  defaults: { minutes: 10, why: 'gather', heat: 'off' },
  name: (params) => (params.heat === 'simmer' ? say('stages.rest.simmering') : say('stages.rest.rest')),
  begins: (params) => (params.heat === 'simmer' ? say('stages.rest.letSimmer') : say('stages.rest.leaveRest')),
  over: (params) => (params.heat === 'simmer' ? say('stages.rest.itHasSimmered') : say('stages.rest.itHasRested')),
  instruction: (params) =>
    params.heat === 'simmer'
      ? say('stages.rest.simmer', { n: duration(params.minutes) })
      : say('stages.rest.withoutStirring', { why: params.why, n: duration(params.minutes) }),
  handsMin: () => 1,
  attended: false,
  gear: (params) => (params.heat === 'simmer' ? ['pot', 'hob'] : ['pot']),
  endsBy: 'clock',
  target: (params) => params.minutes,
  begin: (state) => state,
  advance: (state, params, environment, minutes) =>
    params.heat === 'simmer' ? simmered(state, environment, minutes) : standCovered(state, environment, minutes),
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
