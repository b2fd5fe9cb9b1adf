import { READING_SD } from '../constants/evidence.js';
import { MEMBER_SPREAD } from '../environment/environment.js';
import { DRAINAGE_EXPONENT } from '../constants/drainage.js';
import { minutesForWhey, type DrainageCourse } from '../physics/drainage.js';
import { normals, seededRandom } from '../random/random.js';
import { ranked } from './quantile.js';
import type { ScorePrior } from './souring-ensemble.js';
import { USUAL_FORECAST, type ForecastOptions } from './souring-forecast.js';

/** Whey (total, g) weighed a number of minutes after the curd went on the cloth. */
export interface WheyReading {
  readonly min: number;
  readonly wheyG: number;
}

/** When a strained curd is as thick as wanted. Minutes from loading; null where it stops short of it. */
export interface DrainForecast {
  readonly p10Min: number | null;
  readonly p50Min: number | null;
  readonly p90Min: number | null;
  /** What this cloth and curd turned out to do, against the constants. */
  readonly reachFactor: number;
  readonly timeFactor: number;
  /** Mean and standard deviation of each of {@link DRAIN_SCORES}, for the drainings that come after. */
  readonly taught: { readonly mean: readonly number[]; readonly sd: readonly number[] };
  readonly effective: number;
}

/** A member of a draining as standard scores, in this order. */
export const DRAIN_SCORES = ['wheyReach', 'drainTime'] as const;

const STANDARD: ScorePrior = { mean: [0, 0], sd: [1, 1] };

/** A member of a drainage costs a hundredth of a souring's, so there can be twice as many. */
const PER_SOURING_MEMBER = 2;

/**
 * Forecasts a drainage by weighting courses of different reach and pace with the whey weighed so far.
 *
 * @param course nominal course
 * @param wantedWheyG whey that must leave for the wanted texture, g
 * @param prior what earlier drainings on this cloth taught
 */
export function forecastDrain(
  course: DrainageCourse,
  wantedWheyG: number,
  weighed: readonly WheyReading[] = [],
  options: Pick<ForecastOptions, 'members' | 'seed'> = USUAL_FORECAST,
  prior: ScorePrior = STANDARD,
): DrainForecast {
  const members = PER_SOURING_MEMBER * options.members;
  const normal = normals(seededRandom(options.seed));
  const reach = new Float64Array(members);
  const pace = new Float64Array(members);
  const logWeights = new Float64Array(members);
  const ready = new Float64Array(members);
  const sd = Math.hypot(READING_SD.wheyG, READING_SD.wheyShare * course.wheyEndG);
  const power = weighed.map(({ min }) => Math.max(0, min) ** DRAINAGE_EXPONENT);
  for (let i = 0; i < members; i++) {
    const scores = DRAIN_SCORES.map((_, d) => prior.mean[d]! + prior.sd[d]! * normal());
    reach[i] = Math.exp(MEMBER_SPREAD.wheyReach * scores[0]!);
    pace[i] = Math.exp(MEMBER_SPREAD.drainTime * scores[1]!);
    const member = { wheyEndG: course.wheyEndG * reach[i]!, tauMin: course.tauMin * pace[i]! };
    ready[i] = minutesForWhey(member, wantedWheyG) ?? Infinity;
    const pacePower = member.tauMin ** -DRAINAGE_EXPONENT;
    for (let r = 0; r < weighed.length; r++) {
      const expectedG = member.wheyEndG * -Math.expm1(-power[r]! * pacePower);
      logWeights[i]! -= 0.5 * ((weighed[r]!.wheyG - expectedG) / sd) ** 2;
    }
  }
  const high = logWeights.reduce((a, b) => Math.max(a, b), -Infinity);
  const weights = logWeights.map((w) => Math.exp(w - high));
  const total = weights.reduce((a, b) => a + b, 0);
  const mean = (values: Float64Array) => values.reduce((sum, v, i) => sum + v * weights[i]!, 0) / total;
  const moments = (scores: Float64Array) => {
    const at = mean(scores);
    return { mean: at, sd: Math.sqrt(mean(scores.map((z) => (z - at) ** 2))) };
  };
  const rank = ranked(ready, weights);
  const quantile = (share: number) => {
    const min = rank.quantile(share);
    return Number.isFinite(min) ? min : null;
  };
  return {
    p10Min: quantile(0.1),
    p50Min: quantile(0.5),
    p90Min: quantile(0.9),
    reachFactor: mean(reach),
    timeFactor: mean(pace),
    taught: taughtBy([
      moments(reach.map((r) => Math.log(r) / MEMBER_SPREAD.wheyReach)),
      moments(pace.map((p) => Math.log(p) / MEMBER_SPREAD.drainTime)),
    ]),
    effective: total ** 2 / weights.reduce((a, w) => a + w * w, 0) / members,
  };
}

function taughtBy(scores: readonly { readonly mean: number; readonly sd: number }[]): DrainForecast['taught'] {
  return { mean: scores.map((s) => s.mean), sd: scores.map((s) => s.sd) };
}
