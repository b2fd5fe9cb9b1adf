import type { TaughtScores } from '../assimilate/score-prior.js';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import { PERSISTS } from '../constants/pooling.js';
import { PACE_SD } from '../constants/starter.js';
import { SCORES } from '../forecast/souring-ensemble.js';
import { ripeningH } from '../forecast/starter-chain.js';
import { lineOwner } from '../learn/owners.js';
import type { Pooled } from '../learn/pooled.js';
import type { LineShown } from './activity.js';

const ACTIVITY = SCORES.indexOf('activity');
const SPEED = SCORES.indexOf('mu');
const PACE = SCORES.indexOf('pace');

/** What the makes of a line showed of its activity; null where none was watched. */
export function shownOf(culture: CultureId, line: string, { known }: Pooled): LineShown | null {
  const learned = known.find((k) => k.of === lineOwner(line) && k.score === 'activity');
  if (!learned) return null;
  const { activity } = CULTURES[culture].spread;
  const sd = Math.sqrt(learned.sd ** 2 + 1 - PERSISTS.activity);
  return { logMean: activity * learned.mean, logSd: activity * sd, makes: learned.makes };
}

/** What a make showed of a culture, and in which generation. */
export interface WatchedMake {
  readonly batchId: string;
  readonly generation: number;
  readonly atMs: number;
  readonly taught: Pick<TaughtScores, 'mean' | 'sd'>;
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
  const hours = (scores: readonly number[]) => {
    const activity = Math.exp(spread.activity * scores[ACTIVITY]!);
    const h = ripeningH(culture, PACE_AT.dosePct / 100, activity, growth.optC - PACE_AT.belowOptC, PACE_AT.ph);
    return h === null ? null : h / Math.exp(spread.mu * scores[SPEED]! + PACE_SD.active * scores[PACE]!);
  };
  return watched.flatMap(({ batchId, generation, atMs, taught: { mean, sd } }) => {
    const at = (sds: number) => hours(mean.map((m, d) => m + sds * sd[d]!));
    const [likelyH, lowH, highH] = [at(0), at(TENTH), at(-TENTH)];
    if (likelyH === null || lowH === null || highH === null) return [];
    return [{ batchId, generation, atMs, likelyH, lowH, highH }];
  });
}
