import type { TaughtScores } from '../assimilate/score-prior.js';

/** A weighted sample, binned once and asked for many quantiles. */
export interface Ranked {
  readonly quantile: (share: number) => number;
}

/** Members a bin, on average: few enough to be sorted at once when a quantile falls among them. */
const PER_BIN = 4;

/**
 * Ranks values with weights (need not sum to 1). Infinite values are allowed and rank last; a quantile that falls
 * among them is Infinity. Values are dropped into even bins and only the bin that a quantile falls into is sorted, so a
 * quantile is exact and costs one pass over the sample.
 */
export function ranked(values: Float64Array | Float32Array, weights: Float64Array): Ranked {
  const count = values.length;
  let low = Infinity;
  let high = -Infinity;
  for (let i = 0; i < count; i++) {
    const v = values[i]!;
    if (v < low) low = v;
    if (v > high && v !== Infinity) high = v;
  }
  const bins = Math.max(1, Math.ceil(count / PER_BIN));
  const perUnit = high > low ? (bins - 1) / (high - low) : 0;
  /** The last bin is for Infinity alone. */
  const weightIn = new Float64Array(bins + 1);
  const binOf = (v: number) => (v === Infinity ? bins : ((v - low) * perUnit) | 0);
  let total = 0;
  for (let i = 0; i < count; i++) {
    weightIn[binOf(values[i]!)]! += weights[i]!;
    total += weights[i]!;
  }
  return {
    quantile: (share) => {
      let sum = 0;
      let bin = 0;
      while (bin < bins && sum + weightIn[bin]! < share * total) sum += weightIn[bin++]!;
      if (bin === bins) return weightIn[bins]! > 0 ? Infinity : high;
      const inside: number[] = [];
      for (let i = 0; i < count; i++) if (binOf(values[i]!) === bin) inside.push(i);
      inside.sort((a, b) => values[a]! - values[b]!);
      for (const i of inside) {
        sum += weights[i]!;
        if (sum >= share * total) return values[i]!;
      }
      return values[inside[inside.length - 1]!]!;
    },
  };
}

/**
 * Weighted mean, standard deviation and covariance of the scores of a sample.
 *
 * @param points members, row after row, `dims` numbers each
 * @param weights one per member, sum 1
 */
export function moments(points: Float64Array, weights: Float64Array, dims: number): TaughtScores {
  const mean = new Array<number>(dims).fill(0);
  const product = new Array<number>(dims * dims).fill(0);
  for (let i = 0; i < weights.length; i++) {
    const weight = weights[i]!;
    for (let r = 0; r < dims; r++) {
      const score = weight * points[i * dims + r]!;
      mean[r]! += score;
      for (let c = 0; c <= r; c++) product[r * dims + c]! += score * points[i * dims + c]!;
    }
  }
  const covariance = product.map((_, i) => {
    const [r, c] = [Math.floor(i / dims), i % dims];
    return product[Math.max(r, c) * dims + Math.min(r, c)]! - mean[r]! * mean[c]!;
  });
  return { mean, sd: mean.map((_, d) => Math.sqrt(Math.max(0, covariance[d * dims + d]!))), covariance };
}
