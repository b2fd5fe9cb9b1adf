import { normals, type Random } from '../random/random.js';
import { drawFrom, fitProposal, logDensity, type Proposal } from './proposal.js';

/** A prior over members given as vectors, and what a set of readings says of them. */
export interface InferenceProblem {
  readonly dims: number;
  readonly drawPrior: (normal: () => number, random: Random, out: Float64Array, offset: number) => void;
  readonly logPrior: (points: Float64Array, offset: number) => number;
  /** Log likelihood of every member; all members are simulated in one call. */
  readonly logLikelihood: (points: Float64Array, count: number) => Float64Array;
  /** About where the members lie that explain the readings, where that is known beforehand. */
  readonly guess?: Proposal | undefined;
}

/** Members with their weights (sum 1). */
export interface WeightedMembers {
  readonly points: Float64Array;
  readonly weights: Float64Array;
  /** Effective sample size as a share of the members, 0–1. */
  readonly effective: number;
  /** Natural logarithm of the evidence: the mean likelihood of the readings under the prior. */
  readonly logEvidence: number;
  readonly rounds: number;
}

/** Enough effective members to stop, as a share; and the least share a tempered round may have. */
const ENOUGH = 0.35;
const TEMPERED = 0.15;
const MOST_ROUNDS = 6;
/** Share of every later round drawn from the prior, so that nothing it allows is ever out of reach. */
const FROM_PRIOR = 0.1;
const INFLATE = 1.3;

/**
 * Adaptive importance sampling (Cappé et al. 2004, J. Comput. Graph. Stat. 13, 907: population Monte Carlo; tempered
 * as in del Moral et al. 2006). The members are static parameters of a deterministic make, so each round can draw
 * anew from a proposal fitted to the last one: unbiased, with no jitter left in the result, and a collapse of the
 * weights is met by tempering instead of by copying a few survivors.
 */
export function inferMembers(problem: InferenceProblem, count: number, random: Random): WeightedMembers {
  const normal = normals(random);
  const points = new Float64Array(count * problem.dims);
  const weighed = (proposal: Proposal) => {
    redraw(problem, proposal, points, count, normal, random);
    const log = problem.logLikelihood(points, count);
    for (let i = 0; i < count; i++) log[i]! += priorOverMixture(problem, proposal, points, i * problem.dims);
    return log;
  };
  const fromPrior = () => {
    for (let i = 0; i < count; i++) problem.drawPrior(normal, random, points, i * problem.dims);
    return problem.logLikelihood(points, count);
  };
  let logWeights = problem.guess ? weighed(problem.guess) : fromPrior();
  let rounds = 1;
  for (; rounds < MOST_ROUNDS; rounds++) {
    if (effectiveShare(normalised(logWeights, 1)) >= ENOUGH) break;
    logWeights = weighed(fitProposal(points, normalised(logWeights, temperature(logWeights)), problem.dims, INFLATE));
  }
  const weights = normalised(logWeights, 1);
  return { points, weights, effective: effectiveShare(weights), logEvidence: logMean(logWeights), rounds };
}

function redraw(
  problem: InferenceProblem,
  proposal: Proposal,
  points: Float64Array,
  count: number,
  normal: () => number,
  random: Random,
): void {
  const fromPrior = Math.floor(count * FROM_PRIOR);
  for (let i = 0; i < count; i++) {
    const offset = i * problem.dims;
    if (i < fromPrior) problem.drawPrior(normal, random, points, offset);
    else drawFrom(proposal, normal, points, offset);
  }
}

/** log prior − log (share · prior + (1 − share) · proposal). */
function priorOverMixture(problem: InferenceProblem, proposal: Proposal, points: Float64Array, offset: number): number {
  const prior = problem.logPrior(points, offset);
  const proposed = logDensity(proposal, points, offset);
  const high = Math.max(prior, proposed);
  const mixture = FROM_PRIOR * Math.exp(prior - high) + (1 - FROM_PRIOR) * Math.exp(proposed - high);
  return prior - high - Math.log(mixture);
}

/** Weights exp(power · log) scaled to sum 1. */
function normalised(logWeights: Float64Array, power: number): Float64Array {
  let high = -Infinity;
  for (const w of logWeights) if (w > high) high = w;
  const weights = logWeights.map((w) => Math.exp(power * (w - high)));
  let total = 0;
  for (const w of weights) total += w;
  return weights.map((w) => w / total);
}

/** Logarithm of the mean of exp(log weights). */
function logMean(logWeights: Float64Array): number {
  let high = -Infinity;
  for (const w of logWeights) if (w > high) high = w;
  let sum = 0;
  for (const w of logWeights) sum += Math.exp(w - high);
  return high + Math.log(sum / logWeights.length);
}

function effectiveShare(weights: Float64Array): number {
  let squares = 0;
  for (const w of weights) squares += w * w;
  return 1 / squares / weights.length;
}

/** The largest power ≤ 1 that leaves enough effective members to fit a proposal to. */
function temperature(logWeights: Float64Array): number {
  if (effectiveShare(normalised(logWeights, 1)) >= TEMPERED) return 1;
  let low = 0;
  let high = 1;
  for (let i = 0; i < 20; i++) {
    const mid = (low + high) / 2;
    if (effectiveShare(normalised(logWeights, mid)) >= TEMPERED) low = mid;
    else high = mid;
  }
  return low;
}
