import { totalG } from '../materials/composition.js';
import { balanceErrorPct, type CrockState } from '../state/crock-state.js';

/** Where everything that went in has gone, g. The parts add up to `inG` (see `errorPct`). */
export interface Balance {
  readonly inG: number;
  readonly productG: number;
  readonly wheyG: number;
  readonly heldBackG: number;
  /** Taken off and put by: risen cream, what is left under a crust. */
  readonly asideG: number;
  readonly lostG: number;
  readonly evaporatedG: number;
  readonly gasG: number;
  readonly errorPct: number;
}

/** The books of a crock at a moment. */
export function balanceOf(state: CrockState): Balance {
  return {
    inG: totalG(state.inputs),
    productG: totalG(state.masses),
    wheyG: totalG(state.whey),
    heldBackG: totalG(state.heldBack),
    asideG: totalG(state.aside),
    lostG: totalG(state.lost),
    evaporatedG: state.evaporatedG,
    gasG: state.gasG,
    errorPct: balanceErrorPct(state),
  };
}
