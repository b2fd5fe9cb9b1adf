/** A multivariate normal from which members are proposed: mean and lower Cholesky factor (row-major n × n). */
export interface Proposal {
  readonly mean: Float64Array;
  readonly factor: Float64Array;
}

/** Least variance a proposal keeps in any direction, so that it never collapses on a few members. */
const LEAST_VARIANCE = 1e-4;

/**
 * Fits a proposal to weighted members.
 *
 * @param points members, row after row, `dims` numbers each
 * @param weights one per member, any total
 * @param inflate factor on the covariance, > 1 keeps the proposal wider than its target
 */
export function fitProposal(points: Float64Array, weights: Float64Array, dims: number, inflate: number): Proposal {
  const count = weights.length;
  const mean = new Float64Array(dims);
  let total = 0;
  for (let i = 0; i < count; i++) {
    total += weights[i]!;
    for (let d = 0; d < dims; d++) mean[d]! += weights[i]! * points[i * dims + d]!;
  }
  for (let d = 0; d < dims; d++) mean[d]! /= total;
  const covariance = new Float64Array(dims * dims);
  for (let i = 0; i < count; i++) {
    for (let r = 0; r < dims; r++) {
      const dr = (points[i * dims + r]! - mean[r]!) * weights[i]!;
      for (let c = 0; c <= r; c++) covariance[r * dims + c]! += dr * (points[i * dims + c]! - mean[c]!);
    }
  }
  for (let r = 0; r < dims; r++) {
    for (let c = 0; c <= r; c++) covariance[r * dims + c]! *= inflate / total;
    covariance[r * dims + r]! += LEAST_VARIANCE;
  }
  return { mean, factor: cholesky(covariance, dims) };
}

/** Lower Cholesky factor of a symmetric positive definite matrix given by its lower triangle. */
export function cholesky(matrix: Float64Array, n: number): Float64Array {
  const factor = new Float64Array(n * n);
  for (let r = 0; r < n; r++) {
    for (let c = 0; c <= r; c++) {
      let sum = matrix[r * n + c]!;
      for (let k = 0; k < c; k++) sum -= factor[r * n + k]! * factor[c * n + k]!;
      factor[r * n + c] = r === c ? Math.sqrt(Math.max(sum, LEAST_VARIANCE)) : sum / factor[c * n + c]!;
    }
  }
  return factor;
}

/** Draws one member into `out` at `offset`. */
export function drawFrom(proposal: Proposal, normal: () => number, out: Float64Array, offset: number): void {
  const n = proposal.mean.length;
  const z = Float64Array.from({ length: n }, normal);
  for (let r = 0; r < n; r++) {
    let value = proposal.mean[r]!;
    for (let c = 0; c <= r; c++) value += proposal.factor[r * n + c]! * z[c]!;
    out[offset + r] = value;
  }
}

/** Log density of a member under a proposal, up to the constant (2π)^(−n/2) that every density here leaves out. */
export function logDensity(proposal: Proposal, points: Float64Array, offset: number): number {
  const n = proposal.mean.length;
  const solved = new Float64Array(n);
  let log = 0;
  for (let r = 0; r < n; r++) {
    let value = points[offset + r]! - proposal.mean[r]!;
    for (let c = 0; c < r; c++) value -= proposal.factor[r * n + c]! * solved[c]!;
    solved[r] = value / proposal.factor[r * n + r]!;
    log -= 0.5 * solved[r]! ** 2 + Math.log(proposal.factor[r * n + r]!);
  }
  return log;
}
