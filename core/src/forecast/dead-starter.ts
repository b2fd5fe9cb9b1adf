import { readingLikelihood, type SouringReading } from '../assimilate/evidence.js';
import { MEMBER_SPREAD } from '../environment/environment.js';
import { phFromTable } from '../physics/buffer.js';
import { placeFound } from './place-likelihood.js';
import { SCORES, STANDARD_PRIOR, type SouringProblem } from './souring-ensemble.js';

/** A souring whose starter is dead, against what was read of it. */
export interface DeadStarter {
  /** pH at which the milk stays. */
  readonly ph: number;
  /** Natural logarithm of the mean likelihood of all that was read, temperatures included. */
  readonly logEvidence: number;
  /** Chance (0–1) that each reading is wrong, were the starter dead. */
  readonly wrong: readonly number[];
}

/** Shifts of a milk's pH, in standard deviations, over which the dead crock is averaged; the step is even. */
const SHIFTS = [-3, -2.25, -1.5, -0.75, 0, 0.75, 1.5, 2.25, 3] as const;

/** What was read, as milk that stays as it is would show it: only its own pH is not known exactly. */
export function deadStarter(problem: SouringProblem, readings: readonly SouringReading[]): DeadStarter {
  const { law, lacticMolPerKg, gelPh, prior = STANDARD_PRIOR } = problem;
  const at = SCORES.indexOf('phShift');
  const ph = phFromTable(law.ph, lacticMolPerKg) + MEMBER_SPREAD.phShift * prior.mean[at]!;
  const worlds = SHIFTS.map((z) => {
    const here = ph + MEMBER_SPREAD.phShift * prior.sd[at]! * z;
    const seen = readings.map((reading) => readingLikelihood(reading, here, gelPh));
    return { seen, log: seen.reduce((sum, { log }) => sum + log, 0), prior: Math.exp(-0.5 * z * z) };
  });
  const high = Math.max(...worlds.map(({ log }) => log));
  const weights = worlds.map(({ log, prior: share }) => share * Math.exp(log - high));
  const total = weights.reduce((a, b) => a + b);
  const priorTotal = worlds.reduce((sum, world) => sum + world.prior, 0);
  return {
    ph,
    logEvidence: high + Math.log(total / priorTotal) + placeFound(problem).logEvidence,
    wrong: readings.map((_, r) => worlds.reduce((sum, { seen }, i) => sum + (weights[i]! / total) * seen[r]!.wrong, 0)),
  };
}
