import { say } from '../messages/message.js';
import { between, length, temp } from '../messages/quantity.js';
import { scaldedCrust } from '../physics/creaming.js';
import { totalG } from '../materials/composition.js';
import type { CrockState } from '../state/crock-state.js';
import { CRUST_VAPOUR_SHARE } from '../constants/creaming.js';
import { coolingSurroundings, evaporationGPerMin } from '../physics/heat.js';
import { CAUTIONS } from './cautions.js';
import type { StageKind } from './kind.js';
import { passTimeAt, volumeMl } from './pass-time.js';
import { timeGauge, warmthGauge } from './watch.js';

export interface ScaldCreamParams {
  readonly keepC: number;
  readonly hours: number;
  /** How deep the cream stands in its pan, cm. */
  readonly depthCm: number;
}

/** From here cream simmers, °C. */
const BREAKS_C = 92;

const crustG = (state: CrockState, hours: number) =>
  scaldedCrust(totalG(state.masses), state.masses.fat, hours, 'lift').topG;

/** Cream kept hot and still in a shallow pan until a crust has gathered. */
export const scaldCream: StageKind<ScaldCreamParams, 'scald-cream'> = {
  kind: 'scald-cream',
  defaults: { keepC: 80, hours: 11, depthCm: 5 },
  name: () => say('stages.scaldCream.scald'),
  begins: () => say('stages.scaldCream.putIntoOven'),
  over: () => say('stages.scaldCream.crustThere'),
  instruction: (params) =>
    say('stages.scaldCream.intoShallowPanDeep', { depth: length(params.depthCm), keep: temp(params.keepC) }),
  handsMin: () => 5,
  attended: false,
  gear: () => ['shallow pan', 'oven'],
  endsBy: 'clock',
  target: (params) => params.hours * 60,
  begin: (state) => state,
  advance: (state, params, environment, minutes) => {
    const volume = volumeMl(state);
    const areaM2 = (volume * 1e-6) / (params.depthCm / 100);
    const vapourG = evaporationGPerMin(areaM2, state.tempC, environment.kitchen.roomC) * CRUST_VAPOUR_SHARE * minutes;
    const { uaWPerK, aroundC } = coolingSurroundings('open', volume, environment.kitchen.roomC);
    const endC = environment.measured?.(state.minute, state.minute + minutes)?.tempC ?? params.keepC;
    const held = passTimeAt(state, environment, endC, minutes);
    return {
      ...held,
      masses: { ...held.masses, water: held.masses.water - vapourG },
      evaporatedG: held.evaporatedG + vapourG,
      energyKJ: held.energyKJ + uaWPerK * (state.tempC - aroundC) * minutes * 0.06,
    };
  },
  done: (state, params, _environment, since) => state.minute - since >= params.hours * 60,
  stepMin: 15,
  slack: (params) => ({
    earlyMin: Math.max(0, (params.hours - 8) * 60),
    lateMin: Math.max(60, (14 - params.hours) * 60),
    cost: say('stages.scaldCream.soonerCrustThinLonger'),
  }),
  endCue: () => say('stages.scaldCream.wrinkledGoldenCrustFrom'),
  cues: [{ cue: 'skin', ask: say('stages.scaldCream.howCrust'), answers: ['none', 'thin', 'thick', 'golden'] }],
  chart: { left: 'tempC' },
  watch: (params, seen) => [
    timeGauge(seen, params.hours * 60),
    warmthGauge(seen, params.keepC),
    {
      what: say('stages.scaldCream.crustLiftNow'),
      unit: 'g',
      planned: crustG(seen.planned, params.hours),
      now: crustG(seen.here, (seen.here.minute - seen.begun.minute) / 60),
    },
  ],
  branches: (params, { looks, here, over }) =>
    over || (looks['skin'] !== 'golden' && here.tempC < BREAKS_C)
      ? []
      : [
          looks['skin'] === 'golden'
            ? {
                id: 'golden',
                offer: say('stages.scaldCream.takeOutCoolNow'),
                because: say('stages.scaldCream.crustGoldenFromRim'),
                does: { do: 'next' },
              }
            : {
                id: 'simmers',
                offer: say('stages.scaldCream.bringDown', { keep: temp(params.keepC) }),
                because: say('stages.scaldCream.simmersCrustBreaks', { temp: temp(here.tempC) }),
                does: { do: 'leave', note: say('stages.scaldCream.turnedHeatDownUnder') },
              },
        ],
  cautions: () => [CAUTIONS.hot, CAUTIONS.oven],
  problems: (params) =>
    params.keepC > 90
      ? [
          {
            field: 'scaldC',
            message: say('stages.scaldCream.simmersCrustBreaks2', { keep: temp(params.keepC) }),
            remedy: say('stages.scaldCream.keepItAt', { temp: between(temp(75), temp(85)) }),
            works: { scaldC: 85 },
          },
        ]
      : [],
};
