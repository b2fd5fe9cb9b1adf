import { LETHAL_RISE_C, type Culture } from '../constants/cultures.js';
import { phFromTable, tabulatePh, type BufferMilk, type PhTable } from './buffer.js';
import {
  cardinalRate,
  deathRatePerMin,
  rateAt,
  tabulateOverTemperature,
  type TemperatureTable,
} from './temperature-response.js';

/** A culture in a milk, ready to be stepped: rates tabulated over temperature, pH over acid. */
export interface SouringLaw {
  readonly culture: Culture;
  readonly growthRate: TemperatureTable;
  readonly acidRate: TemperatureTable;
  readonly deathRate: TemperatureTable;
  readonly ph: PhTable;
}

/** Tabulates the law for a culture in a milk (a few tenths of a millisecond). */
export function souringLaw(culture: Culture, milk: BufferMilk): SouringLaw {
  return {
    culture,
    growthRate: growthTable(culture),
    acidRate: acidTable(culture),
    deathRate: deathTable(culture),
    ph: tabulatePh(milk),
  };
}

const growthTable = remembered((c) => tabulateOverTemperature((t) => cardinalRate(c.growth, t)));
const acidTable = remembered((c) => tabulateOverTemperature((t) => cardinalRate(c.acid, t)));
const deathTable = remembered((c) => tabulateOverTemperature((t) => deathRatePerMin(c.growth, t)));

/** Tables depend on the culture's constants alone, so they are made once for each. */
function remembered(make: (culture: Culture) => TemperatureTable): (culture: Culture) => TemperatureTable {
  const made = new WeakMap<Culture, TemperatureTable>();
  return (culture) => {
    const known = made.get(culture) ?? make(culture);
    made.set(culture, known);
    return known;
  };
}

/**
 * Crocks that sour side by side, one per index: the members of an ensemble, or a single crock of length 1.
 * Every array has the same length.
 */
export interface SouringMembers {
  /** Relative biomass, 1 = ripe milk. */
  readonly biomass: Float64Array;
  /** Readiness q of Baranyi & Roberts (1994); the active share is q / (1 + q). */
  readonly lagQ: Float64Array;
  /** Lactic acid formed, mol/kg. */
  readonly lacticMolPerKg: Float64Array;
  /** Factors on growth and on souring by standing biomass, 1 = the culture's constants. */
  readonly muFactor: Float64Array;
  readonly acidFactor: Float64Array;
  /** pH by which this crock differs from the tabulated milk. */
  readonly phShift: Float64Array;
}

/** `count` crocks of nothing, to be filled in. */
export function emptyMembers(count: number): SouringMembers {
  return {
    biomass: new Float64Array(count),
    lagQ: new Float64Array(count),
    lacticMolPerKg: new Float64Array(count),
    muFactor: new Float64Array(count).fill(1),
    acidFactor: new Float64Array(count).fill(1),
    phShift: new Float64Array(count),
  };
}

/** Less than one cell in a litre (ripe milk carries about 1e12): nothing is left to grow. */
const EXTINCT = 1e-12;

/** Beyond this readiness the lag is over: a = 0.999, and q need grow no further. */
const READY_Q = 1e3;

/**
 * Moves member `i` through `minutes` at one temperature.
 *
 *   dx/dt = μ γ(T) a ι(pH) x (1 − x),  a = q/(1+q),  dq/dt = μ γ(T) q,
 *   dA/dt = Y dx/dt + k γₐ(T) x ι(pH)
 *
 * Growth at the step's mean rate is logistic in closed form; its time integral, which makes acid, is the trapezium
 * with the Euler–Maclaurin correction. The inhibition ι is taken first at the start, then at the middle of the step.
 *
 * Sources: Rosso et al. (1993) for γ; Baranyi & Roberts (1994), Int. J. Food Microbiol. 23, 277 for a; Luedeking &
 * Piret (1959), J. Biochem. Microbiol. Technol. Eng. 1, 393 for acid.
 *
 * Above the lethal temperature the population falls by decimal reductions and the survivors have to recover (their
 * readiness falls with them).
 *
 * @param tempC mean temperature of the step, °C
 * @param minutes length of the step; 5 keeps pH within 0.01
 */
export function sourStep(law: SouringLaw, members: SouringMembers, i: number, tempC: number, minutes: number): void {
  ONE_TEMP[0] = tempC;
  step(law, members, i, i + 1, ONE_TEMP, 0, minutes);
}

/** Moves every member through `minutes`, each at its own mean temperature (°C). The same equations as one step. */
export function sourAll(law: SouringLaw, members: SouringMembers, meanC: Float64Array, minutes: number): void {
  step(law, members, 0, members.biomass.length, meanC, 1, minutes);
}

const ONE_TEMP = new Float64Array(1);

/** The step itself, for members `from` to `to`; the inner loop of every forecast, so all that is constant stands outside. */
function step(
  law: SouringLaw,
  members: SouringMembers,
  from: number,
  to: number,
  meanC: Float64Array,
  tempStride: 0 | 1,
  minutes: number,
): void {
  const { culture, ph: table } = law;
  const { biomass, lagQ, lacticMolPerKg, muFactor, acidFactor, phShift } = members;
  const hours = minutes / 60;
  const muOptH = culture.muOptPerH * hours;
  const kOptH = culture.acidByBiomassMolPerKgH * hours;
  const perGrowth = culture.acidPerGrowthMolPerKg;
  const perPh = 1 / (culture.phUnhindered - culture.phEnd);
  const lethalC = culture.growth.maxC + LETHAL_RISE_C;
  for (let i = from; i < to; i++) {
    const tempC = meanC[i * tempStride]!;
    const muH = muOptH * muFactor[i]! * rateAt(law.growthRate, tempC);
    const kH = kOptH * acidFactor[i]! * rateAt(law.acidRate, tempC);
    const shift = phShift[i]! - culture.phEnd;
    const x0 = biomass[i]!;
    const q0 = lagQ[i]!;
    const acid0 = lacticMolPerKg[i]!;

    let active = 1;
    if (q0 < READY_Q) {
      const half = Math.exp(muH * 0.5);
      const qMid = q0 * half;
      active = qMid / (1 + qMid);
      lagQ[i] = qMid * half;
    }
    const rate = muH * active;
    const free0 = clamp01((phFromTable(table, acid0) + shift) * perPh);
    const g0 = rate * free0;
    const halfAcid = 0.5 * x0 * (perGrowth * g0 * (1 - x0) + kH * free0) * (1 + g0 * 0.25);
    const freeMid = clamp01((phFromTable(table, acid0 + halfAcid) + shift) * perPh);

    const growth = rate * freeMid;
    const grown = expm1Small(growth);
    const x1 = (x0 * (1 + grown)) / (1 + x0 * grown);
    const meanX = (x0 + x1) * 0.5 - growth * TWELFTH * (x1 * (1 - x1) - x0 * (1 - x0));

    biomass[i] = x1;
    lacticMolPerKg[i] = acid0 + perGrowth * (x1 - x0) + kH * meanX * freeMid;
    if (tempC >= lethalC) {
      const survive = Math.exp(-rateAt(law.deathRate, tempC) * minutes);
      biomass[i] = x1 * survive < EXTINCT ? 0 : x1 * survive;
      lagQ[i] = lagQ[i]! * survive;
    }
  }
}

const SIXTH = 1 / 6;
const TWELFTH = 1 / 12;
const TWENTY_FOURTH = 1 / 24;
const HUNDRED_TWENTIETH = 1 / 120;

/** e^g − 1 for the small growth of one step (relative error under 1e-5 for g ≤ 0.45). */
function expm1Small(g: number): number {
  if (g > 0.45) return Math.expm1(g);
  return g * (1 + g * (0.5 + g * (SIXTH + g * (TWENTY_FOURTH + g * HUNDRED_TWENTIETH))));
}

function clamp01(value: number): number {
  return value < 0 ? 0 : value > 1 ? 1 : value;
}

/** pH of member `i`. */
export function memberPh(law: SouringLaw, members: SouringMembers, i: number): number {
  return phFromTable(law.ph, members.lacticMolPerKg[i]!) + members.phShift[i]!;
}

/** Longest step (min) that keeps pH within 0.01 of the exact solution. */
export const SOURING_STEP_MIN = 5;

/** Step of an ensemble (min): pH stays within 0.01 of the exact solution, far inside the spread between batches. */
export const ENSEMBLE_STEP_MIN = 10;
