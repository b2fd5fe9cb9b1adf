import {
  CLOTH_AREA_CM2_AT_1KG,
  DRAINAGE,
  DRAINAGE_EXPONENT,
  DRAINAGE_REFERENCE_SOLIDS,
  END_SOLIDS_PER_START_SOLIDS,
  GRAINS,
  type DrainMethod,
} from '../constants/drainage.js';

/** A curd's course on the cloth: whey(t) = wheyEndG (1 − exp(−(t/tauMin)^n)). */
export interface DrainageCourse {
  readonly wheyEndG: number;
  readonly tauMin: number;
}

/** What decides a drainage. */
export interface DrainageConditions {
  readonly massG: number;
  /** Solids of the curd going in, fraction 0–1. */
  readonly solids: number;
  /** Solids of its whey, fraction 0–1. */
  readonly wheySolids: number;
  readonly method: DrainMethod;
  readonly tempC: number;
  /** Grains of curd out of hot milk drain drier and faster than a gel. */
  readonly grains?: boolean;
  readonly clothAreaCm2?: number | undefined;
  /** Factors learned for a kitchen's cloth; 1 = as the constants. */
  readonly reachFactor?: number;
  readonly timeFactor?: number;
}

/** Viscosity of whey relative to 20 °C (water, Vogel equation). */
export function relativeViscosity(tempC: number): number {
  const vogel = (t: number) => Math.exp(578.919 / (t + 273.15 - 137.546));
  return vogel(tempC) / vogel(20);
}

/** Solids (fraction) at which a method leaves off by itself for a curd of given solids. */
export function endSolids(method: DrainMethod, solids: number, grains = false): number {
  const more = grains ? GRAINS.endSolidsMore : 0;
  return more + DRAINAGE[method].endSolids + END_SOLIDS_PER_START_SOLIDS * (solids - DRAINAGE_REFERENCE_SOLIDS);
}

/** Whey (g) that leaves when a curd goes from its solids to wanted solids: mass balance of solids. */
export function wheyForSolids(massG: number, solids: number, wheySolids: number, wantedSolids: number): number {
  if (wantedSolids <= solids) return 0;
  return massG * (1 - (solids - wheySolids) / (wantedSolids - wheySolids));
}

/**
 * Course of a drainage. τ grows with the square of the curd's depth on its cloth (consolidation of a porous bed,
 * Terzaghi 1943) and with the whey's viscosity, so slower when cold and for a bigger batch.
 */
export function drainageCourse(conditions: DrainageConditions): DrainageCourse {
  const { massG, solids, wheySolids, method, tempC, grains = false } = conditions;
  const stop = Math.max(solids, endSolids(method, solids, grains));
  const wheyEndG = Math.min(
    wheyForSolids(massG, solids, wheySolids, stop) * (conditions.reachFactor ?? 1),
    massG * (1 - solids) * 0.95,
  );
  const usualArea = CLOTH_AREA_CM2_AT_1KG * (massG / 1000) ** (2 / 3);
  const depth = massG / (conditions.clothAreaCm2 ?? usualArea) / (1000 / CLOTH_AREA_CM2_AT_1KG);
  const usualTau = DRAINAGE[method].tauMin * (grains ? GRAINS.tauShare : 1);
  const tauMin = usualTau * depth ** 2 * relativeViscosity(tempC) * (conditions.timeFactor ?? 1);
  return { wheyEndG, tauMin };
}

/** Whey (g) drained after minutes on the cloth. */
export function wheyAfter(course: DrainageCourse, minutes: number): number {
  if (minutes <= 0) return 0;
  return course.wheyEndG * -Math.expm1(-((minutes / course.tauMin) ** DRAINAGE_EXPONENT));
}

/** Minutes until a mass of whey (g) has drained; null where it never does. */
export function minutesForWhey(course: DrainageCourse, wheyG: number): number | null {
  if (wheyG <= 0) return 0;
  if (wheyG >= course.wheyEndG) return null;
  return course.tauMin * (-Math.log1p(-wheyG / course.wheyEndG)) ** (1 / DRAINAGE_EXPONENT);
}
