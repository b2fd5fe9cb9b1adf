import { WEAK_STARTER } from '../constants/evidence.js';
import { MEMBER_SPREAD, NOMINAL_MEMBER, type Member } from '../environment/environment.js';
import { emptyMembers, ENSEMBLE_STEP_MIN, memberPh, sourAll, type SouringLaw } from '../physics/souring.js';
import { readingLikelihood, type SouringReading } from '../assimilate/evidence.js';
import type { Random } from '../random/random.js';

/** Temperature of a souring crock: measured where it was, else relaxing towards its surroundings. */
export interface WarmPlace {
  readonly aroundC: number;
  /** Time constant of crock and place for the nominal member, min. */
  readonly tauMin: number;
  /** Measured temperature by minute of the souring, or null. */
  readonly measuredC?: ((min: number) => number | null) | undefined;
}

/** A souring to forecast: everything nominal; the ensemble spreads about it. */
export interface SouringProblem {
  readonly law: SouringLaw;
  readonly biomass: number;
  readonly lagQ: number;
  readonly lacticMolPerKg: number;
  readonly tempC: number;
  readonly place: WarmPlace;
  readonly targetPh: number;
  readonly gelPh: number;
  readonly horizonMin: number;
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

/** Draws the scores of one member: standard normal, but for a few starters that are nearly dead. */
export function drawScores(normal: () => number, random: Random, out: Float64Array, offset: number): void {
  for (let d = 0; d < DIMS; d++) out[offset + d] = normal();
  if (random() < WEAK_STARTER.share) out[offset] = WEAK_STARTER.centre + WEAK_STARTER.width * normal();
}

/** Log density of a member's scores, up to (2π)^(−dims/2). */
export function logPriorOfScores(points: Float64Array, offset: number): number {
  let log = 0;
  for (let d = 1; d < DIMS; d++) log -= 0.5 * points[offset + d]! ** 2;
  const vigour = points[offset]!;
  const weak = (vigour - WEAK_STARTER.centre) / WEAK_STARTER.width;
  const usual = (1 - WEAK_STARTER.share) * Math.exp(-0.5 * vigour ** 2);
  return log + Math.log(usual + (WEAK_STARTER.share / WEAK_STARTER.width) * Math.exp(-0.5 * weak ** 2) + 1e-300);
}

/** What a simulated ensemble shows. Row i of `phAt` holds member i's pH at each asked minute. */
export interface EnsembleRun {
  /** Minutes to the target pH; Infinity where not within the horizon. */
  readonly readyMin: Float64Array;
  readonly phAt: Float32Array;
  readonly askedMin: readonly number[];
}

/**
 * Simulates every member from the start of its souring to the horizon, in steps of {@link ENSEMBLE_STEP_MIN}.
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
  const members = emptyMembers(count);
  const tempC = new Float64Array(count).fill(problem.tempC);
  const aroundC = new Float64Array(count);
  const keeps = new Float64Array(count);
  const dt = ENSEMBLE_STEP_MIN;
  for (let i = 0; i < count; i++) {
    const member = memberFromScores(problem, points, i * DIMS);
    members.biomass[i] = problem.biomass * member.vitality;
    members.lagQ[i] = problem.lagQ * member.lag;
    members.lacticMolPerKg[i] = problem.lacticMolPerKg;
    members.muFactor[i] = member.mu;
    members.acidFactor[i] = member.acid;
    members.phShift[i] = member.phShift;
    aroundC[i] = problem.place.aroundC + member.keeperOffsetC;
    keeps[i] = Math.exp((-dt * member.heatLoss) / problem.place.tauMin);
  }
  const readyMin = new Float64Array(count).fill(Infinity);
  const phAt = new Float32Array(count * askedMin.length);
  const phBefore = Float64Array.from({ length: count }, (_, i) => memberPh(problem.law, members, i));
  let asked = 0;
  while (asked < askedMin.length && askedMin[asked]! <= 0) {
    for (let i = 0; i < count; i++) phAt[i * askedMin.length + asked] = phBefore[i]!;
    asked++;
  }
  const meanC = new Float64Array(count);
  const { targetPh } = problem;
  for (let min = 0; min < horizonMin; min += dt) {
    const measured = problem.place.measuredC?.(min + dt / 2) ?? null;
    for (let i = 0; i < count; i++) {
      const next = aroundC[i]! + (tempC[i]! - aroundC[i]!) * keeps[i]!;
      meanC[i] = measured ?? (tempC[i]! + next) / 2;
      tempC[i] = measured ?? next;
    }
    sourAll(problem.law, members, meanC, dt);
    const first = asked;
    while (asked < askedMin.length && askedMin[asked]! <= min + dt) asked++;
    for (let i = 0; i < count; i++) {
      const ph = memberPh(problem.law, members, i);
      const before = phBefore[i]!;
      if (ph <= targetPh && before > targetPh) readyMin[i] = min + (dt * (before - targetPh)) / (before - ph);
      for (let a = first; a < asked; a++) {
        phAt[i * askedMin.length + a] = before + ((ph - before) * (askedMin[a]! - min)) / dt;
      }
      phBefore[i] = ph;
    }
  }
  return { readyMin, phAt, askedMin };
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
    const column = run.askedMin.indexOf(reading.min);
    for (let i = 0; i < count; i++) {
      const seen = readingLikelihood(reading, run.phAt[i * run.askedMin.length + column]!, problem.gelPh);
      log[i]! += seen.log;
      wrong[r]![i] = seen.wrong;
    }
  });
  return { log, wrong };
}
