/**
 * Cream that rises on milk at rest (not homogenised), and cream scalded in a shallow pan.
 * Gravity cream has 18–25 % fat; most of what will rise has risen in a day (Walstra et al. 2006, ch. 3). A scalded crust
 * carries 55–65 % fat and is 0.30–0.60 of cream of 36–48 % fat.
 */
export const GRAVITY_CREAM = { fatFraction: 0.22, risenMost: 0.75, tauH: 10 } as const;

/** Fat of the crust, the share of all fat that comes up with it, and how that grows with hours of scalding. */
export const CRUST = { fatFraction: 0.6, recoveredMost: { lift: 0.74, drain: 0.82 }, tauH: 4 } as const;

/** A crust lets through this share of what an open surface would give off as vapour. */
export const CRUST_VAPOUR_SHARE = 0.06;
