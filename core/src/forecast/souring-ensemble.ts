import type { Culture } from '../constants/cultures.js';
import { WEAK_STARTER } from '../constants/evidence.js';
import { PACE_SD } from '../constants/starter.js';
import {
  MEMBER_SPREAD,
  NOMINAL_MEMBER,
  souringFactors,
  type KnownTemp,
  type MeasuredTemps,
  type Member,
} from '../environment/environment.js';
import { followMixed, mixedCrock, type MixedCrock } from '../physics/mixed-souring.js';
import { inoculate, souringCrock, type SouringLaw, type SouringStart } from '../physics/souring.js';
import { followCourse, MEASURED_EVERY_MIN, SWING_EVERY_MIN, temperatureAt } from '../physics/souring-course.js';
import { readingLikelihood, type SouringReading } from '../assimilate/evidence.js';
import { placeLikelihood } from './place-likelihood.js';
import type { StarterPrior } from '../physics/starter-activity.js';
import { readyPrior, standardPrior, type ReadyPrior, type ScorePrior } from '../assimilate/score-prior.js';

/** Temperature of a souring crock: measured where it was, else relaxing towards its surroundings. */
export interface WarmPlace {
  readonly aroundC: number;
  /** Time constant of crock and place for the nominal member, min. */
  readonly tauMin: number;
  /** The last temperature measured between two minutes of the souring. */
  readonly measured?: MeasuredTemps | undefined;
  /** How far the surroundings are from `aroundC` at a minute of the souring, °C; they stand still where left out. */
  readonly swingC?: ((min: number) => number) | undefined;
}

/** A souring to forecast: everything nominal; the ensemble spreads about it. */
export interface SouringProblem {
  readonly law: SouringLaw;
  /** What is known of the starter; the usual one's where left out. */
  readonly starter?: StarterPrior | undefined;
  readonly biomass: number;
  readonly lagQ: number;
  /** Other cultures in the same milk; none when left out. */
  readonly beside?:
    readonly { readonly law: SouringLaw; readonly biomass: number; readonly lagQ: number }[] | undefined;
  readonly lacticMolPerKg: number;
  readonly tempC: number;
  readonly place: WarmPlace;
  readonly targetPh: number;
  /** pH from which this milk is a gel; null where something else may have made one of it, and a set says nothing of the acid. */
  readonly gelPh: number | null;
  readonly horizonMin: number;
  /** What earlier batches of this culture in this place taught; without it the standard prior. */
  readonly prior?: ScorePrior | undefined;
  /** Temperatures read of the crock as it soured, in order of time: they speak for the place. */
  readonly temps?: readonly KnownTemp[] | undefined;
}

/** A souring with what is known of it beforehand. */
export type KnownSouring = SouringProblem & { readonly prior: ScorePrior };

/** A member as a vector of standard scores, in this order. */
export const SCORES = [
  'activity',
  'lag',
  'mu',
  'acid',
  'phShift',
  'incubatorOffsetC',
  'heatLoss',
  'pace',
  'buffer',
] as const;
export const DIMS = SCORES.length;

/** How far a place stands off at a standard score, °C: usually by a degree at most, now and then by several. */
export const placeOffsetC = (z: number): number =>
  MEMBER_SPREAD.incubatorOffsetC * z * (1 + (z / PLACE_STRAYS_FROM) ** 4);

/** Standard score at which a place stands off twice as far as a normal spread would have it. */
const PLACE_STRAYS_FROM = 3;

/** The member that a vector of scores stands for, a living one. */
export function memberOfScores({ spread }: Culture, z: ArrayLike<number>, at = 0): Member {
  return {
    ...NOMINAL_MEMBER,
    life: 'alive',
    activity: Math.exp(spread.activity * z[at]!),
    lag: Math.exp(spread.lag * z[at + 1]!),
    mu: Math.exp(spread.mu * z[at + 2]!),
    acid: Math.exp(spread.acid * z[at + 3]!),
    phShift: MEMBER_SPREAD.phShift * z[at + 4]!,
    incubatorOffsetC: placeOffsetC(z[at + 5]!),
    heatLoss: Math.exp(MEMBER_SPREAD.heatLoss * z[at + 6]!),
    pace: Math.exp(PACE_SD.active * z[at + 7]!),
    buffer: Math.exp(MEMBER_SPREAD.buffer * z[at + 8]!),
  };
}

export const STANDARD_PRIOR: ScorePrior = standardPrior(DIMS);

/** The prior of a starter of which no make has taught anything: the narrower the better it is known where it comes from. */
export const starterScores = ({ paceSd }: StarterPrior): ScorePrior => ({
  ...STANDARD_PRIOR,
  sd: SCORES.map((score) => (score === 'pace' ? paceSd / PACE_SD.active : 1)),
});

/** A problem's prior made ready: normal, but for a few starters that are nearly dead. */
export const priorOf = ({ prior = STANDARD_PRIOR }: Pick<SouringProblem, 'prior'>): ReadyPrior =>
  readyPrior(prior, WEAK_STARTER);

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
    const member = memberOfScores(problem.law.culture, points, i * DIMS);
    const start = startOf(problem, member);
    const temperature = {
      startC: problem.tempC,
      aroundC: place.aroundC + member.incubatorOffsetC,
      tauMin: place.tauMin / member.heatLoss,
      measuredC,
      swingC,
    };
    if (problem.beside?.length) {
      const mixed = mixedOf(problem, start);
      readyMin[i] = followMixed(mixed, (min) => temperatureAt(temperature, min), questions, phAt, i, count);
    } else {
      inoculate(law, crock, start);
      readyMin[i] = followCourse(law, crock, temperature, questions, { phAt, offset: i, stride: count });
    }
  }
  return { count, readyMin, phAt, askedMin };
}

/** How a member's crock begins. */
function startOf(problem: SouringProblem, member: Member): Required<SouringStart> {
  return {
    biomass: problem.biomass * member.activity,
    lagQ: problem.lagQ * member.lag,
    lacticMolPerKg: problem.lacticMolPerKg,
    ...souringFactors(member),
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
  const { measured } = place;
  if (!measured) return new Float64Array(0);
  const course = Float64Array.from({ length: Math.ceil(horizonMin / MEASURED_EVERY_MIN) }, (_, i) => {
    const [from, middle, to] = [i, i + 0.5, i + 1].map((at) => at * MEASURED_EVERY_MIN);
    return (measured(from!, middle!) ?? measured(middle!, to!))?.tempC ?? NaN;
  });
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
  points: Float64Array,
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
  for (let i = 0; i < count; i++)
    log[i]! += placeLikelihood(problem, memberOfScores(problem.law.culture, points, i * DIMS));
  return { log, wrong };
}
