import type { TaughtScores } from '../assimilate/score-prior.js';

/**
 * Posterior of a standard score that was read once.
 *
 * @param said what the reading says of it
 * @param precision of the reading, against that of the prior
 */
export function readOnce(said: number, precision: number): TaughtScores {
  const variance = 1 / (1 + precision);
  return { mean: [said * precision * variance], sd: [Math.sqrt(variance)], covariance: [variance] };
}
