import { say, type Text } from '../messages/message.js';
import { acidity, amount, mass, percent, volume } from '../messages/quantity.js';
import { SAFE_PH } from '../constants/safety-limits.js';
import {
  LOADED_WARM,
  RETAINED,
  TEXTURES,
  type DrainMethod,
  type TextureId,
  type Weave,
} from '../constants/drainage.js';
import {
  drainageCourse,
  endSolids,
  wheyForSolids,
  usualClothAreaCm2,
  wheyWithin,
  type CurdOnCloth,
  type DrainageCourse,
} from '../physics/drainage.js';
import { coolingSurroundings, dishShape, potShape, type Shape } from '../physics/heat.js';
import { denaturedWhey } from '../physics/denaturation.js';
import type { Environment } from '../environment/environment.js';
import { solidsFraction, totalG, type Masses } from '../materials/composition.js';
import { drained, withCurd, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { BY_AIM, endMinute, isByClock, type Ending } from './ending.js';
import type { StageKind } from './kind.js';
import { passTime, volumeMl } from './pass-time.js';
import { drainBranches, drainGauges, WHEY_ASK } from './drain-watch.js';
import { addedG } from './told.js';
import { whiskedBack } from './whey-balance.js';

export interface StrainParams extends Ending {
  readonly method: DrainMethod;
  readonly texture: TextureId;
  /** In the cold, on the counter, or at once while it is hot. */
  readonly where: 'cold' | 'counter' | 'hot';
  /** 0 = to its texture; else until this share (0–1) of all that will leave has left. */
  readonly share: number;
  readonly weave: Weave;
  /** What the sieve or bag holds, L; 0 where nobody has said. */
  readonly strainerL: number;
  /** Strained in so many loads one after the other, as the sieve holds no more at once; and which of them this is, from 1. */
  readonly loads: number;
  readonly load: number;
  /** Whey whisked back in when it had gone too far, g, where any was. */
  readonly wheyBackG?: number;
}

/** A curd that lacks no more than this (fraction of solids) of its texture hardly drains at all. */
const HARDLY_THINNER = 0.01;

/** A gel drains for hours; grains out of hot milk in minutes, cooling all the while. */
const SLOW_STEP_MIN = 20;
const HOT_STEP_MIN = 2;

/** What is asked for no texture is none the worse for a night in the cold. */
const UNHURRIED_MIN = 8 * 60;

/** From this share on it hardly drips. */
const HARDLY_DRIPS = 0.9;

const HOW: Readonly<Record<DrainMethod, Text>> = {
  flat: say('stages.strain.spreadLinedSieve'),
  hung: say('stages.strain.tieUpClothHang'),
  pressed: say('stages.strain.foldIntoClothMould'),
};

const WHERE: Readonly<Record<StrainParams['where'], Text>> = {
  cold: say('stages.strain.inTheCold'),
  counter: say('stages.strain.onTheCounter'),
  hot: say('stages.strain.whileHot'),
};

/** On the cloth until it is as thick as wanted. */
export const strain: StageKind<StrainParams, 'strain'> = {
  kind: 'strain',
  defaults: {
    ...{
      method: 'hung',
      texture: 'very-thick',
      where: 'cold',
      share: 0,
      weave: 'fine',
      strainerL: 0,
      loads: 1,
      load: 1,
    },
    ...BY_AIM,
  },
  name: (params) =>
    loadsOf(params) > 1
      ? say('stages.strain.toTheClothLoad', { load: params.load, loads: loadsOf(params) })
      : say('stages.strain.toTheCloth'),
  begins: () => say('stages.strain.putCloth'),
  over: () => say('stages.strain.itHasDrained'),
  instruction: (params, before) => {
    const says = say('stages.strain.weighWheyNow', { method: HOW[params.method], where: WHERE[params.where] });
    const { load, where } = params;
    const loads = loadsOf(params);
    if (loads < 2) return says;
    const massG = totalG(loadedOf(before, params)) / loads;
    return say('stages.strain.inLoads', { load, loads, mass: mass(massG), says, rest: load < loads ? where : 'none' });
  },
  handsMin: () => 12,
  attended: false,
  gear: (params) => [
    'cloth',
    params.method === 'pressed' ? 'moulds' : 'strainer',
    ...(params.where === 'cold' ? ['cold shelf'] : []),
  ],
  endsBy: 'solids',
  target: (params) => (hasTexture(params) ? TEXTURES[params.texture].solids : 0),
  runsOff: { is: 'whey', name: say('good.whey') },
  drainage: (state, params, environment) => {
    const course = strainCourse(state, params, environment);
    return { course, wantedWheyG: wantedWheyG(state, params, course, environment) };
  },
  begin: (state, params) => withCurd(state, { draining: { loaded: loadedOf(state, params), wheyG: 0 } }),
  advance: (state, params, environment, minutes) => drain(state, params, environment, minutes),
  told: (params, told) => {
    const wheyBackG = addedG(told, 'whey');
    return wheyBackG === null ? params : { ...params, wheyBackG };
  },
  windUp: (state, { wheyBackG = 0 }) => (wheyBackG > 0 ? whiskedBack(state, wheyBackG) : state),
  chart: { left: 'wheyG' },
  watch: (params, seen) =>
    drainGauges(
      seen,
      wantedWheyG(seen.begun, params, strainCourse(seen.begun, params, seen.environment), seen.environment),
      hasTexture(params) ? solidsAfter(seen.begun, params, TEXTURES[params.texture].solids) : null,
    ),
  asks: () => [WHEY_ASK],
  branches: (params, seen) =>
    drainBranches(seen, hasTexture(params) && params.load === loadsOf(params) ? TEXTURES[params.texture] : null),
  done: (state, params, environment) =>
    params.share > 0
      ? hasDrained(state, params.share, strainCourse(state, params, environment))
      : loadsOf(params) > 1
        ? (state.curd.draining?.wheyG ?? 0) >= textureWheyG(state, params)
        : solidsFraction(state.masses) >= TEXTURES[params.texture].solids,
  stepMin: SLOW_STEP_MIN,
  stepFor: (params) => (params.where === 'hot' ? HOT_STEP_MIN : SLOW_STEP_MIN),
  slack: (params, course) => {
    const wanted = solidsFraction(course.at(0).masses);
    const minutesUntil = (step: number, over: (state: CrockState) => boolean) => {
      let min = 0;
      while (Math.abs(min) < 24 * 60 && !over(course.at(min))) min += step;
      return Math.abs(min);
    };
    // Of all that is in the crock a load changes only its own part.
    const byTexture = minutesUntil(20, (s) => solidsFraction(s.masses) > wanted + 0.02 / loadsOf(params));
    const unhurried = !hasTexture(params) && params.where === 'cold' ? UNHURRIED_MIN : 0;
    return {
      earlyMin: minutesUntil(-10, (s) => solidsFraction(s.masses) < wanted - 0.01 / loadsOf(params)),
      lateMin: Math.max(byTexture, unhurried),
      cost: say('stages.strain.soonerLooserLaterThicker'),
    };
  },
  endCue: (params) =>
    params.share >= HARDLY_DRIPS
      ? say('stages.strain.hardlyDripsAnyMore')
      : params.share > 0
        ? say('stages.strain.gatheredKeepsShapeDrip')
        : say('stages.strain.spoonDripSlowed', {
            word: TEXTURES[params.texture].word,
          }),
  cues: [
    { cue: 'clarity', ask: say('stages.strain.howDoesWheyLook'), answers: ['milky', 'cloudy', 'clear', 'greenish'] },
    { cue: 'drip', ask: say('stages.strain.howDoesDrip'), answers: ['streams', 'fast-drops', 'slow-drops', 'stopped'] },
  ],
  cautions: (params, state) => [
    CAUTIONS.clean,
    CAUTIONS.whey,
    ...(params.where === 'counter' ? [CAUTIONS.counterDrain] : []),
    ...(params.where === 'hot' && state.ph > SAFE_PH ? [CAUTIONS.notAcid] : []),
  ],
  problems: (params, state) => {
    const wanted = TEXTURES[params.texture];
    const solids = solidsFraction(state.masses);
    const reach = endSolids(params.method, onCloth(state.masses, state, params), curdOnCloth(state));
    if (params.where === 'counter' && state.ph > SAFE_PH) {
      return [
        {
          field: 'where',
          message: say('stages.strain.phMustNotStand', { ph: acidity(state.ph) }),
          remedy: say('stages.strain.strainColdSourPh', { safePh: acidity(SAFE_PH) }),
          works: { where: 'cold' },
        },
      ];
    }
    // What holds of one load holds of those after it.
    if (params.load > 1) return [];
    const litres = volumeMl(state) / 1000 / loadsOf(params);
    if (params.strainerL > 0 && litres > params.strainerL) {
      return [
        {
          field: 'strainerL',
          message: say('stages.strain.sieveDoesNotHold', {
            strainer: volume(params.strainerL),
            litres: volume(litres, 1),
          }),
          remedy: say('stages.strain.takeOneThem', {
            litres: volume(Math.ceil(litres * 2) / 2),
            strainer: amount(Math.ceil(litres / params.strainerL)),
          }),
          works: { strainerL: Math.ceil(litres * 2) / 2 },
        },
      ];
    }
    if (!hasTexture(params)) return [];
    if (reach < wanted.solids + 0.005) {
      return [
        {
          field: 'drain',
          message: say('stages.strain.stopsAboutSolidsNeeds', {
            method: params.method,
            reach: percent(100 * reach, 1),
            word: wanted.word,
            solids: percent(100 * wanted.solids),
          }),
          remedy: params.method === 'flat' ? say('stages.strain.hangPress') : say('stages.strain.pressMould'),
          works: { drain: params.method === 'flat' ? 'hung' : 'pressed' },
        },
      ];
    }
    if (solids >= wanted.solids - HARDLY_THINNER) {
      return [
        {
          field: 'texture',
          message: say('stages.strain.alreadySolidsThickerUnstrained', {
            solids: percent(100 * solids, 0),
            word: wanted.word,
          }),
          remedy: say('stages.strain.chooseThickerTextureLess'),
        },
      ];
    }
    return [];
  },
};

/** Whether it is drained to a texture, not by the drip or by the clock. */
const hasTexture = (params: StrainParams) => params.share === 0 && !isByClock(params);

/** Whey (g) that must leave a curd, as loaded, until it is as wanted; or that will have left when the clock ends it. */
function wantedWheyG(
  state: CrockState,
  params: StrainParams,
  course: DrainageCourse,
  environment: Environment,
): number {
  if (isByClock(params)) return wheyWithin(course, 0, endMinute(params, environment, state.minute) - state.minute);
  if (params.share > 0) return params.share * course.wheyEndG;
  return textureWheyG(state, params);
}

/** Whey (g) that must leave a load of a curd until it is of its texture. */
function textureWheyG(state: CrockState, params: StrainParams): number {
  const loaded = state.curd.draining?.loaded ?? state.masses;
  const { solids, wheySolids } = onCloth(loaded, state, params);
  return wheyForSolids(totalG(loaded) / loadsOf(params), solids, wheySolids, TEXTURES[params.texture].solids);
}

/** In how many loads it is strained: whole ones. */
export const loadsOf = ({ loads }: Pick<StrainParams, 'loads'>): number => Math.max(1, Math.round(loads));

/** All of a curd as it is before any of it goes on to the cloth, though it goes in loads. */
const loadedOf = (state: CrockState, { load }: StrainParams): Masses =>
  (load > 1 ? state.curd.draining?.loaded : undefined) ?? state.masses;

/** Solids (fraction) of the whole crock once a load is of its texture, and those before it are. */
function solidsAfter(state: CrockState, params: StrainParams, solids: number): number {
  const { load } = params;
  if (load === loadsOf(params)) return solids;
  const loaded = loadedOf(state, params);
  const of = onCloth(loaded, state, params);
  const goneG = load * textureWheyG(state, params);
  return (totalG(loaded) * of.solids - goneG * of.wheySolids) / (totalG(loaded) - goneG);
}

function hasDrained({ curd }: CrockState, share: number, course: DrainageCourse): boolean {
  return (curd.draining?.wheyG ?? 0) >= share * course.wheyEndG;
}

/** The course this curd takes on its cloth. */
function strainCourse(state: CrockState, params: StrainParams, environment: Environment): DrainageCourse {
  const loaded = state.curd.draining?.loaded ?? state.masses;
  const { solids, fat, wheySolids } = onCloth(loaded, state, params);
  return drainageCourse({
    massG: totalG(loaded) / loadsOf(params),
    solids,
    fat,
    wheySolids,
    method: params.method,
    tempC: drainsAtC(state, params, environment),
    curd: curdOnCloth(state),
    reachFactor: environment.member.wheyReach,
    timeFactor: environment.member.drainTime * RETAINED[params.weave].tauFactor,
    exponent: environment.member.drainExponent,
  });
}

/** What of a curd decides where it leaves off. */
function onCloth(curd: Masses, state: CrockState, params: StrainParams) {
  const whey = wheyOf(curd, state, params);
  const total = totalG(curd);
  return {
    solids: total > 0 ? 1 - curd.water / total : 0,
    fat: total > 0 ? curd.fat / total : 0,
    wheySolids: 1 - whey.water / Math.max(1e-9, totalG(whey)),
  };
}

function curdOnCloth({ curd }: CrockState): CurdOnCloth {
  const { body, cut, turns, disturbed } = curd;
  return { body: body === 'grains' || body === 'thickened' ? body : 'gel', cut, turns, broken: disturbed };
}

function drainsAtC(state: CrockState, params: StrainParams, { kitchen }: Environment): number {
  return { cold: kitchen.refrigeratorC, counter: kitchen.roomC, hot: state.tempC }[params.where];
}

/** Composition of the whey a curd gives off, as masses of any total: its serum and a little fat and casein. */
function wheyOf(curd: Masses, state: CrockState, params: StrainParams): Masses {
  const kept = RETAINED[params.weave];
  const warm = state.curd.body !== 'grains' && state.tempC > LOADED_WARM.fromC ? LOADED_WARM.fatLossTimes : 1;
  return {
    water: curd.water,
    fat: curd.fat * (1 - kept.fat) * warm,
    casein: curd.casein * (1 - kept.casein),
    wheyProtein: curd.wheyProtein * (1 - denaturedWhey(state.native)),
    lactose: curd.lactose,
    galactose: curd.galactose,
    glucose: curd.glucose,
    minerals: curd.minerals,
    lactic: curd.lactic,
    citric: curd.citric,
    acetic: curd.acetic,
    ethanol: curd.ethanol,
    sucrose: curd.sucrose,
    salt: curd.salt,
    other: curd.other,
  };
}

/** Flat on its cloth it lies in a shallow dish; hung or pressed it is as deep as wide. */
function shapeOf(state: CrockState, { method }: StrainParams): Shape {
  const volume = volumeMl(state);
  if (method !== 'flat') return potShape(volume);
  return dishShape(volume, volume / usualClothAreaCm2(totalG(state.masses)) / 100);
}

function drain(state: CrockState, params: StrainParams, environment: Environment, minutes: number): CrockState {
  const { kitchen } = environment;
  const around =
    params.where === 'cold'
      ? coolingSurroundings(
          'refrigerator',
          volumeMl(state),
          kitchen.roomC,
          kitchen.refrigeratorC,
          shapeOf(state, params),
        )
      : coolingSurroundings('covered', volumeMl(state), kitchen.roomC);
  const nowG = wheyWithin(strainCourse(state, params, environment), state.curd.draining!.wheyG, minutes);
  const whey = wheyOf(state.masses, state, params);
  const curd = drained(state, whey, Math.min(0.99, nowG / totalG(whey)));
  return passTime(curd, environment, around, 0, minutes);
}
