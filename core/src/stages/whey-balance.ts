import { addMasses, scaleMasses, solidsFraction, subtractMasses, totalG } from '../materials/composition.js';
import type { CrockState } from '../state/crock-state.js';

/** Whey (g) that brings a curd down to wanted solids, from the balance of solids; never more than there is. */
export function wheyBackG(state: CrockState, wantedSolids: number): number {
  const solids = solidsFraction(state.masses);
  const ofWhey = solidsFraction(state.whey);
  if (solids <= wantedSolids || wantedSolids <= ofWhey) return 0;
  return Math.min(totalG(state.whey), (totalG(state.masses) * (solids - wantedSolids)) / (wantedSolids - ofWhey));
}

/** A curd with so much (g) of its own whey whisked back in; no more than there is. */
export function whiskedBack(state: CrockState, massG: number): CrockState {
  const there = totalG(state.whey);
  const back = scaleMasses(state.whey, there > 0 ? Math.min(1, massG / there) : 0);
  return { ...state, masses: addMasses(state.masses, back), whey: subtractMasses(state.whey, back) };
}
