import type { Random } from '../random/random.js';
import { cholesky, drawFrom, logDensity, type Proposal } from './proposal.js';

/**
 * What is known of a member's scores before anything is read of its batch: their means and standard deviations, and how
 * they go together where earlier makes showed it (row after row; independent where left out).
 */
export interface ScorePrior {
  readonly mean: readonly number[];
  readonly sd: readonly number[];
  readonly covariance?: readonly number[] | undefined;
}

/** The scores of a batch as its readings have it. */
export interface TaughtScores extends ScorePrior {
  readonly covariance: readonly number[];
}

/** A prior before any batch: standard scores, each by itself. */
export const standardPrior = (dims: number): ScorePrior => ({
  mean: new Array<number>(dims).fill(0),
  sd: new Array<number>(dims).fill(1),
});

/** A share of batches whose first score is drawn from a distribution of its own. */
export interface Stray {
  readonly share: number;
  readonly centre: number;
  readonly width: number;
}

/** A prior's normal distribution, some of its scores otherwise: about a mean, with a standard deviation. */
export function proposalFrom(prior: ScorePrior, otherwise: ReadonlyMap<number, readonly [number, number]>): Proposal {
  const n = prior.mean.length;
  const covariance = Float64Array.from(covarianceOf(prior), (value, i) => {
    const [r, c] = [Math.floor(i / n), i % n];
    const own = otherwise.get(r);
    if (r === c && own) return own[1] ** 2;
    return own || otherwise.has(c) ? 0 : value;
  });
  const mean = Float64Array.from(prior.mean, (m, d) => otherwise.get(d)?.[0] ?? m);
  return { mean, factor: cholesky(covariance, n) };
}

/** A prior made ready for many draws. */
export interface ReadyPrior {
  readonly draw: (normal: () => number, random: Random, out: Float64Array, offset: number) => void;
  /** Log density of scores, but for (2π)^(−n/2), which the proposal's density leaves out, too. */
  readonly logDensity: (points: Float64Array, offset: number) => number;
}

/** A prior's covariance, row after row. */
export function covarianceOf({ sd, covariance }: ScorePrior): readonly number[] {
  const n = sd.length;
  return covariance ?? Array.from({ length: n * n }, (_, i) => (i % (n + 1) === 0 ? sd[i % n]! ** 2 : 0));
}

/** A prior of its scores from some index on. */
function tailOf(prior: ScorePrior, from: number): Proposal {
  const n = prior.mean.length;
  const whole = covarianceOf(prior);
  const dims = n - from;
  const part = Float64Array.from({ length: dims * dims }, (_, i) => {
    const row = from + Math.floor(i / dims);
    return whole[row * n + from + (i % dims)]!;
  });
  return { mean: Float64Array.from(prior.mean.slice(from)), factor: cholesky(part, dims) };
}

/** Makes a prior ready; with a stray, a share of members has its first score from there. */
export function readyPrior(prior: ScorePrior, stray?: Stray): ReadyPrior {
  const usual = tailOf(prior, 0);
  if (!stray) {
    return {
      draw: (normal, _random, out, offset) => drawFrom(usual, normal, out, offset),
      logDensity: (points, offset) => logDensity(usual, points, offset),
    };
  }
  const rest = tailOf(prior, 1);
  const { share, centre, width } = stray;
  return {
    draw: (normal, random, out, offset) => {
      drawFrom(usual, normal, out, offset);
      if (random() < share) out[offset] = centre + width * normal();
    },
    logDensity: (points, offset) => {
      const alike = Math.log(1 - share) + logDensity(usual, points, offset);
      const off = (points[offset]! - centre) / width;
      const strays = Math.log(share / width) - 0.5 * off * off + logDensity(rest, points, offset + 1);
      const high = Math.max(alike, strays);
      return high + Math.log(Math.exp(alike - high) + Math.exp(strays - high));
    },
  };
}
