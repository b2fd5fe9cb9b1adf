import type { StageKind } from './kind.js';
import { standCovered } from './pass-time.js';
import { timeGauge, warmthGauge } from './watch.js';
import { sayDuration } from './words.js';

export interface RestParams {
  readonly minutes: number;
  /** What it rests for. */
  readonly why: keyof typeof RESTS;
}

/** What each rest is for: what the hands do, what shows its end, and what too little or too much of it costs. */
const RESTS = {
  gather: {
    say: 'Off the heat, lid on: leave it',
    endCue: 'The curd has gathered; the whey under it is clear.',
    cost: 'Sooner the curd is finer and more is lost through the cloth; later it only cools.',
    lateMin: 20,
  },
  soda: {
    say: 'Cover the crumbled curd and leave it',
    endCue: 'It has sunk together, glassy and soft, with no white crumbs.',
    cost: 'Sooner it melts to grains; later it does no harm, in the cool.',
    lateMin: 90,
  },
} as const;

/** Left alone, covered, so that the curd gathers. */
export const rest: StageKind<RestParams> = {
  kind: 'rest',
  defaults: { minutes: 10, why: 'gather' },
  name: () => 'rest',
  begins: () => 'Leave it to rest',
  over: () => 'It has rested',
  instruction: (params) => `${RESTS[params.why].say} ${sayDuration(params.minutes)} without stirring.`,
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
