import { say } from '../messages/message.js';
import { duration, percent, temp } from '../messages/quantity.js';
import { coolingSurroundings, evaporationGPerMin } from '../physics/heat.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { CAUTIONS } from './cautions.js';
import type { StageKind } from './kind.js';
import { passTimeAt, volumeMl } from './pass-time.js';
import { pasteurisedGauge, timeGauge, unfoldedGauge, warmthGauge } from './watch.js';

export interface HoldParams {
  readonly minutes: number;
  readonly targetC: number;
  readonly lid: 'on' | 'off';
}

/** Cooler than wanted by so much (°C), a hold is hardly one. */
const FELL_C = 4;

/** Keeping it at its heat on a low hob or over a water bath. */
export const hold: StageKind<HoldParams, 'hold'> = {
  kind: 'hold',
  defaults: { minutes: 15, targetC: 85, lid: 'on' },
  name: () => say('stages.hold.hold'),
  begins: () => say('stages.hold.startHold'),
  over: () => say('stages.hold.hadTime'),
  instruction: (params) =>
    say('stages.hold.keepLidLowHeat', { target: temp(params.targetC), n: duration(params.minutes), lid: params.lid }),
  handsMin: () => 2,
  attended: true,
  gear: () => ['pot', 'hob'],
  endsBy: 'clock',
  target: (params) => params.minutes,
  begin: (state) => state,
  advance: (state, params, environment, minutes) => {
    const open = params.lid === 'off' ? 'open' : 'covered';
    const around = coolingSurroundings(open, volumeMl(state), environment.kitchen.roomC);
    const vapourG = evaporationGPerMin(around.openAreaM2, state.tempC, environment.kitchen.roomC) * minutes;
    const lossW = around.uaWPerK * (state.tempC - around.aroundC);
    const endC = environment.measured?.(state.minute, state.minute + minutes)?.tempC ?? state.tempC;
    const held = passTimeAt(state, environment, endC, minutes);
    return {
      ...held,
      masses: { ...held.masses, water: held.masses.water - vapourG },
      evaporatedG: held.evaporatedG + vapourG,
      energyKJ: held.energyKJ + lossW * minutes * 0.06,
    };
  },
  done: (state, params, _environment, since) => state.minute - since >= params.minutes,
  stepMin: 5,
  slack: (_params, course) => {
    const gained = 100 * (denaturedBetaLg(course.at(0).native) - denaturedBetaLg(course.at(-5).native));
    return {
      earlyMin: Math.min(5, course.lastedMin),
      lateMin: 20,
      cost: say('stages.hold.lastFiveMinutesBring', { gained: percent(gained, 0) }),
    };
  },
  endCue: () => say('stages.hold.timeUpSkinMay'),
  cues: [{ cue: 'skin', ask: say('stages.hold.thereSkin'), answers: ['none', 'thin', 'thick'] }],
  chart: { left: 'tempC', right: 'unfoldedPct' },
  watch: (params, seen) => [
    timeGauge(seen, params.minutes),
    warmthGauge(seen, params.targetC),
    unfoldedGauge(seen),
    pasteurisedGauge(seen),
  ],
  branches: (params, { here, over }) =>
    over || here.tempC > params.targetC - FELL_C
      ? []
      : [
          {
            id: 'fell',
            offer: say('stages.hold.bringBack', { target: temp(params.targetC) }),
            because: say('stages.hold.fallenWhereLittleMore', { temp: temp(here.tempC) }),
            does: { do: 'leave', note: say('stages.hold.broughtBackHeat') },
          },
        ],
  cautions: () => [CAUTIONS.hot],
  problems: () => [],
};
