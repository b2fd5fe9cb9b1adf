import { say, type Text } from '../messages/message.js';
import { temp } from '../messages/quantity.js';
import type { CoolingMethod } from '../constants/heat.js';
import { coolingSurroundings, dishShape } from '../physics/heat.js';
import { CAUTIONS } from './cautions.js';
import { HAND_LOOK } from './hand-look.js';
import type { StageKind } from './kind.js';
import { standBy, volumeMl } from './pass-time.js';
import { warmthGauge } from './watch.js';

export interface CoolParams {
  readonly targetC: number;
  readonly method: CoolingMethod;
  /** It lies so deep in a shallow pan, cm; 0 = in its pot. */
  readonly depthCm: number;
  /** What comes next: a starter, which it must suit; acid, which it hardly minds; or the cold. */
  readonly toward: 'starter' | 'acid' | 'cold';
}

const HOW: Readonly<Record<CoolingMethod, Text>> = {
  covered: say('stages.cool.leaveCoveredPotCounter'),
  open: say('stages.cool.leaveOpenPotCounter'),
  'water-bath': say('stages.cool.standPotColdWater'),
  'ice-bath': say('stages.cool.standPotIceWater'),
  refrigerator: say('stages.cool.putPotCold'),
  flask: say('stages.cool.leaveFlask'),
};

/** Temperature below which a starter gets away slowly, against the target, °C. */
const TOO_COOL_BY_C = 5;
/** The same above it, from which it is harmed. */
const TOO_WARM_BY_C = 4;

/** What it costs to be late, by what comes next. */
const COSTS: Readonly<Record<CoolParams['toward'], (targetC: number) => Text>> = {
  starter: (targetC) =>
    say('stages.cool.warmerHarmsStarterCooler', {
      target: temp(targetC + TOO_WARM_BY_C),
      tooCoolBy_: temp(targetC - TOO_COOL_BY_C),
    }),
  acid: () => say('stages.cool.acidHardlyMinds'),
  cold: () => say('stages.cool.colderDoesNoHarm'),
};

/** Cooling to the temperature at which the starter goes in, or whatever comes next. */
export const cool: StageKind<CoolParams, 'cool'> = {
  kind: 'cool',
  defaults: { targetC: 44, method: 'water-bath', depthCm: 0, toward: 'starter' },
  name: (params) => say('stages.cool.cool', { target: temp(params.targetC) }),
  begins: () => say('stages.cool.startCooling'),
  over: (params) => say('stages.cool.itIsAt', { target: temp(params.targetC) }),
  instruction: (params) => say('stages.cool.untilItIsAt', { method: HOW[params.method], target: temp(params.targetC) }),
  handsMin: (params) => (params.method === 'covered' || params.method === 'open' ? 2 : 6),
  attended: false,
  gear: (params) => ['pot', 'thermometer', ...(params.method.endsWith('bath') ? ['sink'] : [])],
  endsBy: 'temperature',
  endsAtAim: 'when sooner',
  target: (params) => params.targetC,
  begin: (state) => state,
  advance: (state, params, environment, minutes) =>
    standBy(
      params.method,
      state,
      environment,
      minutes,
      params.depthCm > 0 ? dishShape(volumeMl(state), params.depthCm / 100) : undefined,
    ),
  done: (state, params) => state.tempC <= params.targetC,
  stepMin: 1,
  slack: (params, course) => ({
    earlyMin: 0,
    lateMin:
      params.toward === 'starter'
        ? lateUntil(course.at, (tempC) => tempC < params.targetC - TOO_COOL_BY_C)
        : LATE_NO_HARM_MIN,
    cost: COSTS[params.toward](params.targetC),
  }),
  endCue: (params) => say('stages.cool.thermometerShowsAfterStir', { target: temp(params.targetC) }),
  cues: [HAND_LOOK],
  chart: { left: 'tempC', limit: 'cooling' },
  watch: (params, seen) => [warmthGauge(seen, params.targetC)],
  branches: (params, { here, over }) =>
    over || params.toward !== 'starter' || here.tempC > params.targetC - TOO_COOL_BY_C
      ? []
      : [
          {
            id: 'too-cool',
            offer: say('stages.cool.warmBack', { target: temp(params.targetC) }),
            because: say('stages.cool.starterGetsAwaySlowly', { temp: temp(here.tempC) }),
            does: { do: 'leave', note: say('stages.cool.warmedBack') },
          },
        ],
  cautions: () => [CAUTIONS.hot],
  problems: (params) => {
    const around = coolingSurroundings(params.method, 4000, 20);
    return around.aroundC < params.targetC
      ? []
      : [
          {
            field: 'coolMethod',
            message: say('stages.cool.neverReachesWay', { target: temp(params.targetC) }),
            remedy: say('stages.cool.useColdWaterIce'),
            works: { coolMethod: 'water-bath' },
          },
        ];
  },
};

const LATEST_MIN = 180;
/** What no starter waits for may stand so much longer, minutes: within the hours in which what was hot must be cold. */
const LATE_NO_HARM_MIN = 30;

function lateUntil(at: (min: number) => { tempC: number }, gone: (tempC: number) => boolean): number {
  for (let min = 2; min <= LATEST_MIN; min += 2) if (gone(at(min).tempC)) return min - 2;
  return LATEST_MIN;
}
