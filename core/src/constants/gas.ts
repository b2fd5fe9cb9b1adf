/** Carbon dioxide in water at 20 °C, mol/(L·bar) (Henry's law; Sander 2015, Atmos. Chem. Phys. 15, 4399). */
export const GAS_SOLUBLE_MOL_PER_L_BAR = 0.039;
/** Room of a mole of gas at 20 °C, L·bar. */
export const L_BAR_PER_MOL = 24.4;

/**
 * Carbon dioxide that the yeasts of kefir make in a closed bottle, whatever its acid: mol/(kg·h) at 22 °C, its rise for 10 °C,
 * and the rise for each percent of sugar or its worth in fruit. Fitted to practice: a day in the room beads well, two
 * with fruit gush.
 */
export const YEAST_GAS = { molPerKgH: 0.0025, atC: 22, q10: 2.2, morePerSugarPct: 0.6 } as const;
