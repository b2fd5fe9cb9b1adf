import { CALCIUM, RENNET, RENNET_BOTTLE } from '../constants/rennet.js';

/**
 * Share of flocculation that rennet brings about in a minute (1 / flocculation time).
 *
 * @param imcuPerKg milk-clotting units per kg of milk
 * @param tempC °C; none below 12 or, the enzyme being dead, above 55
 * @param calciumGPerKg calcium chloride added, g/kg
 */
export function clottingPerMin(imcuPerKg: number, tempC: number, ph: number, calciumGPerKg = 0): number {
  if (tempC < RENNET.coldestC || tempC >= RENNET.diesFromC) return 0;
  const warmth = 2 ** ((Math.min(tempC, RENNET.mostC) - RENNET.referenceC) / RENNET.halvedByC);
  const sourness = 2 ** ((RENNET.referencePh - Math.max(ph, RENNET.lowestPh)) / RENNET.halvedByPh);
  const calcium = 1 + (RENNET.fasterPerCalcium * calciumGPerKg) / 0.1;
  return ((imcuPerKg / RENNET.referenceImcuPerKg) * warmth * sourness * calcium) / RENNET.referenceMin;
}

/** Minutes to flocculation at steady warmth and pH; null where it never comes. */
export function flocculationMin(imcuPerKg: number, tempC: number, ph: number, calciumGPerKg = 0): number | null {
  const perMin = clottingPerMin(imcuPerKg, tempC, ph, calciumGPerKg);
  return perMin > 0 ? 1 / perMin : null;
}

/** Rennet measured out of its bottle. */
export interface RennetDose {
  readonly ml: number;
  readonly drops: number;
  /** Water without chlorine to thin it with, mL. */
  readonly waterMl: number;
}

/** How a bottle's rennet is measured. */
export interface RennetBottle {
  readonly imcuPerMl: number;
  readonly dropsPerMl: number;
}

/** Dose of a bottle for a mass of milk (g) and a strength of set (IMCU per kg); at least a spoon of water goes with it. */
export function rennetDose(massG: number, imcuPerKg: number, bottle: RennetBottle = RENNET_BOTTLE): RennetDose {
  const ml = (imcuPerKg * massG) / 1000 / bottle.imcuPerMl;
  return { ml, drops: ml * bottle.dropsPerMl, waterMl: Math.max(LEAST_WATER_ML, ml * RENNET_BOTTLE.dilution) };
}

/** A tablespoon. */
const LEAST_WATER_ML = 15;

/** Calcium chloride for a mass of milk (g), in g of the dry salt and mL of the bottle's solution. */
export function calciumDose(
  massG: number,
  gPerKg: number,
  solutionPct: number = CALCIUM.solutionPct,
): { readonly saltG: number; readonly ml: number } {
  const saltG = (gPerKg * massG) / 1000;
  return { saltG, ml: saltG / (solutionPct / 100) / CALCIUM.solutionGPerMl };
}
