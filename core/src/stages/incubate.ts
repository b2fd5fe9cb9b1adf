import { gelPointPh } from '../physics/gel.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { FLASK_KJ_PER_K_AT_1L } from '../constants/heat.js';
import { flaskUa, heatCapacityKJPerK, wrappedUa, type Surroundings } from '../physics/heat.js';
import type { Environment } from '../environment/environment.js';
import { bodyWord, firmness, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import type { Course, Slack, Problem, StageKind } from './kind.js';
import { coveredPot, passTime, volumeMl } from './pass-time.js';
import { hasSetting, MILDER, souringBranches } from './souring-branches.js';
import { acidityGauge, warmthGauge } from './watch.js';
import { sayNumber, sayTemp } from './words.js';

/** Where a crock is kept warm. */
export type Incubator = 'thermostat' | 'lamp-oven' | 'flask' | 'wrapped' | 'counter';

export interface IncubateParams {
  readonly keeper: Incubator;
  /** What the warm place is set to, °C (a flask, a wrapped pot and the counter have no setting). */
  readonly keepC: number;
  readonly targetPh: number;
  /** Whether a flask was rinsed with hot water first; a cold one takes some of the warmth. */
  readonly preheated: 'yes' | 'no';
  /** What lies over it on the counter: a breathing cloth or filter, or a loose lid. */
  readonly cover: 'cloth' | 'lid';
  /** Sour while everybody sleeps: chilled then, or left till somebody is up. */
  readonly leave: 'chill' | 'morning';
}

const WHERE: Readonly<Record<Incubator, (keepC: number, cover: IncubateParams['cover']) => string>> = {
  thermostat: (keepC) => `into the thermostat at ${sayTemp(keepC)}`,
  'lamp-oven': (keepC) => `into the oven with its lamp on, about ${sayTemp(keepC)}`,
  flask: () => 'into the preheated flask',
  wrapped: () => 'into its box or towels',
  counter: (_keepC, cover) =>
    `on the counter under ${cover === 'cloth' ? 'a breathing cloth or filter' : 'a loose lid'}, out of the draught`,
};

/** What a keeper exchanges with the crock, by its kind, setting and this batch's luck. */
export function incubatorSurroundings(
  params: Pick<IncubateParams, 'keeper' | 'keepC'>,
  volume: number,
  environment: Environment,
): Surroundings {
  const { kitchen, member } = environment;
  if (params.keeper === 'flask' || params.keeper === 'wrapped') {
    const ua = params.keeper === 'flask' ? flaskUa(volume) * kitchen.flaskLoss : wrappedUa(volume);
    return { aroundC: kitchen.roomC, uaWPerK: ua * member.heatLoss, openAreaM2: 0 };
  }
  const setC = params.keeper === 'counter' ? kitchen.roomC : params.keepC;
  return { ...coveredPot(volume, environment), aroundC: setC + member.incubatorOffsetC };
}

/** Kept warm, and left alone, until it is as sour as wanted. */
export const incubate: StageKind<IncubateParams> = {
  kind: 'incubate',
  defaults: { keeper: 'thermostat', keepC: 43, targetPh: 4.5, preheated: 'yes', cover: 'cloth', leave: 'chill' },
  name: (params) => (params.keeper === 'counter' ? 'on the counter' : 'keep warm'),
  begins: (params) => (params.keeper === 'counter' ? 'Leave it on the counter' : 'Start keeping it warm'),
  over: () => 'It is sour enough',
  instruction: (params) => `Put it ${WHERE[params.keeper](params.keepC, params.cover)}. Do not move it while it sets.`,
  handsMin: () => 3,
  attended: false,
  gear: (params) => [params.keeper],
  endsBy: 'acidity',
  target: (params) => params.targetPh,
  around: incubatorSurroundings,
  begin: (state, params, { kitchen }) =>
    params.keeper === 'flask' && params.preheated === 'no' ? intoColdFlask(state, kitchen.roomC) : state,
  advance: (state, params, environment, minutes) =>
    passTime(state, environment, incubatorSurroundings(params, volumeMl(state), environment), 0, minutes),
  done: (state, params) => state.ph <= params.targetPh,
  stepMin: 10,
  slack: sournessSlack,
  endCue: () => 'It leaves the wall in one piece when you tilt it; a film of whey shows.',
  cues: [
    { cue: 'set', ask: 'Tilt it: how does it stand?', answers: ['liquid', 'wobbles', 'leaves the wall', 'stands'] },
    { cue: 'whey', ask: 'Whey on top?', answers: ['none', 'a film', 'a pool'] },
    { cue: 'taste', ask: 'A clean spoon: how does it taste?', answers: ['sweet', 'mild', 'tangy', 'sharp'] },
    { cue: 'smell', ask: 'How does it smell?', answers: ['milky', 'bright acid', 'yeasty', 'foul'] },
  ],
  watch: (params, seen) => [
    acidityGauge(seen, params.targetPh),
    {
      what: 'Set',
      unit: '',
      planned: 'leaves the wall',
      now: firmness(seen.here) > 0 ? bodyWord(seen.here) : 'still liquid',
    },
    ...(hasSetting(params) ? [warmthGauge(seen, params.keepC)] : []),
    ...(seen.begun.curd.rennetImcuPerKg > 0
      ? [
          {
            what: 'Clotted by rennet',
            unit: '%' as const,
            planned: 100,
            now: 100 * Math.min(1, seen.here.curd.clotted),
          },
        ]
      : []),
  ],
  branches: souringBranches,
  cautions: (_params, state) => [
    ...(isUnheatedYogurt(state) ? [CAUTIONS.unheated] : []),
    CAUTIONS.acid,
    CAUTIONS.mould,
  ],
  problems: (params, state) => [...liquidProblems(params, state), ...unheatedProblems(state)],
};

function liquidProblems({ targetPh }: IncubateParams, state: CrockState): Problem[] {
  const gelPh = gelPointPh(denaturedBetaLg(state.native));
  if (targetPh <= gelPh) return [];
  return [
    {
      field: 'targetPh',
      message: `At pH ${sayNumber(targetPh, 2)} this milk is still liquid; it sets at about ${gelPh.toFixed(1)}.`,
      remedy: 'Ask for pH 4.6 or lower.',
      works: { targetPh: 4.6 },
    },
  ];
}

/** Warmer than this at its peak (°C), it was heated in this make, if not enough. */
const WAS_HEATED_C = 60;

/** Yogurt of milk whose whey protein is as it came from the cow, unless rennet sets it. */
function unheatedProblems(state: CrockState): Problem[] {
  if (state.souring?.culture !== 'thermophilic' || state.curd.rennetImcuPerKg > 0 || !isUnheatedYogurt(state))
    return [];
  const heated = state.peakC > WAS_HEATED_C;
  return [
    {
      field: heated ? 'heatC' : 'milk',
      message: 'Its whey protein is hardly unfolded: it sets soft and sheds whey.',
      remedy: heated ? 'Heat it to 85 °C.' : 'Take ultra-heated or ultrafiltered milk, or make scalded yogurt of it.',
      works: heated ? { heatC: 85 } : { milk: 'ultra-heated' },
      mild: true,
    },
  ];
}

/** A flask that was not preheated shares its heat with the crock. */
function intoColdFlask(state: CrockState, roomC: number): CrockState {
  const milk = heatCapacityKJPerK(state.masses, state.tempC);
  const flask = FLASK_KJ_PER_K_AT_1L * (volumeMl(state) / 1000) ** (2 / 3);
  return { ...state, tempC: (milk * state.tempC + flask * roomC) / (milk + flask) };
}

/** Denatured share below which a yogurt's milk counts as never having been heated for it. */
const HEATED_ENOUGH = 0.4;

function isUnheatedYogurt(state: CrockState): boolean {
  const culture = state.souring?.culture;
  return (culture === 'thermophilic' || culture === 'room-yogurt') && denaturedBetaLg(state.native) < HEATED_ENOUGH;
}

/** pH under the target that a palate hardly minds. */
const SHARPER = 0.15;
const LATEST_MIN = 8 * 60;
/** What is left till morning waits so long at most, minutes: a night. */
const NIGHT_MIN = 12 * 60;

function sournessSlack(params: IncubateParams, course: Course): Slack {
  const crossed = (from: number, step: number, over: (state: CrockState) => boolean) => {
    let min = from;
    while (Math.abs(min) < LATEST_MIN && !over(course.at(min))) min += step;
    return Math.abs(min);
  };
  const earlyMin = crossed(0, -5, (s) => s.ph > params.targetPh + MILDER);
  if (params.leave === 'morning') {
    const cost = 'Left till morning it goes on souring: sharper, and it sheds more whey.';
    return { earlyMin, lateMin: NIGHT_MIN, cost };
  }
  return {
    earlyMin,
    lateMin: crossed(0, 5, (s) => s.ph < params.targetPh - SHARPER),
    cost: 'Earlier is milder and softer, later is sharper and sheds more whey.',
  };
}
