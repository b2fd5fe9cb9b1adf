import { standardPrior, type ScorePrior } from '../assimilate/score-prior.js';
import { THERMOMETER } from '../constants/evidence.js';
import { MEMBER_SPREAD, type Member } from '../environment/environment.js';
import { DIMS, placeOffsetC, SCORES, type SouringProblem } from './souring-ensemble.js';

/**
 * Log likelihood of the temperatures read of a souring crock, for a place as a member has it: each is compared with what
 * the crock has come to by then from where it began. So a reading equal to the modelled one speaks for no change, however
 * far the crock still is from its surroundings, and an early one says little of them.
 *
 * A thermometer's own error goes through all its readings: many of them count for fewer. Any one may be plain wrong: the
 * errors are Student's, whose tails let it be.
 */
export function placeLikelihood(
  problem: SouringProblem,
  { incubatorOffsetC, heatLoss }: Pick<Member, 'incubatorOffsetC' | 'heatLoss'>,
): number {
  const { temps, place, tempC } = problem;
  if (!temps?.length) return 0;
  const tauMin = place.tauMin / heatLoss;
  const sdC = Math.hypot(THERMOMETER.ownSdC, THERMOMETER.scatterSdC);
  let log = 0;
  for (const { minute, tempC: readC } of temps) {
    const aroundC = place.aroundC + incubatorOffsetC + (place.swingC?.(minute / 2) ?? 0);
    const off = (readC - aroundC - (tempC - aroundC) * Math.exp(-minute / tauMin)) / sdC;
    log -= 0.5 * (THERMOMETER.freedom + 1) * Math.log1p((off * off) / THERMOMETER.freedom);
  }
  const shared = (THERMOMETER.ownSdC / sdC) ** 2;
  return log / (1 + (temps.length - 1) * shared);
}

/** What temperatures say of a place by themselves. */
export interface PlaceFound {
  /** Natural logarithm of their mean likelihood under what was known of the place: it speaks of no culture. */
  readonly logEvidence: number;
  /** Mean and standard deviation of the score of its offset. */
  readonly mean: number;
  readonly sd: number;
}

/** Standard scores over which a place is averaged: how far it is off, and how much it loses. */
const OFF = Array.from({ length: 161 }, (_, i) => (i - 80) / 20);
const LOSES = [-1.5, 0, 1.5] as const;

/** The place by the temperatures alone, summed up over a grid. */
export function placeFound(problem: SouringProblem): PlaceFound {
  const { temps, prior = standardPrior(DIMS) } = problem;
  const [off, loses] = [SCORES.indexOf('incubatorOffsetC'), SCORES.indexOf('heatLoss')];
  const at = ({ mean, sd }: ScorePrior, d: number, z: number) => mean[d]! + sd[d]! * z;
  if (!temps?.length) return { logEvidence: 0, mean: prior.mean[off]!, sd: prior.sd[off]! };
  const worlds = OFF.flatMap((x) =>
    LOSES.map((y) => {
      const score = at(prior, off, x);
      const heatLoss = Math.exp(MEMBER_SPREAD.heatLoss * at(prior, loses, y));
      const log = placeLikelihood(problem, { incubatorOffsetC: placeOffsetC(score), heatLoss });
      return { score, share: Math.exp(-0.5 * (x * x + y * y)), log };
    }),
  );
  const high = Math.max(...worlds.map(({ log }) => log));
  const weights = worlds.map(({ share, log }) => share * Math.exp(log - high));
  const total = weights.reduce((a, b) => a + b);
  const mean = worlds.reduce((sum, { score }, i) => sum + weights[i]! * score, 0) / total;
  const variance = worlds.reduce((sum, { score }, i) => sum + weights[i]! * (score - mean) ** 2, 0) / total;
  const shares = worlds.reduce((sum, { share }) => sum + share, 0);
  return { logEvidence: high + Math.log(total / shares), mean, sd: Math.sqrt(variance) };
}
