import { SCORCH } from '../constants/scorch.js';

/**
 * Temperature (°C) of the milk's film on the bottom of a pot, over a flame: the milk's own and what
 * it takes to drive the heat through the film, q / h.
 *
 * @param tempC the milk, °C
 * @param heatW heat that reaches the milk, W
 * @param volumeMl milk in the pot, mL
 * @param spoon whether it keeps to the bottom
 */
export function bottomC(tempC: number, heatW: number, volumeMl: number, spoon: 'stirred' | 'still'): number {
  const radiusM = Math.max(SCORCH.narrowestM, Math.cbrt((volumeMl * 1e-6) / (2 * SCORCH.deepPerWide * Math.PI)));
  const fluxWPerM2 = heatW / (Math.PI * radiusM ** 2);
  return tempC + fluxWPerM2 / (spoon === 'stirred' ? SCORCH.stirredWPerM2K : SCORCH.stillWPerM2K);
}
