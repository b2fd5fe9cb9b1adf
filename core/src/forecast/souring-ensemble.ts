import { WEAK_STARTER } from '../constants/evidence.js';
import { MEMBER_SPREAD, NOMINAL_MEMBER, type Member } from '../environment/environment.js';
import { followMixed, mixedCrock, type MixedCrock } from '../physics/mixed-souring.js';
import { inoculate, souringCrock, type SouringLaw, type SouringStart } from '../physics/souring.js';
import { followCourse, MEASURED_EVERY_MIN, SWING_EVERY_MIN, temperatureAt } from '../physics/souring-course.js';
import { readingLikelihood, type SouringReading } from '../assimilate/evidence.js';
import type { Random } from '../random/random.js';

/** Temperature of a souring crock: measured where it was, else relaxing towards its surroundings. */
export interface WarmPlace {
  readonly aroundC: number;
  /** Time constant of crock and place for the nominal member, min. */
  readonly tauMin: number;
  /** Measured temperature by minute of the souring, or null. */
  readonly measuredC?: ((min: number) => number | null) | undefined;
  /** How far the surroundings are from `aroundC` at a minute of the souring, °C; they stand still where left out. */
  readonly swingC?: ((min: number) => number) | undefined;
}

/** A souring to forecast: everything nominal; the ensemble spreads about it. */
export interface SouringProblem {
  readonly law: SouringLaw;
  readonly biomass: number;
  readonly lagQ: number;
  /** Other cultures in the same milk; none when left out. */
  readonly beside?:
    readonly { readonly law: SouringLaw; readonly biomass: number; readonly lagQ: number }[] | undefined;
  readonly lacticMolPerKg: number;
  readonly tempC: number;
  readonly place: WarmPlace;
  readonly targetPh: number;
  readonly gelPh: number;
  readonly horizonMin: number;
  /** What earlier batches of this culture in this place taught; without it the standard prior. */
  readonly prior?: ScorePrior | undefined;
  /** What is known of the place's offset, °C; without it the usual spread. */
  readonly offset?: { readonly meanC: number; readonly sdC: number } | undefined;
}

/** A member as a vector of standard scores, in this order. */
export const SCORES = ['vitality', 'lag', 'mu', 'acid', 'phShift', 'keeperOffsetC', 'heatLoss'] as const;
export const DIMS = SCORES.length;

/** The member that a vector of scores stands for. */
export function memberFromScores(problem: SouringProblem, z: ArrayLike<number>, at = 0): Member {
  const spread = problem.law.culture.spread;
  return {
    ...NOMINAL_MEMBER,
    vitality: Math.exp(spread.vitality * z[at]!),
    lag: Math.exp(spread.lag * z[at + 1]!),
    mu: Math.exp(spread.mu * z[at + 2]!),
    acid: Math.exp(spread.acid * z[at + 3]!),
    phShift: MEMBER_SPREAD.phShift * z[at + 4]!,
    keeperOffsetC: offsetC(problem, z[at + 5]!),
    heatLoss: Math.exp(MEMBER_SPREAD.heatLoss * z[at + 6]!),
  };
}

function offsetC(problem: SouringProblem, z: number): number {
  const { meanC, sdC } = problem.offset ?? { meanC: 0, sdC: MEMBER_SPREAD.keeperOffsetC };
  return meanC + sdC * z;
}

/** Means and standard deviations of a member's scores before anything is read of its batch. */
export interface ScorePrior {
  readonly mean: readonly number[];
  readonly sd: readonly number[];
}

export const STANDARD_PRIOR: ScorePrior = { mean: SCORES.map(() => 0), sd: SCORES.map(() => 1) };

/** Draws the scores of one member: normal, but for a few starters that are nearly dead. */
export function drawScores(
  normal: () => number,
  random: Random,
  out: Float64Array,
  offset: number,
  { mean, sd }: ScorePrior = STANDARD_PRIOR,
): void {
  for (let d = 0; d < DIMS; d++) out[offset + d] = mean[d]! + sd[d]! * normal();
  if (random() < WEAK_STARTER.share) out[offset] = WEAK_STARTER.centre + WEAK_STARTER.width * normal();
}

/** Log density of a member's scores, up to a constant. */
export function logPriorOfScores(
  points: Float64Array,
  offset: number,
  { mean, sd }: ScorePrior = STANDARD_PRIOR,
): number {
  let log = 0;
  for (let d = 1; d < DIMS; d++) log -= 0.5 * ((points[offset + d]! - mean[d]!) / sd[d]!) ** 2;
  const vigour = points[offset]!;
  const weak = (vigour - WEAK_STARTER.centre) / WEAK_STARTER.width;
  const usual = ((1 - WEAK_STARTER.share) / sd[0]!) * Math.exp(-0.5 * ((vigour - mean[0]!) / sd[0]!) ** 2);
  return log + Math.log(usual + (WEAK_STARTER.share / WEAK_STARTER.width) * Math.exp(-0.5 * weak ** 2) + 1e-300);
}

/** What a simulated ensemble shows: `phAt` holds every member's pH at the first asked minute, then at the next, and so on. */
export interface EnsembleRun {
  readonly count: number;
  /** Minutes to the target pH; Infinity where not within the horizon. */
  readonly readyMin: Float64Array;
  readonly phAt: Float32Array;
  readonly askedMin: readonly number[];
}

/**
 * Simulates every member from the start of its souring to the horizon.
 *
 * @param points scores, row after row
 * @param askedMin minutes (ascending) at which pH is kept
 */
export function runEnsemble(
  problem: SouringProblem,
  points: Float64Array,
  count: number,
  askedMin: readonly number[],
  horizonMin = problem.horizonMin,
): EnsembleRun {
  const { law, place, targetPh } = problem;
  const readyMin = new Float64Array(count);
  const phAt = new Float32Array(count * askedMin.length);
  const questions = { horizonMin, targetPh, askedMin };
  const measuredC = measuredCourse(place, horizonMin);
  const swingC = swingCourse(place, horizonMin);
  const crock = souringCrock(law, problem);
  for (let i = 0; i < count; i++) {
    const member = memberFromScores(problem, points, i * DIMS);
    const start = startOf(problem, member);
    const temperature = {
      startC: problem.tempC,
      aroundC: place.aroundC + member.keeperOffsetC,
      tauMin: place.tauMin / member.heatLoss,
      measuredC,
      swingC,
    };
    if (problem.beside?.length) {
      const mixed = mixedOf(problem, start);
      readyMin[i] = followMixed(mixed, (min) => temperatureAt(temperature, min), questions, phAt, i, count);
    } else {
      inoculate(law, crock, start);
      readyMin[i] = followCourse(law, crock, temperature, questions, phAt, i, count);
    }
  }
  return { count, readyMin, phAt, askedMin };
}

/** How a member's crock begins. */
function startOf(problem: SouringProblem, member: Member): Required<SouringStart> {
  return {
    biomass: problem.biomass * member.vitality,
    lagQ: problem.lagQ * member.lag,
    lacticMolPerKg: problem.lacticMolPerKg,
    mu: member.mu,
    acid: member.acid,
    phShift: member.phShift,
  };
}

/** The same with the others beside it: they share the member's luck. */
function mixedOf(problem: SouringProblem, start: Required<SouringStart>): MixedCrock {
  const sown = [problem, ...problem.beside!].map(({ law, biomass, lagQ }) => ({
    law,
    crock: souringCrock(law, {
      ...start,
      biomass: (biomass / problem.biomass) * start.biomass,
      lagQ: (lagQ / problem.lagQ) * start.lagQ,
    }),
  }));
  return mixedCrock(sown, start.lacticMolPerKg, start.phShift);
}

/** Every member's pH at one of the asked minutes. */
export function phOfAll(run: EnsembleRun, min: number): Float32Array {
  const column = run.askedMin.indexOf(min);
  return run.phAt.subarray(column * run.count, (column + 1) * run.count);
}

/** What was measured in each stretch of the course, as far as there is anything. */
function measuredCourse(place: WarmPlace, horizonMin: number): Float64Array {
  const { measuredC } = place;
  if (!measuredC) return new Float64Array(0);
  const course = Float64Array.from(
    { length: Math.ceil(horizonMin / MEASURED_EVERY_MIN) },
    (_, i) => measuredC((i + 0.5) * MEASURED_EVERY_MIN) ?? NaN,
  );
  let known = course.length;
  while (known > 0 && Number.isNaN(course[known - 1])) known--;
  return course.subarray(0, known);
}

/** What swinging surroundings do to a crock that lags behind them: exact for surroundings that stand still within a stretch. */
function swingCourse({ swingC, tauMin }: WarmPlace, horizonMin: number): Float64Array | undefined {
  if (!swingC) return undefined;
  const course = new Float64Array(Math.ceil(horizonMin / SWING_EVERY_MIN));
  const left = Math.exp(-SWING_EVERY_MIN / tauMin);
  const within = ((1 - left) * tauMin) / SWING_EVERY_MIN;
  let crockC = 0;
  for (let i = 0; i < course.length; i++) {
    const aroundC = swingC((i + 0.5) * SWING_EVERY_MIN);
    course[i] = aroundC + (crockC - aroundC) * within;
    crockC = aroundC + (crockC - aroundC) * left;
  }
  return course;
}

/** Log likelihood of every member for readings, and for each reading the chance it is wrong under each member. */
export function likelihoods(
  problem: SouringProblem,
  run: EnsembleRun,
  readings: readonly SouringReading[],
  count: number,
): { readonly log: Float64Array; readonly wrong: readonly Float64Array[] } {
  const log = new Float64Array(count);
  const wrong = readings.map(() => new Float64Array(count));
  readings.forEach((reading, r) => {
    const ph = phOfAll(run, reading.min);
    for (let i = 0; i < count; i++) {
      const seen = readingLikelihood(reading, ph[i]!, problem.gelPh);
      log[i]! += seen.log;
      wrong[r]![i] = seen.wrong;
    }
  });
  return { log, wrong };
}
