/** Acid gel point: pH of unheated milk, and its rise for fully denatured β-lactoglobulin (Lee & Lucey 2010, Asian-Aust. J. Anim. Sci. 23, 1127). */
export const GEL_PH = { unheated: 4.9, risePerDenatured: 0.4 } as const;

/**
 * Firmness index, 0–100: an index and not a measurement. Exponent of casein after Roefs & van Vliet (1990); firmer
 * with denatured whey protein and with cooler setting after Lucey & Singh (1998), Food Res. Int. 30, 529.
 */
export const FIRMNESS = {
  /** Index of a whole-milk yogurt (2.6 % casein), fully heated, set at 43 °C, at pH 4.5. */
  reference: 58,
  caseinPct: 2.6,
  caseinExponent: 2.4,
  unheatedShare: 0.45,
  fatPerPct: 0.025,
  referenceFatPct: 3.5,
  setTempC: 43,
  coolerPerC: 0.02,
  fullAtPh: 4.5,
  disturbedLoss: 0.5,
} as const;

/** Words for the firmness index, softest first, with the index from which each holds. */
export const FIRMNESS_WORDS = [
  { from: 0, word: 'pours' },
  { from: 22, word: 'wobbles' },
  { from: 45, word: 'spoons' },
  { from: 70, word: 'stands' },
] as const;

/** Shedding (syneresis) index, 0–100; same references. */
export const SYNERESIS = {
  base: 12,
  perCAbove42: 4,
  undenatured: 30,
  perPhBelow42: 90,
  disturbed: 25,
  lowCasein: 14,
} as const;
