/**
 * Acid gel point: pH of unheated milk, and its rise for fully denatured β-lactoglobulin (Lee & Lucey 2010, Asian-Aust. J. Anim. Sci. 23, 1127); a trace
 * of rennet, the hairs off the casein, lets it gel sooner (Lucey et al. 2000, J. Dairy Sci. 83, 2191: about pH 5.3).
 */
export const GEL_PH = { unheated: 4.9, risePerDenatured: 0.4, riseClotted: 0.3 } as const;

/**
 * A gel by rennet alone, sour or not, in times of flocculation: it stands by itself from two on, and is cut, as firm as it
 * gets here, at three (Fox et al. 2017, Fundamentals of Cheese Science, ch. 7: soft curds at 2.5–3.5 times). Its firmness is a
 * share of that of the sour gel: junket wobbles. Judgement. Whey protein that was unfolded keeps the casein apart: what was
 * heated high hardly sets by rennet.
 */
export const RENNET_GEL = { standsFrom: 2, firmFrom: 3, firmness: 0.4 } as const;

/**
 * Firmness index, 0–100: an index and not a measurement. Exponent of casein after Roefs & van Vliet (1990); firmer
 * with denatured whey protein and with cooler setting after Lucey & Singh (1998), Food Res. Int. 30, 529.
 */
export const FIRMNESS = {
  /** Index of a whole-milk yogurt (2.7 % casein in its fat-free part), fully heated, set at 43 °C, at pH 4.5. */
  reference: 58,
  caseinPct: 2.7,
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

/** Body of a base without casein: see plantFirmnessIndex. */
export const PLANT_BODY = { fatPct: 24, fatExponent: 1.6, proteinPct: 5, gelsBelowPh: 5.6 } as const;
