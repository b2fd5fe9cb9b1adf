import { LETHAL_RISE_C, type Culture } from '../constants/cultures.js';
import { phFall, phFromTable, tabulatePh, type BufferMilk, type PhTable } from './buffer.js';
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
  /** Most lactic acid that the sugar allows, mol/kg. */
  readonly lacticEndMolPerKg: number;
  /** 1 / (pH unhindered − pH of the end): ι by one multiplication. */
  readonly perPh: number;
}

/** Tabulates the law for a culture in a milk (a few tenths of a millisecond). */
export function souringLaw(culture: Culture, milk: BufferMilk): SouringLaw {
  return {
    culture,
    growthRate: growthTable(culture),
    acidRate: acidTable(culture),
    deathRate: deathTable(culture),
    ph: tabulatePh(milk),
    lacticEndMolPerKg: milk.lacticEndMolPerKg ?? Infinity,
    perPh: 1 / (culture.phUnhindered - culture.phEnd),
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

/** How a crock begins to sour. */
export interface SouringStart {
  /** Relative biomass, 1 = ripe milk. */
  readonly biomass: number;
  /** Readiness q of Baranyi & Roberts (1994); the active share is q / (1 + q). */
  readonly lagQ: number;
  /** Lactic acid already in it, mol/kg. */
  readonly lacticMolPerKg: number;
  /** Factors on growth and on souring by standing biomass; 1 (when left out) = the culture's constants. */
  readonly mu?: number;
  readonly acid?: number;
  /** Acid this crock takes for the same fall of pH, against the tabulated milk; 1 when left out. */
  readonly buffer?: number;
  /** pH by which this crock differs from the tabulated milk; 0 when left out. */
  readonly phShift?: number;
}

/** A crock that sours. It is moved in place, so that a forecast of millions of steps makes no garbage. */
export interface SouringCrock {
  biomass: number;
  lagQ: number;
  lacticMolPerKg: number;
  ph: number;
  muFactor: number;
  acidFactor: number;
  /** 1 / buffer: the tabulated milk's acid for one of this crock's. */
  perBuffer: number;
  phShift: number;
  /** What its temperature makes of it, 1/min and mol/(kg·min): set by {@link keepAt}. */
  muPerMin: number;
  acidPerMin: number;
  deathPerMin: number;
}

/** A crock just inoculated. It has no temperature yet. (Born of NaN, so that every field is a float to the compiler.) */
export function souringCrock(law: SouringLaw, start: SouringStart): SouringCrock {
  const empty = {
    biomass: NaN,
    lagQ: NaN,
    lacticMolPerKg: NaN,
    ph: NaN,
    muFactor: NaN,
    acidFactor: NaN,
    perBuffer: NaN,
    phShift: NaN,
    muPerMin: NaN,
    acidPerMin: NaN,
    deathPerMin: NaN,
  };
  return inoculate(law, empty, start);
}

/** Empties a crock and inoculates it anew. */
export function inoculate(law: SouringLaw, crock: SouringCrock, start: SouringStart): SouringCrock {
  crock.biomass = start.biomass;
  crock.lagQ = start.lagQ;
  crock.lacticMolPerKg = start.lacticMolPerKg;
  crock.muFactor = start.mu ?? 1;
  crock.acidFactor = start.acid ?? 1;
  crock.perBuffer = 1 / (start.buffer ?? 1);
  crock.phShift = start.phShift ?? 0;
  crock.ph = phFromTable(law.ph, start.lacticMolPerKg * crock.perBuffer) + crock.phShift;
  crock.muPerMin = crock.acidPerMin = crock.deathPerMin = 0;
  return crock;
}

/** Keeps a crock at a temperature (°C) from now on. */
export function keepAt(law: SouringLaw, crock: SouringCrock, tempC: number): void {
  const { culture } = law;
  crock.muPerMin = (culture.muOptPerH / 60) * crock.muFactor * rateAt(law.growthRate, tempC);
  crock.acidPerMin = (culture.acidByBiomassMolPerKgH / 60) * crock.acidFactor * rateAt(law.acidRate, tempC);
  crock.deathPerMin = tempC >= culture.growth.maxC + LETHAL_RISE_C ? rateAt(law.deathRate, tempC) : 0;
}

/** Less than one cell in a litre (ripe milk carries about 1e12): nothing is left to grow. */
const EXTINCT = 1e-12;

/** Beyond this readiness the lag is over: a = 0.999, and q need grow no further. */
const READY_Q = 1e3;

/**
 * Moves a crock through `minutes` at the temperature it is kept at.
 *
 *   dx/dt = μ γ(T) a ι(pH) x (1 − x),  a = q/(1+q),  dq/dt = μ γ(T) q,
 *   dA/dt = Y dx/dt + k γₐ(T) x ι(pH)
 *
 * At one temperature and one ι growth is logistic in closed form; ι is taken at the middle of the step, after half a
 * step with the ι of its start. Time integrals, of the lag's a and of the x that makes acid, are the trapezium with the
 * Euler–Maclaurin correction (which meets the lag's closed form, ln((1 + q₁)/(1 + q₀)), to 1e-4 for steps of growth
 * below 1), and the fall of ι while x rises is counted.
 *
 * Sources: Rosso et al. (1993) for γ; Baranyi & Roberts (1994), Int. J. Food Microbiol. 23, 277 for a; Luedeking &
 * Piret (1959), J. Biochem. Microbiol. Technol. Eng. 1, 393 for acid.
 *
 * Above the lethal temperature the population falls by decimal reductions and the survivors have to recover (their
 * readiness falls with them).
 *
 * @param minutes {@link SOURING_STEP_MIN}, or as long as souring-course finds it may be
 */
export function sourStep(law: SouringLaw, crock: SouringCrock, minutes: number): void {
  const { culture, ph: table, perPh } = law;
  const { biomass: x0, lagQ: q0, lacticMolPerKg: acid0, perBuffer, phShift } = crock;
  const perGrowth = culture.acidPerGrowthMolPerKg;
  const mu = crock.muPerMin * minutes;
  const k = crock.acidPerMin * minutes;

  let active0 = 1;
  let active1 = 1;
  let possible = mu;
  if (q0 < READY_Q) {
    active0 = q0 / (1 + q0);
    active1 = grown(active0, mu);
    const bend = active1 * (1 - active1) - active0 * (1 - active0);
    possible = mu * ((active0 + active1) * 0.5 - mu * bend * TWELFTH);
    crock.lagQ = active1 / (1 - active1);
  }
  const free0 = souringFreedom(law, crock.ph, acid0);
  const xHalf = grown(x0, 0.5 * possible * free0);
  const made = perGrowth * (xHalf - x0) + 0.25 * k * free0 * (x0 + xHalf);
  const brake = (perGrowth * possible * (1 - x0) + k) * x0 * perPh * perBuffer * phFall(table, acid0 * perBuffer);
  const acidHalf = acid0 + made / (1 + 0.25 * brake);
  const freeMid = souringFreedom(law, phFromTable(table, acidHalf * perBuffer) + phShift, acidHalf);

  const x1 = grown(x0, possible * freeMid);
  const bend = mu * freeMid * (active1 * x1 * (1 - x1) - active0 * x0 * (1 - x0));
  const meanX = (x0 + x1) * 0.5 - bend * TWELFTH;
  const fed = meanX * freeMid + (x1 - x0) * (freeMid - free0) * SIXTH;
  const acid1 = acid0 + perGrowth * (x1 - x0) + k * fed;

  const free1 = souringFreedom(law, phFromTable(table, acid1 * perBuffer) + phShift, acid1);
  const missed = (free0 - 2 * freeMid + free1) * SIXTH;
  const missedX = possible * x1 * (1 - x1) * missed;
  crock.biomass = x1 + missedX;
  const acidEnd = acid1 + perGrowth * missedX + k * meanX * missed;
  crock.lacticMolPerKg = acidEnd < law.lacticEndMolPerKg ? acidEnd : Math.max(acid0, law.lacticEndMolPerKg);
  crock.ph = phFromTable(table, crock.lacticMolPerKg * perBuffer) + phShift;
  if (crock.deathPerMin > 0) die(crock, Math.exp(-crock.deathPerMin * minutes));
}

/**
 * A share x (0–1) after logistic growth towards 1: x + x (1 − x)(eᵍ − 1) / (1 + x (eᵍ − 1)), with the [3/3] Padé approximant of eᵍ
 * (relative error under 3e-6 for g ≤ 1). The active share of the lag grows so too, as q = a / (1 − a).
 */
function grown(x: number, g: number): number {
  if (g > LONG_GROWTH) {
    const factor = Math.exp(g);
    return x + (x * (1 - x) * (factor - 1)) / (1 + x * (factor - 1));
  }
  const even = 120 + 12 * g * g;
  const odd = g * (60 + g * g);
  return x + (x * (1 - x) * 2 * odd) / (even - odd + 2 * x * odd);
}

const LONG_GROWTH = 1;

function die(crock: SouringCrock, survive: number): void {
  crock.biomass = crock.biomass * survive < EXTINCT ? 0 : crock.biomass * survive;
  crock.lagQ *= survive;
}

/** Acid formed at this moment, mol/(kg·min): the right side of the equations of {@link sourStep}. */
export function souringRate(law: SouringLaw, crock: SouringCrock): number {
  const { culture } = law;
  const free = souringFreedom(law, crock.ph, crock.lacticMolPerKg);
  const growth = (crock.muPerMin * crock.lagQ * (1 - crock.biomass)) / (1 + crock.lagQ);
  return crock.biomass * free * (culture.acidPerGrowthMolPerKg * growth + crock.acidPerMin);
}

const SIXTH = 1 / 6;
const TWELFTH = 1 / 12;

/** Acid (mol/kg) still to be had from the sugar at which its want begins to be felt: some 2 g lactose a litre. */
export const LAST_SUGAR = 0.01;

/** ι: how freely a culture grows and sours (0–1), by the pH and by the sugar left. */
export function souringFreedom(law: SouringLaw, ph: number, lacticMolPerKg: number): number {
  const byPh = (ph - law.culture.phEnd) * law.perPh;
  const left = law.lacticEndMolPerKg - lacticMolPerKg;
  const free = byPh < 0 ? 0 : byPh > 1 ? 1 : byPh;
  return left >= LAST_SUGAR ? free : left <= 0 ? 0 : (free * left) / LAST_SUGAR;
}

/** Longest even step (min): pH stays within 0.001 of the exact solution. */
export const SOURING_STEP_MIN = 10;
