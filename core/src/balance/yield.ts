import { totalG, type Masses } from '../materials/composition.js';
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
  readonly sugar: SugarBalance;
  readonly errorPct: number;
}

/** Where the sugar went that went in, g: what is neither in the product nor left it otherwise, the culture has eaten. */
export interface SugarBalance {
  readonly inG: number;
  readonly leftG: number;
  /** With the whey or the buttermilk. */
  readonly wheyG: number;
  /** With what was held back, put by or washed away. */
  readonly elsewhereG: number;
  readonly eatenG: number;
}

const sugarIn = ({ lactose, galactose, glucose, sucrose }: Masses) => lactose + galactose + glucose + sucrose;

function sugarBalanceOf({ inputs, masses, whey, heldBack, aside, lost }: CrockState): SugarBalance {
  const [inG, leftG, wheyG] = [sugarIn(inputs), sugarIn(masses), sugarIn(whey)];
  const elsewhereG = sugarIn(heldBack) + sugarIn(aside) + sugarIn(lost);
  return { inG, leftG, wheyG, elsewhereG, eatenG: Math.max(0, inG - leftG - wheyG - elsewhereG) };
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
    sugar: sugarBalanceOf(state),
    errorPct: balanceErrorPct(state),
  };
}
