import { CULTURES } from '../constants/cultures.js';
import { MOLAR_G } from '../constants/milk.js';
import { PMO_RICH_FAT_PCT } from '../constants/pasteurisation.js';
import type { Environment } from '../environment/environment.js';
import type { BufferMilk } from '../physics/buffer.js';
import { denature } from '../physics/denaturation.js';
import { coolingSurroundings, thermalStep, type Surroundings } from '../physics/heat.js';
import { pasteurisationShare } from '../physics/pasteurisation.js';
import { keepAt, souringCrock, sourStep, SOURING_STEP_MIN, souringLaw, type SouringLaw } from '../physics/souring.js';
import { fractionOf, totalG, type Masses } from '../state/composition.js';
import { hasSet, type CrockState, type Souring } from '../state/crock-state.js';

/** Time counts as warm between these temperatures (°C, FDA Food Code 3-501) while pH is above the safe one. */
export const WARM_ABOVE_C = 5;
export const WARM_BELOW_C = 57;
export const SAFE_PH = 4.6;

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
  const cooked = passTimeAt(state, environment, measured ?? step.tempC, minutes);
  return evaporate({ ...cooked, energyKJ: cooked.energyKJ + heatW * minutes * 0.06 }, step.evaporatedG);
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
  const rich = 100 * fractionOf(state.masses, 'fat') >= PMO_RICH_FAT_PCT;
  const soured = sour(state, environment, meanC, minutes);
  const warm = meanC > WARM_ABOVE_C && meanC < WARM_BELOW_C && soured.ph > SAFE_PH;
  return {
    ...soured,
    minute: state.minute + minutes,
    tempC: endC,
    peakC: Math.max(state.peakC, endC),
    native: denature(state.native, meanC, minutes),
    pasteurisedShare: state.pasteurisedShare + pasteurisationShare(meanC, minutes, rich),
    setTempC: hasSet(soured) ? (state.setTempC ?? meanC) : null,
    warmMin: state.warmMin + (warm ? minutes : 0),
  };
}

function evaporate(state: CrockState, vapourG: number): CrockState {
  if (vapourG <= 0) return state;
  const masses: Masses = { ...state.masses, water: state.masses.water - vapourG };
  return { ...state, masses, evaporatedG: state.evaporatedG + vapourG };
}

function sour(state: CrockState, environment: Environment, tempC: number, minutes: number): CrockState {
  const { souring } = state;
  if (!souring) return state;
  const law = lawFor(souring.culture, souring.milk);
  const { member } = environment;
  const { mu, acid, phShift } = member;
  const crock = souringCrock(law, { ...souring, mu, acid, phShift });
  keepAt(law, crock, tempC);
  for (let left = minutes; left > 1e-9; left -= SOURING_STEP_MIN)
    sourStep(law, crock, Math.min(left, SOURING_STEP_MIN));
  const { biomass, lagQ, lacticMolPerKg } = crock;
  const next: Souring = { ...souring, biomass, lagQ, lacticMolPerKg };
  const made = next.lacticMolPerKg - souring.lacticMolPerKg;
  return {
    ...state,
    souring: next,
    ph: crock.ph,
    masses: turnSugarToAcid(state.masses, souring, made),
  };
}

/** Sugar and water become lactic acid: 1 lactose + 1 water → 2 lactic + 1 galactose, or 4 lactic. */
function turnSugarToAcid(masses: Masses, souring: Souring, madeMolPerKg: number): Masses {
  if (madeMolPerKg <= 0) return masses;
  const milkKg = masses.water / souring.waterFraction / 1000;
  const lacticMol = madeMolPerKg * milkKg;
  const leavesGalactose = CULTURES[souring.culture].leavesGalactose;
  const lactoseMol = lacticMol / (leavesGalactose ? 2 : 4);
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

const LAWS = new Map<string, SouringLaw>();
const LAWS_KEPT = 64;

/** The tabulated law of a culture in a milk; the last few are kept, as every step of a make asks for the same one. */
export function lawFor(culture: Souring['culture'], milk: BufferMilk): SouringLaw {
  const key = `${culture}|${milk.proteinGPerKg}|${milk.mineralsGPerKg}|${milk.freshPh}`;
  const known = LAWS.get(key);
  if (known) return known;
  const law = souringLaw(CULTURES[culture], milk);
  if (LAWS.size >= LAWS_KEPT) LAWS.delete(LAWS.keys().next().value!);
  LAWS.set(key, law);
  return law;
}
