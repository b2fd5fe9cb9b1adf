import { say, type Text } from '../messages/message.js';
import { SAFE_PH } from '../constants/safety-limits.js';
import { FROZEN_BUTTER, KEEPS, SHELF_LIFE } from '../constants/shelf-life.js';
import type { CrockState } from '../state/crock-state.js';

/** How long a product keeps, and why. */
export interface ShelfLife {
  /** Days unopened, and days once it is open. */
  readonly days: number;
  readonly openDays: number;
  /** Temperature of the store that it keeps so long in, °C. */
  readonly storeC: number;
  readonly productClass: keyof typeof KEEPS;
  readonly why: Text;
}

/** Salt in the water of a product, percent (water-phase salt). */
export function waterPhaseSaltPct({ masses }: Pick<CrockState, 'masses'>): number {
  const brine = masses.salt + masses.water;
  return brine > 0 ? (100 * masses.salt) / brine : 0;
}

/** Less sugar and acid than this in butter's water (g per g) and it was washed clear. */
const WASHED_BELOW = 0.01;

/**
 * Days that a product keeps from its class, its final pH, the salt of its water and the temperature of the store.
 * Usual lives at 4 °C; a warmer store spoils it {@link SHELF_LIFE.q10} times as fast for each 10 °C, and each tenth of pH
 * under 4.6 adds a little. The maker's own experience and the local code come before it.
 *
 * @param storeC temperature of the store, °C
 */
export function shelfLife(end: CrockState, storeC: number = SHELF_LIFE.usualC): ShelfLife {
  const productClass = classOf(end);
  const { days, openDays, why } = KEEPS[productClass];
  if (end.curd.isFrozen && end.curd.churned >= 1) return { ...FROZEN_BUTTER, productClass };
  const sourer = productClass === 'sour' ? 1 + SHELF_LIFE.perPhBelow * Math.max(0, SAFE_PH - end.ph) : 1;
  const salted = waterPhaseSaltPct(end) >= SHELF_LIFE.saltedFromPct ? SHELF_LIFE.saltedTimes : 1;
  const warmer = SHELF_LIFE.q10 ** ((storeC - SHELF_LIFE.usualC) / 10);
  const plain = Math.max(1, Math.round((days * sourer * salted) / warmer));
  const open = Math.max(1, Math.round(openDays / warmer));
  const most = end.curd.keepsMostDays;
  if (most === null || most >= plain)
    return { days: plain, openDays: Math.min(open, plain), storeC, productClass, why };
  const flavoured = Math.max(1, Math.round(most / Math.max(1, warmer)));
  return {
    days: flavoured,
    openDays: Math.min(open, flavoured),
    storeC,
    productClass,
    why: say('safety.shelfLife.flavoured'),
  };
}

/** Thick cream that was held so hot (°C) went on to its cloth with hardly anything alive in it. */
const HEATED_THROUGH_C = 80;

/** A crust gathers for hours near that heat; thick cream is brought to it. */
function isHeatedThrough({ curd, peakC, pasteurisedShare }: CrockState): boolean {
  return (curd.body === 'thickened' && peakC >= HEATED_THROUGH_C) || (curd.body === 'crust' && pasteurisedShare >= 1);
}

function classOf(end: CrockState): keyof typeof KEEPS {
  const { curd, masses, ph } = end;
  if (curd.churned >= 1) {
    const serum = masses.lactose + masses.galactose + masses.glucose + masses.lactic;
    return serum / Math.max(1, masses.water) < WASHED_BELOW ? 'washed butter' : 'unwashed butter';
  }
  if (curd.body === 'melt') return 'cooked cheese';
  if (ph > SAFE_PH && isHeatedThrough(end)) return 'heated';
  if (ph > SAFE_PH) return masses.casein > 0 ? 'fresh' : 'not sour';
  return masses.casein > 0 ? 'sour' : 'sour plant';
}
