import { ACIDS } from '../constants/acids.js';
import { MOLAR_G } from '../constants/milk.js';
import type { Sourness } from '../physics/acids.js';
import { totalG } from '../materials/composition.js';
import type { CrockState } from '../state/crock-state.js';

/** The acids in a crock, mol per kg. */
export function sournessOf({ masses }: CrockState): Sourness {
  const perKg = 1000 / totalG(masses);
  return {
    lactic: (masses.lactic / MOLAR_G.lactic) * perKg,
    citric: (masses.citric / ACIDS.citric.molarG) * perKg,
    acetic: (masses.acetic / ACIDS.acetic.molarG) * perKg,
  };
}
