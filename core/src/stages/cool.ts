import type { CoolingMethod } from '../constants/heat.js';
import { coolingSurroundings, dishShape } from '../physics/heat.js';
import { CAUTIONS } from './cautions.js';
import type { StageKind } from './kind.js';
import { standBy, volumeMl } from './pass-time.js';
import { warmthGauge } from './watch.js';
import { sayTemp } from './words.js';

export interface CoolParams {
  readonly targetC: number;
  readonly method: CoolingMethod;
  /** It lies so deep in a shallow pan, cm; 0 = in its pot. */
  readonly depthCm: number;
}

const HOW: Readonly<Record<CoolingMethod, string>> = {
  covered: 'Leave the covered pot on the counter',
  open: 'Leave the open pot on the counter',
  'water-bath': 'Stand the pot in cold water and stir now and then',
  'ice-bath': 'Stand the pot in ice water and stir',
  refrigerator: 'Put the pot in the cold',
  flask: 'Leave it in the flask',
};

/** Temperature below which a starter gets away slowly, against the target, °C. */
const TOO_COOL_BY_C = 5;

/** Cooling to the temperature at which the starter goes in. */
export const cool: StageKind<CoolParams> = {
  kind: 'cool',
  defaults: { targetC: 44, method: 'water-bath', depthCm: 0 },
  name: (params) => `cool ${sayTemp(params.targetC)}`,
  begins: () => 'Start cooling',
  over: (params) => `It is at ${sayTemp(params.targetC)}`,
  instruction: (params) => `${HOW[params.method]} until it is at ${sayTemp(params.targetC)}.`,
  handsMin: (params) => (params.method === 'covered' || params.method === 'open' ? 2 : 6),
  attended: false,
  gear: (params) => (params.method.endsWith('bath') ? ['pot', 'sink'] : ['pot']),
  endsBy: 'temperature',
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
    lateMin: lateUntil(course.at, (tempC) => tempC < params.targetC - TOO_COOL_BY_C),
    cost: `Warmer than ${sayTemp(params.targetC + 4)} harms the starter; cooler than ${sayTemp(params.targetC - TOO_COOL_BY_C)} it starts slowly.`,
  }),
  endCue: (params) => `The thermometer shows ${sayTemp(params.targetC)} after a stir.`,
  cues: [],
  chart: { left: 'tempC', limit: 'cooling' },
  watch: (params, seen) => [warmthGauge(seen, params.targetC)],
  branches: (params, { here, over }) =>
    over || here.tempC > params.targetC - TOO_COOL_BY_C
      ? []
      : [
          {
            id: 'too-cool',
            offer: `Warm it back to ${sayTemp(params.targetC)}`,
            because: `At ${sayTemp(here.tempC)} a starter gets away slowly.`,
            does: { do: 'leave', note: 'Warmed it back.' },
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
            message: `It never reaches ${sayTemp(params.targetC)} that way.`,
            remedy: 'Use a cold-water or an ice bath.',
            works: { coolMethod: 'water-bath' },
          },
        ];
  },
};

const LATEST_MIN = 180;

function lateUntil(at: (min: number) => { tempC: number }, gone: (tempC: number) => boolean): number {
  for (let min = 2; min <= LATEST_MIN; min += 2) if (gone(at(min).tempC)) return min - 2;
  return LATEST_MIN;
}
