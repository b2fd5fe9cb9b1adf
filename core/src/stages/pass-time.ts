import { CULTURES, lacticPerLactose } from '../constants/cultures.js';
import type { CoolingMethod } from '../constants/heat.js';
import { MOLAR_G } from '../constants/milk.js';
import { PMO_RICH_FAT_PCT } from '../constants/pasteurisation.js';
import type { Environment } from '../environment/environment.js';
import type { BufferMilk } from '../physics/buffer.js';
import { denature, denaturedBetaLg } from '../physics/denaturation.js';
import { gelPointPh } from '../physics/gel.js';
import { coolingSurroundings, thermalStep, type Surroundings } from '../physics/heat.js';
import { pasteurisationShare } from '../physics/pasteurisation.js';
import { keepAt, souringCrock, sourStep, SOURING_STEP_MIN, souringLaw, type SouringLaw } from '../physics/souring.js';
import { fractionOf, totalG, type Masses } from '../state/composition.js';
import type { CrockState, Souring } from '../state/crock-state.js';

/** Time counts as warm between these temperatures (°C, FDA Food Code 3-501) while pH is above the safe one. */
export const WARM_ABOVE_C = 5;
export const WARM_BELOW_C = 57;
export const SAFE_PH = 4.6;
/** Milk boils here (°C): what heat it gets beyond goes off as steam, which is not reckoned under a lid. */
const BOILS_C = 100.2;

/**
 * Moves heat for a step, and with it everything that time does to any milk in any stage: denaturation,
 * pasteurisation, souring, warm minutes. A measured temperature, where there is one, overrules the thermal model.
 *
 * @param heatW power that reaches the milk, W
 */
export function passTime(
  state: CrockState,
  environment: Environment,
  around: Surroundings,
  heatW: number,
  minutes: number,
): CrockState {
  if (minutes <= 0) return state;
  const step = thermalStep(state.masses, state.tempC, around, heatW, minutes);
  const measured = environment.measuredTempC?.(state.minute + minutes) ?? null;
  const endC = measured ?? Math.min(step.tempC, BOILS_C);
  const cooked = evaporate(passTimeAt(state, environment, endC, minutes), step.evaporatedG);
  return heatW > 0 ? { ...cooked, energyKJ: cooked.energyKJ + heatW * minutes * 0.06 } : cooked;
}

/** Time passes over a pot that stands somewhere and takes on its warmth or cold, this batch's heat loss counted. */
export function standBy(
  method: CoolingMethod,
  state: CrockState,
  environment: Environment,
  minutes: number,
): CrockState {
  const { kitchen, member } = environment;
  const around = coolingSurroundings(method, volumeMl(state), kitchen.roomC, kitchen.refrigeratorC);
  return passTime(state, environment, { ...around, uaWPerK: around.uaWPerK * member.heatLoss }, 0, minutes);
}

/** Time passes over a covered pot on the counter: while somebody weighs, stirs or fills. */
export function standCovered(state: CrockState, environment: Environment, minutes: number): CrockState {
  const around = coolingSurroundings('covered', volumeMl(state), environment.kitchen.roomC);
  return passTime(state, environment, around, 0, minutes);
}

/** Volume in mL by which vessels are sized: close enough to grams for heat. */
export function volumeMl(state: CrockState): number {
  return Math.max(50, totalG(state.masses) / 1.03);
}

/** The same with the temperature at the step's end already known. */
export function passTimeAt(state: CrockState, environment: Environment, endC: number, minutes: number): CrockState {
  const meanC = (state.tempC + endC) / 2;
  const { souring, ph, masses } = sour(state, environment, meanC, minutes);
  const native = denature(state.native, meanC, minutes);
  const warm = meanC > WARM_ABOVE_C && meanC < WARM_BELOW_C && ph > SAFE_PH;
  const set = ph < gelPointPh(denaturedBetaLg(state.native));
  // Written out, not spread: this is where a make spends its time, and a literal is made several times as fast.
  return {
    minute: state.minute + minutes,
    masses,
    tempC: endC,
    ph,
    freshPh: state.freshPh,
    native,
    pasteurisedShare: state.pasteurisedShare + pasteurised(state, meanC, minutes),
    peakC: Math.max(state.peakC, endC),
    souring,
    setTempC: set ? (state.setTempC ?? meanC) : null,
    disturbed: state.disturbed,
    draining: state.draining,
    parted: state.parted,
    churned: state.churned,
    washMin: state.washMin,
    inputs: state.inputs,
    whey: state.whey,
    lost: state.lost,
    heldBack: state.heldBack,
    evaporatedG: state.evaporatedG,
    energyKJ: state.energyKJ,
    warmMin: state.warmMin + (warm ? minutes : 0),
  };
}

/** Colder than this (°C) an hour is worth less than a thousandth of a pasteurisation, and is not reckoned. */
const TOO_COLD_TO_PASTEURISE_C = 42;

function pasteurised(state: CrockState, meanC: number, minutes: number): number {
  if (meanC < TOO_COLD_TO_PASTEURISE_C) return 0;
  const rich = 100 * fractionOf(state.masses, 'fat') >= PMO_RICH_FAT_PCT;
  return pasteurisationShare(meanC, minutes, rich);
}

function evaporate(state: CrockState, vapourG: number): CrockState {
  if (vapourG <= 0) return state;
  const masses: Masses = { ...state.masses, water: state.masses.water - vapourG };
  return { ...state, masses, evaporatedG: state.evaporatedG + vapourG };
}

/** What a step of souring changes in the crock. */
function sour(
  state: CrockState,
  environment: Environment,
  tempC: number,
  minutes: number,
): Pick<CrockState, 'souring' | 'ph' | 'masses'> {
  const { souring } = state;
  if (!souring) return state;
  const law = lawFor(souring.culture, souring.milk);
  const { mu, acid, phShift } = environment.member;
  const { biomass, lagQ, lacticMolPerKg } = souring;
  const crock = souringCrock(law, { biomass, lagQ, lacticMolPerKg, mu, acid, phShift });
  keepAt(law, crock, tempC);
  for (let left = minutes; left > 1e-9; left -= SOURING_STEP_MIN)
    sourStep(law, crock, Math.min(left, SOURING_STEP_MIN));
  return {
    souring: {
      culture: souring.culture,
      milk: souring.milk,
      waterFraction: souring.waterFraction,
      biomass: crock.biomass,
      lagQ: crock.lagQ,
      lacticMolPerKg: crock.lacticMolPerKg,
    },
    ph: crock.ph,
    masses: turnSugarToAcid(state.masses, souring, crock.lacticMolPerKg - lacticMolPerKg),
  };
}

/** Sugar and water become lactic acid: 1 lactose + 1 water → 2 lactic + 1 galactose, or 4 lactic. */
function turnSugarToAcid(masses: Masses, souring: Souring, madeMolPerKg: number): Masses {
  if (madeMolPerKg <= 0) return masses;
  const milkKg = masses.water / souring.waterFraction / 1000;
  const lacticMol = madeMolPerKg * milkKg;
  const leavesGalactose = CULTURES[souring.culture].leavesGalactose;
  const lactoseMol = lacticMol / lacticPerLactose(souring.culture);
  const lactoseG = lactoseMol * MOLAR_G.lactose;
  const galactoseG = leavesGalactose ? lactoseMol * MOLAR_G.galactose : 0;
  const lacticG = lacticMol * MOLAR_G.lactic;
  return {
    ...masses,
    lactose: masses.lactose - lactoseG,
    galactose: masses.galactose + galactoseG,
    lactic: masses.lactic + lacticG,
    water: masses.water - (lacticG + galactoseG - lactoseG),
  };
}

const LAWS = new WeakMap<BufferMilk, Map<Souring['culture'], SouringLaw>>();

/** The tabulated law of a culture in a milk; kept as long as the milk is, as every step of a make asks for the same one. */
export function lawFor(culture: Souring['culture'], milk: BufferMilk): SouringLaw {
  const ofMilk = LAWS.get(milk) ?? new Map<Souring['culture'], SouringLaw>();
  LAWS.set(milk, ofMilk);
  const law = ofMilk.get(culture) ?? souringLaw(CULTURES[culture], milk);
  ofMilk.set(culture, law);
  return law;
}
