import { DRAIN_PERSISTS, ODD_BEYOND, PERSISTS } from '../constants/pooling.js';
import { DRAIN_SCORES } from '../forecast/drain-forecast.js';
import { SCORES, type ScorePrior } from '../forecast/souring-ensemble.js';

/** What a finished batch taught of its member: mean and standard deviation of each score, from the standard prior. */
export interface TaughtBy {
  readonly mean: readonly number[];
  readonly sd: readonly number[];
}

/** Less precision than this over the prior is no news. */
const NEWS = 1e-6;

/**
 * The prior of the next batch of a culture in a warm place, from what earlier ones taught: partial pooling of a line's
 * own effect u with each batch's luck b (Gelman & Hill 2007, ch. 12),
 *
 *   score = u + b,  u ~ N(0, ρ),  b ~ N(0, 1 − ρ),
 *
 * so a single batch moves it a little, many that agree move it most of the way and narrow it, and an odd one is held back.
 *
 * @param taught batches of the same culture and place, each followed from the standard prior
 */
export function pooledPrior(taught: readonly TaughtBy[]): ScorePrior {
  return pooled(
    taught,
    SCORES.map((score) => PERSISTS[score]),
  );
}

/** The prior of the next draining on a cloth, from what earlier ones on it taught. */
export function pooledDrainPrior(taught: readonly TaughtBy[]): ScorePrior {
  return pooled(
    taught,
    DRAIN_SCORES.map((score) => DRAIN_PERSISTS[score]),
  );
}

function pooled(taught: readonly TaughtBy[], persists: readonly number[]): ScorePrior {
  const scores = persists.map((share, d) =>
    pooledScore(
      taught.map((t) => ({ mean: t.mean[d]!, sd: t.sd[d]! })),
      share,
    ),
  );
  return { mean: scores.map((p) => p.mean), sd: scores.map((p) => p.sd) };
}

function pooledScore(taught: readonly { readonly mean: number; readonly sd: number }[], persists: number) {
  const luck = 1 - persists;
  let precision = 1 / persists;
  let pull = 0;
  for (const { mean, sd } of taught) {
    // What the batch alone said, with the prior taken out again.
    const news = 1 / sd ** 2 - 1;
    if (news < NEWS) continue;
    const said = mean / sd ** 2 / news;
    const variance = luck + 1 / news;
    const apart = Math.abs(said) / Math.sqrt(persists + variance);
    const held = apart > ODD_BEYOND ? ODD_BEYOND / apart : 1;
    precision += held / variance;
    pull += (held * said) / variance;
  }
  return { mean: pull / precision, sd: Math.sqrt(luck + 1 / precision) };
}
