/** Carbon dioxide in water at 20 °C, mol/(L·bar) (Henry's law; Sander 2015, Atmos. Chem. Phys. 15, 4399). */
export const GAS_SOLUBLE_MOL_PER_L_BAR = 0.039;
/** Room of a mole of gas at 20 °C, L·bar. */
export const L_BAR_PER_MOL = 24.4;
