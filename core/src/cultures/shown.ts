import { pooledPrior, type TaughtBy } from '../calibrate/pooled-prior.js';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import { SCORES } from '../forecast/souring-ensemble.js';
import { ripeningH } from '../forecast/starter-chain.js';
import type { LineShown } from './vigour.js';

const VITALITY = SCORES.indexOf('vitality');
const SPEED = SCORES.indexOf('mu');

/** What makes of a line showed of its vigour, pooled so that one odd make moves it little; null where none was watched. */
export function shownOf(culture: CultureId, taught: readonly TaughtBy[]): LineShown | null {
  if (taught.length === 0) return null;
  const { mean, sd } = pooledPrior(taught);
  const { vitality } = CULTURES[culture].spread;
  return { logMean: vitality * mean[VITALITY]!, logSd: vitality * sd[VITALITY]!, makes: taught.length };
}

/** What a make showed of a culture, and in which generation. */
export interface WatchedMake {
  readonly batchId: string;
  readonly generation: number;
  readonly atMs: number;
  readonly taught: TaughtBy;
}

/** A make of a line, as hours that it would take at one dose and one warmth: fit to be set beside others. */
export interface Pace {
  readonly batchId: string;
  readonly generation: number;
  readonly atMs: number;
  /** Likely, and from P10 to P90, h. */
  readonly likelyH: number;
  readonly lowH: number;
  readonly highH: number;
}

/** One dose, percent, and one pH at which every line is timed, at the warmth it likes best less a little. */
export const PACE_AT = { dosePct: 2.5, ph: 4.6, belowOptC: 1 } as const;
const TENTH = 1.2816;

/** Makes of a line timed alike; those that would not get there are left out. */
export function paces(culture: CultureId, watched: readonly WatchedMake[]): readonly Pace[] {
  const { spread, growth } = CULTURES[culture];
  const hours = (vitality: number, speed: number) => {
    const h = ripeningH(
      culture,
      PACE_AT.dosePct / 100,
      Math.exp(spread.vitality * vitality),
      growth.optC - PACE_AT.belowOptC,
      PACE_AT.ph,
    );
    return h === null ? null : h / Math.exp(spread.mu * speed);
  };
  return watched.flatMap(({ batchId, generation, atMs, taught: { mean, sd } }) => {
    const at = (sds: number) => hours(mean[VITALITY]! + sds * sd[VITALITY]!, mean[SPEED]! + sds * sd[SPEED]!);
    const [likelyH, lowH, highH] = [at(0), at(TENTH), at(-TENTH)];
    if (likelyH === null || lowH === null || highH === null) return [];
    return [{ batchId, generation, atMs, likelyH, lowH, highH }];
  });
}
