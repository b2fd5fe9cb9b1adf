import { totalG } from '../state/composition.js';
import { balanceErrorPct, type CrockState } from '../state/crock-state.js';

/** Where everything that went in has gone, g. The parts add up to `inG` (see `errorPct`). */
export interface Balance {
  readonly inG: number;
  readonly productG: number;
  readonly wheyG: number;
  readonly heldBackG: number;
  readonly lostG: number;
  readonly evaporatedG: number;
  readonly errorPct: number;
}

/** The books of a crock at a moment. */
export function balanceOf(state: CrockState): Balance {
  return {
    inG: totalG(state.inputs),
    productG: totalG(state.masses),
    wheyG: totalG(state.whey),
    heldBackG: totalG(state.heldBack),
    lostG: totalG(state.lost),
    evaporatedG: state.evaporatedG,
    errorPct: balanceErrorPct(state),
  };
}
