import { say } from '../messages/message.js';
import { duration, temp } from '../messages/quantity.js';
import type { StageKind } from './kind.js';
import { incubatorSurroundings, type IncubateParams } from './incubate.js';
import { passTime, volumeMl } from './pass-time.js';
import { acidityGauge, timeGauge, warmthGauge } from './watch.js';

export interface RipenParams extends Pick<IncubateParams, 'keeper' | 'keepC'> {
  readonly minutes: number;
}

/** The culture given a head start before the rennet. */
export const ripen: StageKind<RipenParams, 'ripen'> = {
  kind: 'ripen',
  defaults: { minutes: 45, keeper: 'thermostat', keepC: 30 },
  name: () => say('stages.ripen.ripen'),
  begins: () => say('stages.ripen.leaveRipen'),
  over: () => say('stages.ripen.itHasRipened'),
  instruction: (params) => say('stages.ripen.coverLetCultureWake', { n: duration(params.minutes) }),
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
    cost: say('stages.ripen.soonerSetsLittleLater'),
  }),
  endCue: (params) => say('stages.ripen.stillSmellsFaintlySour', { keep: temp(params.keepC) }),
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
