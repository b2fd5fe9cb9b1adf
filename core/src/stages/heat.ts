import type { Environment } from '../environment/environment.js';
import { SCORCH } from '../constants/scorch.js';
import { heatCapacityKJPerK } from '../physics/heat.js';
import { bottomC } from '../physics/scorch.js';
import type { CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import type { StageKind } from './kind.js';
import { coveredPot, passTime, passTimeAt, volumeMl } from './pass-time.js';
import { pasteurisedGauge, unfoldedGauge, warmthGauge, type Branch, type Gauge, type Seen } from './watch.js';
import { sayTemp } from './words.js';

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
export const heat: StageKind<HeatParams> = {
  kind: 'heat',
  defaults: { targetC: 85, paceCPerMin: 0 },
  name: (params) => `heat ${sayTemp(params.targetC)}`,
  begins: () => 'Start heating',
  over: (params) => `It is at ${sayTemp(params.targetC)}`,
  instruction: (params) =>
    params.paceCPerMin > 0
      ? `Warm it slowly to ${sayTemp(params.targetC)} over a water bath, ${params.paceCPerMin} °C a minute, moving it gently.`
      : `Warm to ${sayTemp(params.targetC)}, stirring along the bottom.`,
  handsMin: () => 12,
  attended: true,
  gear: () => ['pot', 'hob'],
  endsBy: 'temperature',
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
        cost: 'Off the heat it waits; a degree or two either way is no harm.',
      };
    const perMin = course.at(1).tempC - course.at(0).tempC;
    return {
      earlyMin: 0,
      lateMin: Math.max(1, Math.min(6, 4 / Math.max(0.1, perMin))),
      cost: `It goes on warming by ${perMin.toFixed(0)} °C a minute; a few degrees over is no harm, boiling over is.`,
    };
  },
  endCue: ({ targetC }) =>
    `The thermometer shows ${sayTemp(targetC)}${targetC >= STEAMS_C ? '; small bubbles round the edge' : ' after a stir'}.`,
  cues: [
    {
      cue: 'bottom',
      ask: 'Does the bottom catch?',
      answers: ['clean', 'a film', 'scorched'],
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
            message: `Milk boils over before ${sayTemp(params.targetC)}.`,
            remedy: 'Ask for 95 °C or less.',
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
  const at = (stirred: boolean) => bottomC(here.tempC, hobW * hobEfficiency, volumeMl(here), stirred);
  const now = at(true);
  const still = `${sayTemp(at(false))} where the spoon does not pass`;
  return {
    what: 'Bottom of the pot',
    unit: '°C',
    planned: SCORCH.filmFromC,
    now,
    says: now >= SCORCH.filmFromC ? `Turn the flame down: ${still}.` : `${still}.`,
    ...(now >= SCORCH.filmFromC && { tone: now >= SCORCH.burnsFromC ? ('bad' as const) : ('watch' as const) }),
  };
}

/** What to do about milk that catches. */
export function catchBranches({ looks, over }: Seen): Branch[] {
  if (over || (looks['bottom'] !== 'a film' && looks['bottom'] !== 'scorched')) return [];
  const scorched = looks['bottom'] === 'scorched';
  return [
    {
      id: 'catches',
      offer: scorched ? 'Pour it into a clean pot, without scraping' : 'Turn the flame down, or take a water bath',
      because: scorched ? 'It has scorched: what is on the bottom stays there.' : 'A film is on the bottom.',
      ...(scorched && { grave: true as const }),
      does: { do: 'leave', note: scorched ? 'Poured off the scorched bottom.' : 'Turned the flame down.' },
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
      offer: 'Take it off now',
      because: `It is ${(here.tempC - targetC).toFixed(0)} °C warmer than wanted: a cooked note, not a spoiled make.`,
      does: { do: 'next' },
    },
  ];
}
