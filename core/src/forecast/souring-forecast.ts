import { inferMembers, type WeightedMembers } from '../assimilate/adaptive-sampling.js';
import type { SouringReading } from '../assimilate/evidence.js';
import type { Proposal } from '../assimilate/proposal.js';
import { proposalFrom, type ScorePrior, type TaughtScores } from '../assimilate/score-prior.js';
import { DEAD_CHANCE, TAKEN_FOR_DEAD } from '../constants/starter.js';
import type { Member } from '../environment/environment.js';
import { seededRandom } from '../random/random.js';
import { placeFound } from './place-likelihood.js';
import { deadStarter, type DeadStarter } from './dead-starter.js';
import { moments, ranked } from './quantile.js';
import {
  DIMS,
  likelihoods,
  memberOfScores,
  phOfAll,
  priorOf,
  runEnsemble,
  SCORES,
  STANDARD_PRIOR,
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
  /** Chance (0–1) that the starter is dead, by all that was read; it counts as never in the three above. */
  readonly deadChance: number;
  readonly fan: readonly FanPoint[];
  /** pH at the minute that was asked for; null where none was. */
  readonly at: FanPoint | null;
  /** Index of readings that hardly any member can explain. */
  readonly doubtful: readonly number[];
  /** The batch as it most likely is. */
  readonly member: Member;
  /** The scores as the readings have it, for the batches that come after. */
  readonly taught: TaughtScores;
  /** Effective members as a share; low means the readings pull hard against the model. */
  readonly effective: number;
}

export interface ForecastOptions {
  readonly members: number;
  readonly seed: number;
  /** Points of the fan; 0 leaves it out. */
  readonly fanPoints: number;
  /** A minute of the souring at which its pH is asked for. */
  readonly atMin?: number;
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
  const prior = priorOf(problem);
  const weighted = inferMembers(
    {
      dims: DIMS,
      drawPrior: prior.draw,
      logPrior: prior.logDensity,
      guess: guessOf(problem),
      logLikelihood: (points, count) => {
        if (readings.length === 0 && !problem.temps?.length) return new Float64Array(count);
        const run = runEnsemble(problem, points, count, readingMin, lastReadingMin);
        return likelihoods(problem, points, run, readings, count).log;
      },
    },
    options.members,
    random,
  );
  return summarise(problem, readings, readingMin, weighted, options);
}

/** Wider than the place was found to be, so that the readings of the milk have room in it. */
const GUESS_WIDER = 1.5;
const GUESS_LEAST = 0.06;

/** Where temperatures say how far the place is off, members are drawn about there: it may lie where the prior draws hardly any. */
function guessOf(problem: SouringProblem): Proposal | undefined {
  if (!problem.temps?.length) return undefined;
  const { mean, sd } = placeFound(problem);
  const about = [mean, Math.max(GUESS_LEAST, GUESS_WIDER * sd)] as const;
  return proposalFrom(problem.prior ?? STANDARD_PRIOR, new Map([[SCORES.indexOf('incubatorOffsetC'), about]]));
}

/** Chance that the starter is dead: how well it explains the readings against a living one, by Bayes' rule. */
function deadChanceOf({ starter }: SouringProblem, dead: DeadStarter, { logEvidence }: WeightedMembers): number {
  const { deadChance } = starter ?? { deadChance: DEAD_CHANCE.enough };
  const logOdds = Math.log(deadChance / (1 - deadChance)) + dead.logEvidence - logEvidence;
  return 1 / (1 + Math.exp(-logOdds));
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
  const { atMin } = options;
  const horizonMin = Math.max(problem.horizonMin, readingMin.at(-1) ?? 0, atMin ?? 0);
  const fanMin = Array.from(
    { length: options.fanPoints },
    (_, i) => (horizonMin * i) / Math.max(1, options.fanPoints - 1),
  );
  const asked = [...new Set([...readingMin, ...fanMin, ...(atMin === undefined ? [] : [atMin])])].sort((a, b) => a - b);
  const run = runEnsemble(problem, points, count, asked, horizonMin);
  const dead = deadStarter(problem, readings);
  const deadChance = deadChanceOf(problem, dead, weighted);
  const shares = withOne(
    Float64Array,
    weights.map((w) => w * (1 - deadChance)),
    deadChance,
  );
  const ready = ranked(withOne(Float64Array, run.readyMin, dead.ph <= problem.targetPh ? 0 : Infinity), shares);
  const seen = likelihoods(problem, points, run, readings, count);
  const living = moments(points, weights, DIMS);
  const pointAt = (min: number): FanPoint => {
    const ph = ranked(withOne(Float32Array, phOfAll(run, min), dead.ph), shares);
    return { min, p10: ph.quantile(0.1), p50: ph.quantile(0.5), p90: ph.quantile(0.9) };
  };
  return {
    p10Min: finite(ready.quantile(0.1)),
    p50Min: finite(ready.quantile(0.5)),
    p90Min: finite(ready.quantile(0.9)),
    deadChance,
    fan: fanMin.map(pointAt),
    at: atMin === undefined ? null : pointAt(atMin),
    doubtful: readings.flatMap((_, r) => {
      const wrong = (1 - deadChance) * weightedMean(seen.wrong[r]!, weights) + deadChance * dead.wrong[r]!;
      return wrong > DOUBTFUL ? [r] : [];
    }),
    member: {
      ...memberOfScores(problem.law.culture, living.mean),
      life: deadChance >= TAKEN_FOR_DEAD ? 'dead' : 'alive',
    },
    taught: mixed(living, problem.prior ?? STANDARD_PRIOR, deadChance),
    effective: weighted.effective,
  };
}

/** What a souring taught: the living as they were found; of a dead starter nothing is learned, so the prior stands. */
function mixed(living: TaughtScores, prior: ScorePrior, deadChance: number): TaughtScores {
  const of = (a: number, b: number) => (1 - deadChance) * a + deadChance * b;
  const mean = living.mean.map((m, d) => of(m, prior.mean[d]!));
  const covariance = living.covariance.map((value, i) => {
    const [r, c] = [Math.floor(i / DIMS), i % DIMS];
    const before = prior.covariance?.[i] ?? (r === c ? prior.sd[r]! ** 2 : 0);
    const apart = (from: readonly number[]) => (from[r]! - mean[r]!) * (from[c]! - mean[c]!);
    return of(value + apart(living.mean), before + apart(prior.mean));
  });
  return { mean, sd: mean.map((_, d) => Math.sqrt(covariance[d * DIMS + d]!)), covariance };
}

/** Values of all members, and one more for a starter that is dead. */
function withOne<T extends Float32Array | Float64Array>(Values: new (length: number) => T, living: T, dead: number): T {
  const all = new Values(living.length + 1);
  all.set(living);
  all[living.length] = dead;
  return all;
}

function weightedMean(values: Float64Array, weights: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i]! * weights[i]!;
  return sum;
}

function finite(minutes: number): number | null {
  return Number.isFinite(minutes) ? minutes : null;
}
