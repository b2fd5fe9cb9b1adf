/**
 * Milk on a hot bottom. Film coefficients: agitated aqueous liquids on a heated wall 800–1700 W/m²K, the lower end for a
 * spoon; natural convection 300–500 (Perry’s Chemical Engineers’ Handbook, 8th ed., table 11-7). From a wall of about
 * 110 °C milk lays down a hard mineral film that burns (type B fouling: Visser & Jeurnink 1997, Exp. Therm. Fluid Sci. 14, 407).
 The
 * smallest milk pan is taken to be 17 cm wide.
 */
export const SCORCH = {
  narrowestM: 0.085,
  stirredWPerM2K: 1100,
  stillWPerM2K: 450,
  filmFromC: 110,
  burnsFromC: 125,
} as const;
