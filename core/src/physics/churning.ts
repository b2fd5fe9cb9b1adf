import { BUTTER_SNF_PCT, BUTTERMILK_FAT, CHURN, CHURN_LIMITS, WASHED_CLEAR } from '../constants/butter.js';

/** Cream as it goes into the churn. */
export interface ChurnCream {
  readonly massG: number;
  readonly fatPct: number;
  readonly tempC: number;
  /** Ripened cream breaks sooner; 4.7 where it is not known. */
  readonly ph?: number;
}

/** What churning gives. The two masses add up to the cream, and so does their fat. */
export interface Churned {
  readonly butterG: number;
  readonly buttermilkG: number;
  readonly buttermilkFatPct: number;
  /** Fat, moisture and other solids of the butter, percent. */
  readonly butterFatPct: number;
  readonly moisturePct: number;
  readonly minutes: number;
}

/** Fat left in buttermilk, percent by mass, by the temperature (°C) at which the butter broke. */
export function buttermilkFatPct(tempC: number): number {
  const perC = Math.log(BUTTERMILK_FAT.at21C / BUTTERMILK_FAT.at12C) / 9;
  return BUTTERMILK_FAT.at12C * Math.exp(perC * (tempC - 12));
}

/** Minutes until cream breaks into grains. */
export function churnMinutes({ fatPct, tempC, ph = CHURN.ripePh }: Omit<ChurnCream, 'massG'>): number {
  const sweet = Math.min(1, Math.max(0, (ph - CHURN.ripePh) / (CHURN.sweetPh - CHURN.ripePh)));
  const lean = (CHURN.fatPct / fatPct) ** CHURN.fatExponent;
  return CHURN.minutesAt12C * Math.exp(-CHURN.perC * (tempC - 12)) * lean * (1 + CHURN.sweetLonger * sweet);
}

/** Why a cream would not break, or null where it will. */
export function churnTrouble({
  fatPct,
  tempC,
}: Pick<ChurnCream, 'fatPct' | 'tempC'>): 'too cold' | 'too warm' | 'too lean' | null {
  if (fatPct < CHURN_LIMITS.leanestPct) return 'too lean';
  if (tempC < CHURN_LIMITS.coldestC) return 'too cold';
  return tempC > CHURN_LIMITS.warmestC ? 'too warm' : null;
}

/**
 * Butter and buttermilk from cream, by the balance of fat.
 * @param butterFatPct fat wanted in the butter, percent
 * @throws RangeError where the cream is no leaner than the butter, or leaner than its own buttermilk
 */
export function churnBalance(cream: ChurnCream, butterFatPct: number): Churned {
  const left = buttermilkFatPct(cream.tempC);
  if (!(cream.fatPct > left && cream.fatPct < butterFatPct)) {
    throw new RangeError(`cream of ${cream.fatPct} % fat does not churn to butter of ${butterFatPct} %`);
  }
  const butterG = (cream.massG * (cream.fatPct - left)) / (butterFatPct - left);
  return {
    butterG,
    buttermilkG: cream.massG - butterG,
    buttermilkFatPct: left,
    butterFatPct,
    moisturePct: 100 - butterFatPct - BUTTER_SNF_PCT,
    minutes: churnMinutes(cream),
  };
}

/**
 * Share of the serum that butter still holds after washing: each wash dilutes what is trapped, Π w / (w + V).
 *
 * @param trappedG water in the grains, g
 * @param washesG water of each wash, g
 */
export function serumAfterWashing(trappedG: number, washesG: readonly number[]): number {
  return washesG.reduce((left, washG) => (left * trappedG) / (trappedG + washG), 1);
}

/** Washes of equal size until the water runs clear. */
export function washesUntilClear(trappedG: number, washG: number): number {
  if (washG <= 0) return Infinity;
  return Math.ceil(Math.log(WASHED_CLEAR) / Math.log(trappedG / (trappedG + washG)) - 1e-9);
}
