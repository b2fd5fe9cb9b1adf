import type { StageKind } from './kind.js';
import { incubatorSurroundings, type IncubateParams } from './incubate.js';
import { passTime, volumeMl } from './pass-time.js';
import { acidityGauge, timeGauge, warmthGauge } from './watch.js';
import { sayDuration, sayTemp } from './words.js';

export interface RipenParams extends Pick<IncubateParams, 'keeper' | 'keepC'> {
  readonly minutes: number;
}

/** The culture given a head start before the rennet. */
export const ripen: StageKind<RipenParams> = {
  kind: 'ripen',
  defaults: { minutes: 45, keeper: 'thermostat', keepC: 30 },
  name: () => 'ripen',
  begins: () => 'Leave it to ripen',
  over: () => 'It has ripened',
  instruction: (params) => `Cover it and let the culture wake for ${sayDuration(params.minutes)}.`,
  handsMin: () => 1,
  attended: false,
  gear: (params) => [params.keeper],
  endsBy: 'clock',
  target: (params) => params.minutes,
  begin: (state) => state,
  advance: (state, params, environment, minutes) =>
    passTime(state, environment, incubatorSurroundings(params, volumeMl(state), environment), 0, minutes),
  done: (state, params, _environment, since) => state.minute - since >= params.minutes,
  stepMin: 10,
  slack: (params) => ({
    earlyMin: params.minutes / 2,
    lateMin: 45,
    cost: 'Sooner it sets a little later; later it is sourer when the rennet goes in, and sets faster.',
  }),
  endCue: (params) => `Still at ${sayTemp(params.keepC)}; it smells faintly sour.`,
  cues: [],
  chart: { left: 'ph', right: 'tempC' },
  watch: (params, seen) => [
    timeGauge(seen, params.minutes),
    warmthGauge(seen, params.keepC),
    acidityGauge(seen, seen.planned.ph),
  ],
  cautions: () => [],
  problems: () => [],
};
