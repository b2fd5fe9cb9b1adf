import { say } from '../messages/message.js';
import { temp, tempBy } from '../messages/quantity.js';
import type { Environment } from '../environment/environment.js';
import { SCORCH } from '../constants/scorch.js';
import { heatCapacityKJPerK } from '../physics/heat.js';
import { bottomC } from '../physics/scorch.js';
import type { CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import type { StageKind } from './kind.js';
import { coveredPot, passTime, passTimeAt, volumeMl } from './pass-time.js';
import { pasteurisedGauge, unfoldedGauge, warmthGauge, type Branch, type Gauge, type Seen } from './watch.js';

export interface HeatParams {
  readonly targetC: number;
  /** Degrees a minute where it must come slowly, over a water bath; 0 = as fast as the hob brings it. */
  readonly paceCPerMin: number;
}

/** Highest temperature milk reaches in an open kitchen, °C. */
const BOILS_C = 100;
/** Bubbles show at the rim from here, and skin burns from there, °C. */
const STEAMS_C = 75;
const BURNS_C = 50;
/** Warmed over water and taken off, milk waits so long without harm, min. */
const SLOW_LATE_MIN = 15;

/** Warming on the hob to a temperature. */
export const heat: StageKind<HeatParams, 'heat'> = {
  kind: 'heat',
  defaults: { targetC: 85, paceCPerMin: 0 },
  name: (params) => say('stages.heat.heat', { target: temp(params.targetC) }),
  begins: () => say('stages.heat.startHeating'),
  over: (params) => say('stages.heat.itIsAt', { target: temp(params.targetC) }),
  instruction: (params) =>
    params.paceCPerMin > 0
      ? say('stages.heat.warmSlowlyOverWater', { target: temp(params.targetC), paceCPer: tempBy(params.paceCPerMin) })
      : say('stages.heat.warmStirringAlongBottom', { target: temp(params.targetC) }),
  handsMin: () => 12,
  attended: true,
  gear: () => ['pot', 'hob', 'thermometer'],
  endsBy: 'temperature',
  endsAtAim: 'when later',
  target: (params) => params.targetC,
  begin: (state) => state,
  advance: (state, params, environment, minutes) => {
    const { kitchen } = environment;
    if (params.paceCPerMin > 0) return warmSlowly(state, params, environment, minutes);
    const around = coveredPot(volumeMl(state), environment);
    return passTime(state, environment, around, kitchen.hobW * kitchen.hobEfficiency, minutes);
  },
  done: (state, params) => state.tempC >= params.targetC,
  stepMin: 1,
  slack: (params, course) => {
    if (params.paceCPerMin > 0)
      return {
        earlyMin: 0,
        lateMin: SLOW_LATE_MIN,
        cost: say('stages.heat.offHeatWaitsDegree'),
      };
    const perMin = course.at(1).tempC - course.at(0).tempC;
    return {
      earlyMin: 0,
      lateMin: Math.max(1, Math.min(6, 4 / Math.max(0.1, perMin))),
      cost: say('stages.heat.goesWarmingMinuteFew', { per: tempBy(perMin, 0) }),
    };
  },
  endCue: ({ targetC }) =>
    say(targetC >= STEAMS_C ? 'stages.heat.thermometerShowsSteaming' : 'stages.heat.thermometerShows', {
      target: temp(targetC),
    }),
  cues: [
    {
      cue: 'bottom',
      ask: say('stages.heat.doesBottomCatch'),
      answers: ['clean', 'a-film', 'scorched'],
    },
  ],
  chart: { left: 'tempC', right: 'unfoldedPct' },
  watch: (params, seen) => [
    warmthGauge(seen, params.targetC),
    ...(seen.over || params.paceCPerMin > 0 ? [] : [bottomGauge(seen)]),
    ...(params.targetC > BURNS_C ? [unfoldedGauge(seen), pasteurisedGauge(seen)] : []),
  ],
  branches: (params, seen) => [...catchBranches(seen), ...overBranches(params, seen)],
  cautions: ({ targetC }) => (targetC >= BURNS_C ? [CAUTIONS.hot] : []),
  problems: (params) =>
    params.targetC >= BOILS_C
      ? [
          {
            field: 'heatC',
            message: say('stages.heat.milkBoilsOverBefore', { target: temp(params.targetC) }),
            remedy: say('stages.heat.askLess', { temp: temp(95) }),
            works: { heatC: 95 },
          },
        ]
      : [],
};

/** The flame turned so that it warms no faster than its pace. */
function warmSlowly(state: CrockState, params: HeatParams, environment: Environment, minutes: number): CrockState {
  const riseC = Math.max(0, Math.min(params.targetC - state.tempC, params.paceCPerMin * minutes));
  const endC = environment.measured?.(state.minute, state.minute + minutes)?.tempC ?? state.tempC + riseC;
  const warmed = passTimeAt(state, environment, endC, minutes);
  return { ...warmed, energyKJ: state.energyKJ + heatCapacityKJPerK(state.masses, state.tempC) * riseC };
}

/** The film on the bottom: where it scorches, milk that still looks cool is burning. */
function bottomGauge({ here, environment }: Seen): Gauge {
  const { hobW, hobEfficiency } = environment.kitchen;
  const at = (spoon: 'stirred' | 'still') => bottomC(here.tempC, hobW * hobEfficiency, volumeMl(here), spoon);
  const now = at('stirred');
  const still = temp(at('still'));
  return {
    what: say('stages.heat.bottomPot'),
    unit: '°C',
    planned: SCORCH.filmFromC,
    now,
    says: now >= SCORCH.filmFromC ? say('stages.heat.turnFlameDown', { still }) : say('stages.heat.text', { still }),
    ...(now >= SCORCH.filmFromC && { tone: now >= SCORCH.burnsFromC ? ('bad' as const) : ('watch' as const) }),
  };
}

/** What to do about milk that catches. */
export function catchBranches({ looks, over }: Seen): Branch[] {
  if (over || (looks['bottom'] !== 'a-film' && looks['bottom'] !== 'scorched')) return [];
  const scorched = looks['bottom'] === 'scorched';
  return [
    {
      id: 'catches',
      offer: scorched ? say('stages.heat.pourIntoCleanPot') : say('stages.heat.turnFlameDownTake'),
      because: scorched ? say('stages.heat.scorchedWhatBottomStays') : say('stages.heat.filmBottom'),
      ...(scorched && { grave: true as const }),
      does: {
        do: 'leave',
        note: scorched ? say('stages.heat.pouredOffScorchedBottom') : say('stages.heat.turnedFlameDown'),
      },
    },
  ];
}

/** Past its heat by so much (°C), it is worth a word. */
const OVER_C = 3;

function overBranches({ targetC }: HeatParams, { here, over }: Seen): Branch[] {
  if (over || here.tempC < targetC + OVER_C) return [];
  return [
    {
      id: 'over',
      offer: say('stages.heat.takeOffNow'),
      because: say('stages.heat.warmerWantedCookedNote', { target: tempBy(here.tempC - targetC) }),
      does: { do: 'next' },
    },
  ];
}
