import { inferMembers } from '../assimilate/adaptive-sampling.js';
import { readyPrior, standardPrior, type ScorePrior, type TaughtScores } from '../assimilate/score-prior.js';
import { DRAIN_READING, WRONG } from '../constants/evidence.js';
import { DRAINAGE_EXPONENT, EXPONENT_BOUNDS } from '../constants/drainage.js';
import { MEMBER_SPREAD } from '../environment/environment.js';
import { minutesForWhey, type DrainageCourse } from '../physics/drainage.js';
import { seededRandom } from '../random/random.js';
import { moments, ranked } from './quantile.js';
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
  readonly exponent: number;
  /** Index of weighings that hardly any course explains. */
  readonly doubtful: readonly number[];
  /** {@link DRAIN_SCORES} as the weighings have it, for the drainings that come after. */
  readonly taught: TaughtScores;
  readonly effective: number;
}

/**
 * A member of a draining as standard scores, in this order: how far the curd drains, how fast, by which exponent; the whey
 * that this curd must lose to be as wanted; how far the scale is off; what was left in the bowl or ran in before.
 */
export const DRAIN_SCORES = ['wheyReach', 'drainTime', 'drainExponent', 'wheyWanted', 'scaleBias', 'bowlG'] as const;
const DIMS = DRAIN_SCORES.length;

export const STANDARD_DRAIN: ScorePrior = standardPrior(DIMS);

/** A weighing is doubtful when it is more likely wrong than right, all members considered. */
const DOUBTFUL = 0.5;

/** A drainage as one member takes it. */
interface Drains {
  readonly course: Required<DrainageCourse>;
  readonly wantedG: number;
  /** What the scale shows of the whey that is gone: a factor, and grams beside it. */
  readonly shows: number;
  readonly besideG: number;
}

/** What a member's scores make of cloth and curd. */
export function drainMember(z: ArrayLike<number>, at = 0) {
  const exponent = DRAINAGE_EXPONENT * Math.exp(MEMBER_SPREAD.drainExponent * z[at + 2]!);
  return {
    wheyReach: Math.exp(MEMBER_SPREAD.wheyReach * z[at]!),
    drainTime: Math.exp(MEMBER_SPREAD.drainTime * z[at + 1]!),
    drainExponent: Math.min(EXPONENT_BOUNDS.most, Math.max(EXPONENT_BOUNDS.least, exponent)),
  };
}

function drainsAs(course: DrainageCourse, wantedWheyG: number, z: Float64Array, at: number): Drains {
  const { wheyReach, drainTime, drainExponent } = drainMember(z, at);
  return {
    course: {
      wheyEndG: course.wheyEndG * wheyReach,
      tauMin: course.tauMin * drainTime,
      exponent: drainExponent,
    },
    wantedG: wantedWheyG * Math.exp(DRAIN_READING.wantedSd * z[at + 3]!),
    shows: Math.exp(DRAIN_READING.scaleSd * z[at + 4]!),
    besideG: DRAIN_READING.bowlSdG * z[at + 5]!,
  };
}

/**
 * Forecasts a drainage by weighting courses of different reach, pace and shape with the whey weighed so far. The errors
 * of a series go together (one scale, one bowl), and any single weighing may be plain wrong.
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
  prior: ScorePrior = STANDARD_DRAIN,
): DrainForecast {
  const sdG = Math.hypot(DRAIN_READING.sdG, DRAIN_READING.sdShare * course.wheyEndG);
  const wrong = weighed.map(() => new Float64Array(options.members));
  const known = readyPrior(prior);
  const { points, weights, effective } = inferMembers(
    {
      dims: DIMS,
      drawPrior: known.draw,
      logPrior: known.logDensity,
      logLikelihood: (z, count) => {
        const log = new Float64Array(count);
        if (weighed.length === 0) return log;
        for (let i = 0; i < count; i++) {
          const member = drainsAs(course, wantedWheyG, z, i * DIMS);
          const { wheyEndG, tauMin, exponent } = member.course;
          for (let r = 0; r < weighed.length; r++) {
            const goneG = wheyEndG * -Math.expm1(-((Math.max(0, weighed[r]!.min) / tauMin) ** exponent));
            const off = (weighed[r]!.wheyG - member.shows * goneG - member.besideG) / sdG;
            const right = (1 - WRONG.chance) * Math.exp(-0.5 * off * off);
            const plain = (WRONG.chance / WRONG.widerBy) * Math.exp(-0.5 * (off / WRONG.widerBy) ** 2) + 1e-300;
            log[i]! += Math.log(right + plain);
            wrong[r]![i] = plain / (right + plain);
          }
        }
        return log;
      },
    },
    options.members,
    seededRandom(options.seed),
  );
  const members = Array.from(weights, (_, i) => drainsAs(course, wantedWheyG, points, i * DIMS));
  const ready = Float64Array.from(members, (member) => minutesForWhey(member.course, member.wantedG) ?? Infinity);
  const mean = (of: (member: Drains, i: number) => number) =>
    members.reduce((sum, member, i) => sum + weights[i]! * of(member, i), 0);
  const rank = ranked(ready, weights);
  const quantile = (share: number) => {
    const min = rank.quantile(share);
    return Number.isFinite(min) ? min : null;
  };
  return {
    p10Min: quantile(0.1),
    p50Min: quantile(0.5),
    p90Min: quantile(0.9),
    reachFactor: mean((m) => m.course.wheyEndG) / course.wheyEndG,
    timeFactor: mean((m) => m.course.tauMin) / course.tauMin,
    exponent: mean((m) => m.course.exponent),
    doubtful: wrong.flatMap((of, r) => (mean((_, i) => of[i]!) > DOUBTFUL ? [r] : [])),
    taught: moments(points, weights, DIMS),
    effective,
  };
}
