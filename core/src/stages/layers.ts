import type { Layers } from '../physics/creaming.js';
import { massesBy, totalG, type Masses } from '../materials/composition.js';
import type { CrockState } from '../state/crock-state.js';

/** Component masses of the upper layer of a crock: its fat, and serum of the same kind as below. */
export function upperLayer({ masses }: CrockState, { topG, topFatG }: Layers): Masses {
  const serumShare = (topG - topFatG) / (totalG(masses) - masses.fat);
  return massesBy((c) => (c === 'fat' ? topFatG : masses[c] * serumShare));
}
