import { say, type Text } from '../messages/message.js';
import { acidity, amount, temp } from '../messages/quantity.js';
import { gelPointPh } from '../physics/gel.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { FLASK_KJ_PER_K_AT_1L } from '../constants/heat.js';
import {
  flaskUa,
  heatCapacityKJPerK,
  jarBathKJPerK,
  jarBathUa,
  wrappedUa,
  type Surroundings,
} from '../physics/heat.js';
import type { Environment } from '../environment/environment.js';
import { fractionOf } from '../materials/composition.js';
import { bodyWord, firmness, type CrockState } from '../state/crock-state.js';
import { SAFE_PH } from '../constants/safety-limits.js';
import { CAUTIONS } from './cautions.js';
import { BY_AIM, isByClock, type Ending } from './ending.js';
import type { Course, CueScale, Slack, Problem, StageKind } from './kind.js';
import { HAND_LOOK } from './hand-look.js';
import { coveredPot, passTime, volumeMl } from './pass-time.js';
import { hasSetting, MILDER, souringBranches } from './souring-branches.js';
import { acidityGauge, warmthGauge } from './watch.js';

/** Where a crock is kept warm. */
export type Incubator = 'thermostat' | 'lamp-oven' | 'flask' | 'wrapped' | 'bath' | 'counter';

export interface IncubateParams extends Ending {
  readonly keeper: Incubator;
  /** What the warm place is set to, or the water of a bath is poured in at, °C (a flask, a wrapped pot and the counter have neither). */
  readonly keepC: number;
  readonly targetPh: number;
  /** Whether a flask was rinsed with hot water first; a cold one takes some of the warmth. */
  readonly preheated: 'yes' | 'no';
  /** What lies over it on the counter: a breathing cloth or filter, or a loose lid. */
  readonly cover: 'cloth' | 'lid';
  /** Sour while everybody sleeps: chilled then, or left till somebody is up. */
  readonly leave: 'chill' | 'morning';
}

const WHERE: Readonly<Record<Incubator, (keepC: number, cover: IncubateParams['cover']) => Text>> = {
  thermostat: (keepC) => say('stages.incubate.intoThermostat', { keep: temp(keepC) }),
  'lamp-oven': (keepC) => say('stages.incubate.intoOvenLampAbout', { keep: temp(keepC) }),
  flask: () => say('stages.incubate.intoPreheatedFlask'),
  wrapped: () => say('stages.incubate.intoBoxTowels'),
  bath: (keepC) => say('stages.incubate.jarsIntoBath', { keep: temp(keepC) }),
  counter: (_keepC, cover) => say('stages.incubate.counterUnderOutDraught', { cover }),
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
  if (params.keeper === 'bath')
    return { aroundC: kitchen.roomC, uaWPerK: jarBathUa(volume) * member.heatLoss, openAreaM2: 0 };
  return { ...coveredPot(volume, environment), aroundC: setTo(params, environment) + member.incubatorOffsetC };
}

/** What a place is set to, °C: the lamp of an oven warms it by so much over the room, and so moves with the room. */
function setTo({ keeper, keepC }: Pick<IncubateParams, 'keeper' | 'keepC'>, environment: Environment): number {
  if (keeper === 'counter') return environment.kitchen.roomC;
  return keeper === 'lamp-oven' ? keepC + (environment.roomOffC ?? 0) : keepC;
}

const LOOKS: readonly CueScale[] = [
  {
    cue: 'set',
    ask: say('stages.incubate.tiltHowDoesStand'),
    answers: ['liquid', 'wobbles', 'leaves-the-wall', 'stands'],
  },
  { cue: 'whey', ask: say('stages.incubate.wheyTop'), answers: ['none', 'a-film', 'a-pool'] },
  { cue: 'taste', ask: say('stages.incubate.cleanSpoonHowDoes'), answers: ['sweet', 'mild', 'tangy', 'sharp'] },
  { cue: 'smell', ask: say('stages.incubate.howDoesSmell'), answers: ['milky', 'bright-acid', 'yeasty', 'foul'] },
];

/** Places whose warmth a hand is often all there is to tell by. */
const FELT_BY_HAND: Readonly<Partial<Record<Incubator, true>>> = { 'lamp-oven': true, wrapped: true, bath: true };

/** Kept warm, and left alone, until it is as sour as wanted. */
export const incubate: StageKind<IncubateParams, 'incubate'> = {
  kind: 'incubate',
  defaults: {
    keeper: 'thermostat',
    keepC: 43,
    targetPh: 4.5,
    preheated: 'yes',
    cover: 'cloth',
    leave: 'chill',
    ...BY_AIM,
  },
  name: (params) =>
    params.keeper === 'counter' ? say('stages.incubate.onTheCounter') : say('stages.incubate.keepWarm'),
  begins: (params) =>
    params.keeper === 'counter' ? say('stages.incubate.leaveCounter') : say('stages.incubate.startKeepingWarm'),
  over: () => say('stages.incubate.sourEnough'),
  instruction: (params) =>
    say('stages.incubate.putDoNotMove', { cover: WHERE[params.keeper](params.keepC, params.cover) }),
  handsMin: () => 3,
  attended: false,
  gear: (params) => [params.keeper],
  endsBy: 'acidity',
  // Ended by the clock it is no aim of anybody's; what it is measured against is the acid that guards it.
  target: (params) => (isByClock(params) ? SAFE_PH : params.targetPh),
  around: incubatorSurroundings,
  begin: (state, params, { kitchen }) => intoKeeper(state, params, kitchen.roomC),
  advance: (state, params, environment, minutes) =>
    passTime(state, environment, incubatorSurroundings(params, volumeMl(state), environment), 0, minutes),
  done: (state, params) => state.ph <= params.targetPh,
  stepMin: 10,
  slack: sournessSlack,
  endCue: (_params, state) => say('stages.incubate.leavesWallOnePiece', { of: soursWhat(state) }),
  cues: LOOKS,
  cuesFor: ({ keeper }) => (keeper in FELT_BY_HAND ? [...LOOKS, HAND_LOOK] : LOOKS),
  watch: (params, seen) => [
    acidityGauge(seen, isByClock(params) ? seen.planned.ph : params.targetPh),
    {
      what: say('stages.incubate.set'),
      unit: '',
      planned: say('stages.incubate.leavesWall'),
      now: firmness(seen.here) > 0 ? bodyWord(seen.here) : say('stages.incubate.stillLiquid'),
    },
    ...(hasSetting(params) ? [warmthGauge(seen, params.keepC)] : []),
    ...(seen.begun.curd.rennetImcuPerKg > 0
      ? [
          {
            what: say('stages.incubate.clottedByRennet'),
            unit: '%' as const,
            planned: 100,
            now: 100 * Math.min(1, seen.here.curd.clotted),
          },
        ]
      : []),
  ],
  branches: souringBranches,
  cautions: (params, state) => [
    ...(params.keeper === 'counter' || params.keeper === 'flask' ? [] : [CAUTIONS.condensation]),
    ...(isUnheatedYogurt(state) ? [CAUTIONS.unheated] : []),
    CAUTIONS.acid,
    CAUTIONS.mould,
  ],
  problems: (params, state) => [
    ...(isByClock(params) ? [] : liquidProblems(params, state)),
    ...unheatedProblems(state),
  ],
  problemsAtEnd: (params, end) => (isByClock(params) ? clockProblems(end) : []),
};

/** Fatter than this (fraction), cream thickens where milk sets, and sheds no whey. */
const CREAM_FROM_FAT = 0.15;

/** What it is that sours, for what is to be seen of it: a plant base, cream, or milk. */
function soursWhat({ masses }: CrockState): 'base' | 'cream' | 'milk' {
  if (masses.casein === 0) return 'base';
  return fractionOf(masses, 'fat') > CREAM_FROM_FAT ? 'cream' : 'milk';
}

function liquidProblems({ targetPh }: IncubateParams, state: CrockState): Problem[] {
  const gelPh = gelPointPh(denaturedBetaLg(state.native));
  if (targetPh <= gelPh) return [];
  return [
    {
      field: 'targetPh',
      message: say('stages.incubate.phMilkStillLiquid', { targetPh: acidity(targetPh), gelPh: amount(gelPh, 1) }),
      remedy: say('stages.incubate.askPhLower'),
      works: { targetPh: 4.6 },
    },
  ];
}

/** Sharper than this (pH) hardly anybody means it to be. */
const VERY_SHARP_PH = 4;

/** What an end by the clock comes too early or too late for. */
function clockProblems(end: CrockState): Problem[] {
  const gelPh = gelPointPh(denaturedBetaLg(end.native));
  const problem = (message: Text, remedy: Text, more: Partial<Problem> = {}): Problem[] => [
    { field: 'warmUntil', message, remedy, works: { warmUntil: 'aim' }, ...more },
  ];
  const ph = acidity(end.ph);
  const isSet = firmness(end) > 0 || end.inputs.casein === 0;
  if (!isSet)
    return problem(
      say('stages.incubate.clockStillLiquid', { ph, gelPh: amount(gelPh, 1) }),
      say('stages.incubate.longerOrAim'),
    );
  if (end.ph > SAFE_PH)
    return problem(
      say('stages.incubate.clockNotGuarded', { ph, safePh: acidity(SAFE_PH) }),
      say('stages.incubate.longerOrCold'),
      { mild: true },
    );
  if (end.ph < VERY_SHARP_PH)
    return problem(say('stages.incubate.clockSharp', { ph }), say('stages.incubate.shorterOrAim'), { mild: true });
  return [];
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
      message: say('stages.incubate.wheyProteinHardlyUnfolded'),
      remedy: heated
        ? say('stages.incubate.heatItTo', { temp: temp(85) })
        : say('stages.incubate.takeUltraHeatedUltrafiltered'),
      works: heated ? { heatC: 85 } : { milk: 'ultra-heated' },
      mild: true,
    },
  ];
}

/** A flask that was not preheated, and the water of a bath, share their heat with the crock. */
function intoKeeper(state: CrockState, { keeper, preheated, keepC }: IncubateParams, roomC: number): CrockState {
  const volume = volumeMl(state);
  if (keeper === 'flask' && preheated === 'no')
    return sharedWith(state, roomC, FLASK_KJ_PER_K_AT_1L * (volume / 1000) ** (2 / 3));
  return keeper === 'bath' ? sharedWith(state, keepC, jarBathKJPerK(volume)) : state;
}

function sharedWith(state: CrockState, otherC: number, otherKJPerK: number): CrockState {
  const milk = heatCapacityKJPerK(state.masses, state.tempC);
  return { ...state, tempC: (milk * state.tempC + otherKJPerK * otherC) / (milk + otherKJPerK) };
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
  const wantedPh = isByClock(params) ? course.at(0).ph : params.targetPh;
  const earlyMin = crossed(0, -5, (s) => s.ph > wantedPh + MILDER);
  if (!isByClock(params) && params.leave === 'morning') {
    const cost: Text = say('stages.incubate.leftTillMorningGoes', { of: soursWhat(course.at(0)) });
    return { earlyMin, lateMin: NIGHT_MIN, cost };
  }
  return {
    earlyMin,
    lateMin: crossed(0, 5, (s) => s.ph < wantedPh - SHARPER),
    cost: say('stages.incubate.earlierMilderSofterLater', { of: soursWhat(course.at(0)) }),
  };
}
