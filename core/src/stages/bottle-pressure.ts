import { GAS_SOLUBLE_MOL_PER_L_BAR, L_BAR_PER_MOL } from '../constants/gas.js';
import { MOLAR_G } from '../constants/milk.js';
import { totalG } from '../materials/composition.js';
import type { CrockState } from '../state/crock-state.js';

/**
 * Pressure over the air's in a closed bottle (bar at 20 °C): its carbon dioxide shared between liquid (Henry's law) and
 * headspace. The liquid is taken to have begun saturated at the air's pressure.
 */
export function bottlePressureBar(from: CrockState, to: CrockState, headspacePct: number): number {
  const litres = totalG(to.masses) / 1030;
  const mol = (to.gasG - from.gasG) / MOLAR_G.carbonDioxide / litres;
  const headspace = headspacePct / (100 - headspacePct);
  return mol / (GAS_SOLUBLE_MOL_PER_L_BAR + headspace / L_BAR_PER_MOL);
}
