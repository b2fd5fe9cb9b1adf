import { CALCIUM_MOST_G_PER_KG } from './safety-limits.js';

/**
 * Clotting by rennet. Flocculation time goes with the inverse of the dose (Holter 1932, Biochem. Z. 255, 160), falls to
 * about a half for each fall of 0.35 in pH from 6.7 and for each 9 °C up to 40, and does not end below about 12 °C, where
 * the casein no longer aggregates (Walstra et al. 2006, ch. 24; Fox et al. 2017, Fundamentals of Cheese Science, ch. 7).
 * Reference: a full set's 40 IMCU per kg of milk flocculates in 14 min at 31 °C and pH 6.5.
 */
export const RENNET = {
  referenceImcuPerKg: 40,
  referenceMin: 14,
  referenceC: 31,
  referencePh: 6.5,
  halvedByPh: 0.35,
  halvedByC: 9,
  mostC: 41,
  diesFromC: 55,
  coldestC: 12,
  lowestPh: 5.2,
  /** Faster by this share for each 0.1 g/kg of calcium chloride. */
  fasterPerCalcium: 0.1,
} as const;

/** Doses: a trace with a souring culture, and a set by rennet alone, IMCU per kg of milk. */
export const RENNET_DOSES = { trace: { least: 2, most: 8 }, full: { least: 35, most: 50 } } as const;

/** Rennets as they come: strength (IMCU/mL) and drops a mL; water without chlorine takes 20 times as much. */
export const RENNET_BOTTLE = { imcuPerMl: 200, dropsPerMl: 25, dilution: 20, goodForMin: 30 } as const;

/** Calcium chloride, food grade: the most (g per kg of milk) and the usual solution (percent by mass, g/mL). */
export const CALCIUM = {
  mostGPerKg: CALCIUM_MOST_G_PER_KG,
  usualGPerKg: 0.15,
  solutionPct: 33,
  solutionGPerMl: 1.32,
} as const;
