import { inferMembers, type WeightedMembers } from '../assimilate/adaptive-sampling.js';
import type { SouringReading } from '../assimilate/evidence.js';
import type { Member } from '../environment/environment.js';
import { seededRandom } from '../random/random.js';
import { ranked } from './quantile.js';
import {
  DIMS,
  drawScores,
  likelihoods,
  logPriorOfScores,
  memberFromScores,
  phOfAll,
  runEnsemble,
  type SouringProblem,
} from './souring-ensemble.js';

/** pH at one minute over the ensemble. */
export interface FanPoint {
  readonly min: number;
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
}

/** When a souring is ready, how sure that is, and what the readings taught. */
export interface SouringForecast {
  /** Minutes from the start of the souring; null where that share of members never arrives within the horizon. */
  readonly p10Min: number | null;
  readonly p50Min: number | null;
  readonly p90Min: number | null;
  readonly fan: readonly FanPoint[];
  /** Index of readings that hardly any member can explain. */
  readonly doubtful: readonly number[];
  /** The batch as it most likely is. */
  readonly member: Member;
  /** Mean and standard deviation of each score, for the batches that come after. */
  readonly taught: { readonly mean: readonly number[]; readonly sd: readonly number[] };
  /** Effective members as a share; low means the readings pull hard against the model. */
  readonly effective: number;
}

export interface ForecastOptions {
  readonly members: number;
  readonly seed: number;
  /** Points of the fan; 0 leaves it out. */
  readonly fanPoints: number;
}

export const USUAL_FORECAST: ForecastOptions = { members: 2000, seed: 1, fanPoints: 48 };

/** A reading is doubtful when it is more likely wrong than right, all members considered. */
const DOUBTFUL = 0.5;

/**
 * Forecasts a souring from its prior and its readings.
 * Same problem, readings and seed: same answer.
 */
export function forecastSouring(
  problem: SouringProblem,
  readings: readonly SouringReading[] = [],
  options: ForecastOptions = USUAL_FORECAST,
): SouringForecast {
  const random = seededRandom(options.seed);
  const readingMin = [...new Set(readings.map((r) => r.min))].sort((a, b) => a - b);
  const lastReadingMin = readingMin.length ? readingMin[readingMin.length - 1]! : 0;
  const weighted = inferMembers(
    {
      dims: DIMS,
      drawPrior: (normal, chance, out, offset) => drawScores(normal, chance, out, offset, problem.prior),
      logPrior: (points, offset) => logPriorOfScores(points, offset, problem.prior),
      logLikelihood: (points, count) => {
        if (readings.length === 0) return new Float64Array(count);
        const run = runEnsemble(problem, points, count, readingMin, lastReadingMin);
        return likelihoods(problem, run, readings, count).log;
      },
    },
    options.members,
    random,
  );
  return summarise(problem, readings, readingMin, weighted, options);
}

function summarise(
  problem: SouringProblem,
  readings: readonly SouringReading[],
  readingMin: readonly number[],
  weighted: WeightedMembers,
  options: ForecastOptions,
): SouringForecast {
  const { points, weights } = weighted;
  const count = weights.length;
  const horizonMin = Math.max(problem.horizonMin, readingMin.at(-1) ?? 0);
  const fanMin = Array.from(
    { length: options.fanPoints },
    (_, i) => (horizonMin * i) / Math.max(1, options.fanPoints - 1),
  );
  const asked = [...new Set([...readingMin, ...fanMin])].sort((a, b) => a - b);
  const run = runEnsemble(problem, points, count, asked, horizonMin);
  const ready = ranked(run.readyMin, weights);
  const seen = likelihoods(problem, run, readings, count);
  const { mean, sd } = moments(points, weights);
  return {
    p10Min: finite(ready.quantile(0.1)),
    p50Min: finite(ready.quantile(0.5)),
    p90Min: finite(ready.quantile(0.9)),
    fan: fanMin.map((min) => {
      const ph = ranked(phOfAll(run, min), weights);
      return { min, p10: ph.quantile(0.1), p50: ph.quantile(0.5), p90: ph.quantile(0.9) };
    }),
    doubtful: readings.flatMap((_, r) => (weightedMean(seen.wrong[r]!, weights) > DOUBTFUL ? [r] : [])),
    member: memberFromScores(problem, mean),
    taught: { mean, sd },
    effective: weighted.effective,
  };
}

/** Weighted mean and standard deviation of each score. */
function moments(points: Float64Array, weights: Float64Array): { readonly mean: number[]; readonly sd: number[] } {
  const mean = new Array<number>(DIMS).fill(0);
  const square = new Array<number>(DIMS).fill(0);
  for (let i = 0; i < weights.length; i++) {
    for (let d = 0; d < DIMS; d++) {
      const score = points[i * DIMS + d]!;
      mean[d]! += weights[i]! * score;
      square[d]! += weights[i]! * score * score;
    }
  }
  return { mean, sd: mean.map((m, d) => Math.sqrt(Math.max(0, square[d]! - m * m))) };
}

function weightedMean(values: Float64Array, weights: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i]! * weights[i]!;
  return sum;
}

function finite(minutes: number): number | null {
  return Number.isFinite(minutes) ? minutes : null;
}
