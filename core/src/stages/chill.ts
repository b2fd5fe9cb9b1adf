import { say, type Text } from '../messages/message.js';
import { length, mass, temp } from '../messages/quantity.js';
import { scaleMasses, totalG } from '../materials/composition.js';
import { CROCK_G_PER_ML } from '../constants/vessels.js';
import { dishShape, portionsShape, type Shape } from '../physics/heat.js';
import { takeOut, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { BY_AIM, isByClock, type Ending } from './ending.js';
import type { StageKind } from './kind.js';
import { warmthGauge } from './watch.js';
import { standBy, volumeMl } from './pass-time.js';

export interface ChillParams extends Ending {
  readonly targetC: number;
  /** Set aside first as the next starter, percent of the crock. */
  readonly holdBackPct: number;
  /** It lies so deep in a shallow dish, cm, so that it is cold in time; 0 = in its crock. */
  readonly depthCm: number;
  /** In moulds of so much each, g; 0 = all in one. */
  readonly pieceG: number;
  /** It stays in the pan it was scalded in, and is covered now that it is cool. */
  readonly inPan: 'yes' | 'no';
  /** Hours that it has worked in closed bottles, which go into the cold as they are; 0 = it is in none. */
  readonly bottledH: number;
}

/** Warmer than it is meant to be by more than this (°C), it is not cold through. */
const NEARLY_C = 2;

/** What shape it has where it does not stand in its crock. */
function shapeOf({ depthCm, pieceG }: ChillParams, state: CrockState): Shape | undefined {
  if (depthCm > 0) return dishShape(volumeMl(state), depthCm / 100);
  if (pieceG > 0) return portionsShape(volumeMl(state), Math.min(volumeMl(state), pieceG / CROCK_G_PER_ML));
  return undefined;
}

function intoTheCold({ depthCm, pieceG, inPan }: ChillParams): Text {
  if (inPan === 'yes') return say('stages.chill.coverPan');
  if (depthCm > 0) return say('stages.chill.spreadDeepShallowDish', { depth: length(depthCm) });
  if (pieceG > 0) return say('stages.chill.putMouldsIntoCold');
  return say('stages.chill.putCrockIntoCold');
}

/** Into the cold, undisturbed; souring goes on until it is cold through. */
export const chill: StageKind<ChillParams, 'chill'> = {
  kind: 'chill',
  defaults: { targetC: 7, holdBackPct: 3, depthCm: 0, pieceG: 0, inPan: 'no', bottledH: 0, ...BY_AIM },
  name: () => say('stages.chill.chill'),
  begins: () => say('stages.chill.putIntoCold'),
  over: () => say('stages.chill.coldThrough'),
  instruction: (params, before) => {
    const holdBack = mass((totalG(before.masses) * params.holdBackPct) / 100);
    if (params.bottledH > 0)
      return say('stages.chill.bottlesIntoCold', { holdBack, keeps: params.holdBackPct > 0 ? 'yes' : 'no' });
    return params.holdBackPct > 0 ? say('stages.chill.spoonIntoCleanJar', { holdBack }) : intoTheCold(params);
  },
  handsMin: () => 5,
  attended: false,
  gear: () => ['cold shelf'],
  endsBy: 'temperature',
  target: (params) => params.targetC,
  keepsBack: { is: 'starter', name: say('good.starterHeldBack'), use: say('use.starter'), keepsDays: 10 },
  begin: (state, params) => takeOut(state, scaleMasses(state.masses, params.holdBackPct / 100), 'heldBack'),
  advance: (state, params, environment, minutes) =>
    standBy('refrigerator', state, environment, minutes, shapeOf(params, state)),
  done: (state, params) => state.tempC <= params.targetC,
  stepMin: 15,
  slack: () => ({ earlyMin: 60, lateMin: 48 * 60, cost: say('stages.chill.keepsColdTwoDays') }),
  endCue: () => say('stages.chill.coldThroughFirmWhen'),
  cues: [
    {
      cue: 'set',
      ask: say('stages.chill.tiltHowDoesStand'),
      answers: ['liquid', 'wobbles', 'leaves-the-wall', 'stands'],
    },
  ],
  chart: { left: 'tempC', right: 'ph', limit: 'cooling' },
  watch: (params, seen) => [
    warmthGauge(seen, params.targetC),
    { what: say('stages.chill.acidity'), unit: 'pH', planned: seen.planned.ph, now: seen.here.ph },
    ...(params.holdBackPct > 0
      ? [{ what: say('stages.chill.heldBack'), unit: 'g' as const, planned: null, now: totalG(seen.here.heldBack) }]
      : []),
  ],
  cautions: (params) => (params.holdBackPct > 0 ? [CAUTIONS.spoon] : []),
  problems: () => [],
  problemsAtEnd: (params, end) =>
    isByClock(params) && end.tempC > params.targetC + NEARLY_C
      ? [
          {
            field: 'chillUntil',
            message: say('stages.chill.clockNotCold', { temp: temp(end.tempC) }),
            remedy: say('stages.chill.longerOrCold'),
            works: { chillUntil: 'aim' },
            mild: true,
          },
        ]
      : [],
};
