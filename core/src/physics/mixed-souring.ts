import { LETHAL_RISE_C } from '../constants/cultures.js';
import { phFall, phFromTable, type PhTable } from './buffer.js';
import { souringFreedom, type SouringCrock, type SouringLaw } from './souring.js';
import { rateAt } from './temperature-response.js';

/** One culture of several in one milk. */
export interface Companion {
  readonly law: SouringLaw;
  /** Its own biomass, readiness and factors; acid and pH are read from the shared crock. */
  readonly crock: SouringCrock;
  /** Acid this one has made since it went in, mol/kg. */
  madeMolPerKg: number;
}

/** Cultures that share one milk, its sugar, its room and its pH. It is moved in place, as a single crock is. */
export interface MixedCrock {
  readonly companions: readonly Companion[];
  readonly table: PhTable;
  /** 1 / buffer, as of a single crock. */
  readonly perBuffer: number;
  readonly phShift: number;
  lacticMolPerKg: number;
  ph: number;
  /** Room for a step's reckoning: state, rates, slopes and trial, so that no step makes garbage. */
  readonly room: Readonly<Record<'y' | 'trial' | 'k1' | 'k2' | 'k3' | 'k4' | 'rates', Float64Array>>;
}

/** Longest even step (min): two halves of one culture stay within 0.001 pH of the whole. */
export const MIXED_STEP_MIN = 10;

/** Several cultures just sown together. */
export function mixedCrock(
  sown: readonly { readonly law: SouringLaw; readonly crock: SouringCrock }[],
  lacticMolPerKg: number,
  phShift: number,
): MixedCrock {
  const table = sown[0]!.law.ph;
  const { perBuffer } = sown[0]!.crock;
  return {
    companions: sown.map(({ law, crock }) => ({ law, crock, madeMolPerKg: 0 })),
    table,
    perBuffer,
    phShift,
    lacticMolPerKg,
    ph: phFromTable(table, lacticMolPerKg * perBuffer) + phShift,
    room: {
      y: new Float64Array(3 * sown.length),
      trial: new Float64Array(3 * sown.length),
      k1: new Float64Array(3 * sown.length),
      k2: new Float64Array(3 * sown.length),
      k3: new Float64Array(3 * sown.length),
      k4: new Float64Array(3 * sown.length),
      rates: new Float64Array(2 * sown.length),
    },
  };
}

/**
 * Moves several cultures in one milk through a step at one temperature, by the classical fourth-order Runge–Kutta rule:
 *
 *   dxᵢ/dt = μᵢ γᵢ(T) aᵢ ιᵢ(pH) xᵢ (1 − Σx),  daᵢ/dt = μᵢ γᵢ(T) aᵢ (1 − aᵢ),
 *   dA/dt = Σ (Yᵢ dxᵢ/dt + kᵢ γₐᵢ(T) xᵢ ιᵢ(pH))
 *
 * They compete for the room (Σx), for the sugar (each ι falls as it runs out) and through the pH that all of them make.
 *
 * @param tempC °C, held through the step
 * @param minutes at most {@link MIXED_STEP_MIN}, or as long as {@link followMixed} finds it may be
 */
export function mixedStep(mixed: MixedCrock, tempC: number, minutes: number): void {
  const { companions } = mixed;
  const { y, k1, k2, k3, k4 } = mixed.room;
  keepMixedAt(mixed, tempC);
  for (let i = 0; i < companions.length; i++) {
    const { biomass, lagQ } = companions[i]!.crock;
    y[3 * i] = biomass;
    y[3 * i + 1] = lagQ / (1 + lagQ);
    y[3 * i + 2] = 0;
  }
  slopes(mixed, y, k1);
  slopes(mixed, along(mixed, k1, 0.5 * minutes), k2);
  slopes(mixed, along(mixed, k2, 0.5 * minutes), k3);
  slopes(mixed, along(mixed, k3, minutes), k4);
  const share = shareThatSugarAllows(mixed, minutes);
  for (let i = 0; i < companions.length; i++) {
    const companion = companions[i]!;
    const { crock, law } = companion;
    const active = Math.min(1 - 1e-9, y[3 * i + 1]! + moved(mixed, 3 * i + 1, minutes));
    const made = share * moved(mixed, 3 * i + 2, minutes);
    crock.biomass += moved(mixed, 3 * i, minutes);
    crock.lagQ = active / (1 - active);
    companion.madeMolPerKg += made;
    mixed.lacticMolPerKg += made;
    if (tempC >= law.culture.growth.maxC + LETHAL_RISE_C) {
      const survive = Math.exp(-rateAt(law.deathRate, tempC) * minutes);
      crock.biomass *= survive;
      crock.lagQ *= survive;
    }
  }
  mixed.ph = phFromTable(mixed.table, mixed.lacticMolPerKg * mixed.perBuffer) + mixed.phShift;
}

/** Rates of growth (1/min) and of acid (mol/(kg·min)) of each culture at a temperature, two and two. */
function keepMixedAt({ companions, room }: MixedCrock, tempC: number): void {
  for (let i = 0; i < companions.length; i++) {
    const { law, crock } = companions[i]!;
    const { culture } = law;
    room.rates[2 * i] = (culture.muOptPerH / 60) * crock.muFactor * rateAt(law.growthRate, tempC);
    room.rates[2 * i + 1] = (culture.acidByBiomassMolPerKgH / 60) * crock.acidFactor * rateAt(law.acidRate, tempC);
  }
}

/** The right side of the equations of {@link mixedStep} at a state (biomass, active share, acid made, culture by culture). */
function slopes(
  { companions, table, perBuffer, phShift, lacticMolPerKg, room }: MixedCrock,
  y: Float64Array,
  out: Float64Array,
) {
  let lactic = lacticMolPerKg;
  let free = 1;
  for (let i = 0; i < companions.length; i++) {
    free -= y[3 * i]!;
    lactic += y[3 * i + 2]!;
  }
  if (free < 0) free = 0;
  const ph = phFromTable(table, lactic * perBuffer) + phShift;
  for (let i = 0; i < companions.length; i++) {
    const { law } = companions[i]!;
    const mu = room.rates[2 * i]!;
    const active = y[3 * i + 1]!;
    const working = y[3 * i]! * souringFreedom(law, ph, lactic);
    const growth = mu * active * working * free;
    out[3 * i] = growth;
    out[3 * i + 1] = mu * active * (1 - active);
    out[3 * i + 2] = law.culture.acidPerGrowthMolPerKg * growth + room.rates[2 * i + 1]! * working;
  }
}

/** The state after some minutes along a slope. */
function along({ room }: MixedCrock, slope: Float64Array, minutes: number): Float64Array {
  const { y, trial } = room;
  for (let j = 0; j < y.length; j++) trial[j] = y[j]! + minutes * slope[j]!;
  return trial;
}

/** Share (0–1) of a step's acid that the sugar still gives. */
function shareThatSugarAllows(mixed: MixedCrock, minutes: number): number {
  const { companions, lacticMolPerKg } = mixed;
  let made = 0;
  let end = Infinity;
  for (let i = 0; i < companions.length; i++) {
    made += moved(mixed, 3 * i + 2, minutes);
    end = Math.min(end, companions[i]!.law.lacticEndMolPerKg);
  }
  if (lacticMolPerKg + made <= end) return 1;
  return Math.max(0, end - lacticMolPerKg) / made;
}

/** How far a step moves one number of the state. */
function moved({ room: { k1, k2, k3, k4 } }: MixedCrock, j: number, minutes: number): number {
  return (minutes * (k1[j]! + 2 * k2[j]! + 2 * k3[j]! + k4[j]!)) / 6;
}

/** How far one step of a followed course may carry the pH and the growth, and its bounds, min. */
const STEP = { fallPh: 0.12, growth: 0.5, shortestMin: 2, longestMin: 120, whileWarmingMin: 20 } as const;

/** Minutes that one step may take from here, the slopes being those of its start. */
function longestStep(mixed: MixedCrock): number {
  const { room, table, perBuffer, companions } = mixed;
  let rate = 0;
  let mu = 0;
  for (let i = 0; i < companions.length; i++) {
    rate += room.k4[3 * i + 2]!;
    mu = Math.max(mu, room.rates[2 * i]!);
  }
  const byFall = STEP.fallPh / (rate * perBuffer * phFall(table, mixed.lacticMolPerKg * perBuffer));
  return Math.max(STEP.shortestMin, Math.min(byFall, STEP.growth / mu, STEP.longestMin));
}

/**
 * Follows several cultures in one milk from sowing to the horizon, in steps as long as their souring allows.
 *
 * @param tempAt °C at a minute
 * @param phAt where pH at the asked minutes is put: from `offset` on, `stride` apart
 * @returns minutes to the target pH; Infinity where it is not within the horizon
 */
export function followMixed(
  mixed: MixedCrock,
  tempAt: (min: number) => number,
  { horizonMin, targetPh, askedMin }: { horizonMin: number; targetPh: number; askedMin: readonly number[] },
  phAt: Float32Array,
  offset = 0,
  stride = 1,
): number {
  let next = 0;
  let readyMin = Infinity;
  let min = 0;
  let dt: number = STEP.shortestMin;
  while (next < askedMin.length && askedMin[next]! <= 0) phAt[offset + stride * next++] = mixed.ph;
  while (min < horizonMin && (next < askedMin.length || readyMin === Infinity)) {
    const before = mixed.ph;
    if (Math.abs(tempAt(min) - tempAt(min + dt)) > WARMS_C) dt = Math.min(dt, STEP.whileWarmingMin);
    dt = Math.min(dt, horizonMin - min);
    mixedStep(mixed, tempAt(min + dt / 2), dt);
    const fall = (before - mixed.ph) / dt;
    while (next < askedMin.length && askedMin[next]! <= min + dt) {
      phAt[offset + stride * next] = before - fall * (askedMin[next]! - min);
      next++;
    }
    if (mixed.ph <= targetPh && before > targetPh) readyMin = min + (before - targetPh) / fall;
    min += dt;
    dt = longestStep(mixed);
  }
  return readyMin;
}

/** A change over one step (°C) that makes it a short one. */
const WARMS_C = 1;
