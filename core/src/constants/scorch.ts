/**
 * Milk on a hot bottom. Film coefficients: agitated aqueous liquids on a heated wall 850–1700 W/m²K; natural convection in
 * water 200–1000 (Perry’s Chemical Engineers’ Handbook, 8th ed., table 11-7). From a wall of about 110 °C milk lays down a
 * hard mineral film that burns (type B fouling: Visser & Jeurnink 1997, Exp. Therm. Fluid Sci. 14, 407). Milk in a pot is
 * taken to stand 0.6 times as deep as it is wide, in a pan of 17 cm at least.
 */
export const SCORCH = {
  narrowestM: 0.085,
  deepPerWide: 0.6,
  stirredWPerM2K: 1500,
  stillWPerM2K: 700,
  filmFromC: 110,
  burnsFromC: 125,
} as const;
