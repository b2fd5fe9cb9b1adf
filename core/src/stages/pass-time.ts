import { CROCK_G_PER_ML } from '../constants/vessels.js';
import { CULTURES, lacticPerSugar, type CultureId } from '../constants/cultures.js';
import type { CoolingMethod } from '../constants/heat.js';
import { MOLAR_G } from '../constants/milk.js';
import { SAFE_PH, WARM_ABOVE_C, WARM_BELOW_C } from '../constants/safety-limits.js';
import { PMO_PAIRS, PMO_RICH_FAT_PCT } from '../constants/pasteurisation.js';
import { souringFactors, type Environment, type KnownTemp } from '../environment/environment.js';
import type { BufferMilk } from '../physics/buffer.js';
import { denature, denaturedBetaLg } from '../physics/denaturation.js';
import { RENNET_GEL } from '../constants/gel.js';
import { pastSetting } from '../physics/gel.js';
import { coolingSurroundings, thermalStep, type Shape, type Surroundings } from '../physics/heat.js';
import { MIXED_STEP_MIN, mixedCrock, mixedStep } from '../physics/mixed-souring.js';
import { pasteurisationShare } from '../physics/pasteurisation.js';
import { clottingPerMin } from '../physics/rennet.js';
import { keepAt, souringCrock, sourStep, SOURING_STEP_MIN, souringLaw, type SouringLaw } from '../physics/souring.js';
import { fractionOf, totalG, type Masses } from '../materials/composition.js';
import type { CrockState, Living, Souring } from '../state/crock-state.js';
import type { Curd } from '../state/curd.js';

/** Milk boils here (°C): what heat it gets beyond goes off as steam, which is not reckoned under a lid. */
const BOILS_C = 100.2;

/**
 * Moves heat for a step, and with it everything that time does to any milk in any stage: denaturation,
 * pasteurisation, souring, warm minutes. A measured temperature, where there is one, is the
 * crock's from then on.
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
  const known = environment.measured?.(state.minute, state.minute + minutes) ?? null;
  const endC = Math.min(known ? since(known, state, around, heatW, minutes) : step.tempC, BOILS_C);
  const cooked = evaporate(passTimeAt(state, environment, endC, minutes), step.evaporatedG);
  return heatW > 0 ? { ...cooked, energyKJ: cooked.energyKJ + heatW * minutes * 0.06 } : cooked;
}

/** Temperature at the end of a step in which one was measured: that one, and what became of it since. */
function since(known: KnownTemp, state: CrockState, around: Surroundings, heatW: number, minutes: number): number {
  const rest = state.minute + minutes - known.minute;
  return rest > 0 ? thermalStep(state.masses, known.tempC, around, heatW, rest).tempC : known.tempC;
}

/** A covered pot in the room: by its size, as measured of it, and by this batch's luck. */
export function coveredPot(volumeMl: number, { kitchen, member }: Environment): Surroundings {
  const around = coolingSurroundings('covered', volumeMl, kitchen.roomC);
  return { ...around, uaWPerK: around.uaWPerK * kitchen.potLoss * member.heatLoss };
}

/**
 * Time passes over a pot that stands somewhere and takes on its warmth or cold, this batch's heat loss counted; covered
 * and in air, where it was measured, as it was measured.
 *
 * @param shape where it does not stand in one pot
 */
export function standBy(
  method: CoolingMethod,
  state: CrockState,
  environment: Environment,
  minutes: number,
  shape?: Shape,
): CrockState {
  if (method === 'covered') return passTime(state, environment, coveredPot(volumeMl(state), environment), 0, minutes);
  const { kitchen, member } = environment;
  const around = coolingSurroundings(method, volumeMl(state), kitchen.roomC, kitchen.refrigeratorC, shape);
  return passTime(state, environment, { ...around, uaWPerK: around.uaWPerK * member.heatLoss }, 0, minutes);
}

/** Time passes over a covered pot on the counter: while somebody weighs, stirs or fills. */
export function standCovered(state: CrockState, environment: Environment, minutes: number): CrockState {
  const around = coolingSurroundings('covered', volumeMl(state), environment.kitchen.roomC);
  return passTime(state, environment, around, 0, minutes);
}

/** Volume in mL by which vessels are sized: close enough to grams for heat. */
export function volumeMl(state: CrockState): number {
  return Math.max(50, totalG(state.masses) / CROCK_G_PER_ML);
}

/** The same with the temperature at the step's end already known. */
export function passTimeAt(state: CrockState, environment: Environment, endC: number, minutes: number): CrockState {
  const meanC = (state.tempC + endC) / 2;
  const { souring, ph, masses, gasG } = sour(state, environment, meanC, minutes);
  const native = denature(state.native, meanC, minutes);
  const warm = meanC > WARM_ABOVE_C && meanC < WARM_BELOW_C && ph > SAFE_PH;
  const set = pastSetting({ ph, denatured: denaturedBetaLg(state.native), clotted: state.curd.clotted }) > 0;
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
    curd: clot(state, meanC, minutes),
    inputs: state.inputs,
    whey: state.whey,
    lost: state.lost,
    heldBack: state.heldBack,
    aside: state.aside,
    gasG,
    evaporatedG: state.evaporatedG,
    energyKJ: state.energyKJ,
    warmMin: state.warmMin + (warm ? minutes : 0),
  };
}

function pasteurised(state: CrockState, meanC: number, minutes: number): number {
  if (meanC < PMO_PAIRS[0].tempC) return 0;
  return pasteurisationShare(meanC, minutes, isRich(state));
}

/** True for what the listed pasteurisations ask 3 °C more of: 10 % fat or more, or sweetened. */
export function isRich({ masses }: CrockState): boolean {
  return 100 * fractionOf(masses, 'fat') >= PMO_RICH_FAT_PCT || masses.sucrose > 0;
}

function evaporate(state: CrockState, vapourG: number): CrockState {
  if (vapourG <= 0) return state;
  const masses: Masses = { ...state.masses, water: state.masses.water - vapourG };
  return { ...state, masses, evaporatedG: state.evaporatedG + vapourG };
}

/** Rennet's clotting goes on while there is rennet, until its gel is as firm as it gets. */
function clot(state: CrockState, tempC: number, minutes: number): Curd {
  const { curd } = state;
  if (curd.rennetImcuPerKg <= 0 || curd.clotted >= RENNET_GEL.firmFrom) return curd;
  const perMin = clottingPerMin(curd.rennetImcuPerKg, tempC, state.ph, curd.calciumGPerKg);
  return { ...curd, clotted: Math.min(RENNET_GEL.firmFrom, curd.clotted + perMin * minutes) };
}

/** What a step of souring changes in the crock. */
function sour(
  state: CrockState,
  environment: Environment,
  tempC: number,
  minutes: number,
): Pick<CrockState, 'souring' | 'ph' | 'masses' | 'gasG'> {
  const { souring } = state;
  if (!souring || souring.dead) return state;
  if (souring.beside.length > 0) return sourTogether(state, souring, environment, tempC, minutes);
  const law = lawFor(souring.culture, souring.milk);
  const { biomass, lagQ, lacticMolPerKg } = souring;
  const crock = souringCrock(law, { biomass, lagQ, lacticMolPerKg, ...souringFactors(environment.member) });
  keepAt(law, crock, tempC);
  for (let left = minutes; left > 1e-9; left -= SOURING_STEP_MIN)
    sourStep(law, crock, Math.min(left, SOURING_STEP_MIN));
  const made = turnSugarToAcid(state.masses, souring, souring.culture, crock.lacticMolPerKg - lacticMolPerKg);
  return {
    souring: {
      culture: souring.culture,
      milk: souring.milk,
      waterFraction: souring.waterFraction,
      biomass: crock.biomass,
      lagQ: crock.lagQ,
      lacticMolPerKg: crock.lacticMolPerKg,
      beside: souring.beside,
      dead: false,
      prior: souring.prior,
    },
    ph: crock.ph,
    masses: made.masses,
    gasG: state.gasG + made.gasG,
  };
}

/** The same where several cultures share the milk. */
function sourTogether(
  state: CrockState,
  souring: Souring,
  environment: Environment,
  tempC: number,
  minutes: number,
): Pick<CrockState, 'souring' | 'ph' | 'masses' | 'gasG'> {
  const factors = souringFactors(environment.member);
  const { milk, lacticMolPerKg } = souring;
  const cultures = [souring, ...souring.beside];
  const sown = cultures.map(({ culture, biomass, lagQ }) => {
    const law = lawFor(culture, milk);
    return { law, crock: souringCrock(law, { biomass, lagQ, lacticMolPerKg, ...factors }) };
  });
  const mixed = mixedCrock(sown, lacticMolPerKg, factors.phShift);
  for (let left = minutes; left > 1e-9; left -= MIXED_STEP_MIN) mixedStep(mixed, tempC, Math.min(left, MIXED_STEP_MIN));
  let { masses, gasG } = state;
  const living = mixed.companions.map(({ crock, madeMolPerKg }, i): Living => {
    const { culture } = cultures[i]!;
    const made = turnSugarToAcid(masses, souring, culture, madeMolPerKg);
    masses = made.masses;
    gasG += made.gasG;
    return { culture, biomass: crock.biomass, lagQ: crock.lagQ };
  });
  const [first, ...beside] = living;
  return {
    souring: { ...souring, ...first!, lacticMolPerKg: mixed.lacticMolPerKg, beside },
    ph: mixed.ph,
    masses,
    gasG,
  };
}

/**
 * Sugar and water become lactic acid: 1 sugar + 1 water → 2 lactic + 1 galactose, or 4 lactic; of milk sugar that was split,
 * 1 glucose → 2 lactic, and it is taken first. Where yeasts live with the
 * culture a share of sugar becomes alcohol and carbon dioxide: 1 sugar + 1 water → 4 ethanol + 4 carbon dioxide.
 */
function turnSugarToAcid(
  masses: Masses,
  souring: Souring,
  culture: CultureId,
  madeMolPerKg: number,
): { readonly masses: Masses; readonly gasG: number } {
  if (madeMolPerKg <= 0) return { masses, gasG: 0 };
  const milkKg = masses.water / souring.waterFraction / 1000;
  const { leavesGalactose, gasPerLactic, sugar } = CULTURES[culture];
  const lacticMol = madeMolPerKg * milkKg;
  const gasMol = gasPerLactic * lacticMol;
  const glucoseG = sugar === 'lactose' ? Math.min(masses.glucose, ((lacticMol + gasMol) / 2) * MOLAR_G.glucose) : 0;
  const ofGlucoseMol = (2 * glucoseG) / MOLAR_G.glucose / (1 + gasPerLactic);
  const wantedMol = (lacticMol - ofGlucoseMol) / lacticPerSugar(culture);
  const sugarMol = Math.min(wantedMol, masses[sugar] / MOLAR_G.lactose);
  // What is still wanting once glucose and lactose are gone is made of galactose, where the culture takes that.
  const splitG = leavesGalactose ? 0 : Math.min(masses.galactose, 2 * (wantedMol - sugarMol) * MOLAR_G.galactose);
  const sugarG = sugarMol * MOLAR_G.lactose;
  const galactoseG = leavesGalactose ? sugarMol * MOLAR_G.galactose : 0;
  const lacticG = lacticMol * MOLAR_G.lactic;
  const ethanolG = gasMol * MOLAR_G.ethanol;
  const gasG = gasMol * MOLAR_G.carbonDioxide;
  return {
    // Written out for the same reason as in passTimeAt.
    masses: {
      water: masses.water - (lacticG + galactoseG + ethanolG + gasG - sugarG - glucoseG - splitG),
      fat: masses.fat,
      casein: masses.casein,
      wheyProtein: masses.wheyProtein,
      lactose: sugar === 'lactose' ? masses.lactose - sugarG : masses.lactose,
      galactose: masses.galactose + galactoseG - splitG,
      glucose: masses.glucose - glucoseG,
      minerals: masses.minerals,
      lactic: masses.lactic + lacticG,
      citric: masses.citric,
      acetic: masses.acetic,
      ethanol: masses.ethanol + ethanolG,
      sucrose: sugar === 'sucrose' ? masses.sucrose - sugarG : masses.sucrose,
      salt: masses.salt,
      other: masses.other,
    },
    gasG,
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
