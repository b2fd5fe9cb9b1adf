import { LETHAL_RISE_C } from '../constants/cultures.js';
import { phFromTable, type PhTable } from './buffer.js';
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

/** Cultures that share one milk, its sugar, its room and its pH. */
export interface MixedCrock {
  readonly companions: readonly Companion[];
  readonly table: PhTable;
  readonly phShift: number;
  lacticMolPerKg: number;
  ph: number;
}

/** Longest step (min): two halves of one culture stay within 0.001 pH of the whole. */
export const MIXED_STEP_MIN = 10;

/** Several cultures just sown together. */
export function mixedCrock(
  sown: readonly { readonly law: SouringLaw; readonly crock: SouringCrock }[],
  lacticMolPerKg: number,
  phShift: number,
): MixedCrock {
  const table = sown[0]!.law.ph;
  return {
    companions: sown.map(({ law, crock }) => ({ law, crock, madeMolPerKg: 0 })),
    table,
    phShift,
    lacticMolPerKg,
    ph: phFromTable(table, lacticMolPerKg) + phShift,
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
 * @param minutes at most {@link MIXED_STEP_MIN}
 */
export function mixedStep(mixed: MixedCrock, tempC: number, minutes: number): void {
  const { companions, table, phShift } = mixed;
  const count = companions.length;
  const rates = companions.map(({ law, crock }) => ({
    mu: (law.culture.muOptPerH / 60) * crock.muFactor * rateAt(law.growthRate, tempC),
    acid: (law.culture.acidByBiomassMolPerKgH / 60) * crock.acidFactor * rateAt(law.acidRate, tempC),
  }));
  // For each culture: biomass, active share, acid made.
  const start = companions.flatMap(({ crock }) => [crock.biomass, crock.lagQ / (1 + crock.lagQ), 0]);
  const slope = (y: readonly number[]): number[] => {
    let made = 0;
    let room = 1;
    for (let i = 0; i < count; i++) {
      room -= y[3 * i]!;
      made += y[3 * i + 2]!;
    }
    const lactic = mixed.lacticMolPerKg + made;
    const ph = phFromTable(table, lactic) + phShift;
    const dy = new Array<number>(3 * count);
    for (let i = 0; i < count; i++) {
      const { law } = companions[i]!;
      const { mu, acid } = rates[i]!;
      const x = y[3 * i]!;
      const active = y[3 * i + 1]!;
      const free = souringFreedom(law, ph, lactic);
      const growth = mu * active * free * x * Math.max(0, room);
      dy[3 * i] = growth;
      dy[3 * i + 1] = mu * active * (1 - active);
      dy[3 * i + 2] = law.culture.acidPerGrowthMolPerKg * growth + acid * x * free;
    }
    return dy;
  };
  const along = (dy: readonly number[], share: number) => start.map((v, i) => v + share * minutes * dy[i]!);
  const k1 = slope(start);
  const k2 = slope(along(k1, 0.5));
  const k3 = slope(along(k2, 0.5));
  const k4 = slope(along(k3, 1));
  companions.forEach((companion, i) => {
    const moved = (j: number) => (minutes * (k1[j]! + 2 * k2[j]! + 2 * k3[j]! + k4[j]!)) / 6;
    const { crock, law } = companion;
    const active = Math.min(1 - 1e-9, start[3 * i + 1]! + moved(3 * i + 1));
    crock.biomass += moved(3 * i);
    crock.lagQ = active / (1 - active);
    companion.madeMolPerKg += moved(3 * i + 2);
    mixed.lacticMolPerKg += moved(3 * i + 2);
    if (tempC >= law.culture.growth.maxC + LETHAL_RISE_C) {
      const survive = Math.exp(-rateAt(law.deathRate, tempC) * minutes);
      crock.biomass *= survive;
      crock.lagQ *= survive;
    }
  });
  mixed.ph = phFromTable(table, mixed.lacticMolPerKg) + phShift;
}

/**
 * Follows several cultures in one milk from sowing to the horizon, in even steps.
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
  for (let min = 0; ; min += MIXED_STEP_MIN) {
    const before = mixed.ph;
    const ends = min + MIXED_STEP_MIN;
    while (next < askedMin.length && askedMin[next]! <= min) phAt[offset + stride * next++] = before;
    if (min >= horizonMin || (next >= askedMin.length && readyMin < Infinity)) return readyMin;
    mixedStep(mixed, tempAt(min + MIXED_STEP_MIN / 2), MIXED_STEP_MIN);
    while (next < askedMin.length && askedMin[next]! <= ends) {
      const share = (askedMin[next]! - min) / MIXED_STEP_MIN;
      phAt[offset + stride * next++] = before + share * (mixed.ph - before);
    }
    if (mixed.ph <= targetPh && before > targetPh) {
      readyMin = min + (MIXED_STEP_MIN * (before - targetPh)) / (before - mixed.ph);
    }
  }
}
