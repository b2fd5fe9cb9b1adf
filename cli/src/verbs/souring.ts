import {
  keepAt,
  memberOfScores,
  MOLAR_G,
  SOURING_STEP_MIN,
  souringCrock,
  souringFactors,
  sourStep,
  TAKEN_FOR_DEAD,
} from '@oat-crock/core';
import Joi from 'joi';
import { learned } from '../inputs/learned.js';
import { alongTracePoints, problemOf, type SouringInput } from '../souring-problem.js';
import { souringFields } from '../inputs/souring.js';
import type { Verb } from '../verb.js';

function run(i: SouringInput): object {
  const problem = problemOf(i);
  const crock = souringCrock(problem.law, expectedStart(problem));
  const temperature = i.trace ? alongTracePoints(i.trace) : () => problem.tempC;
  const series = [point(0)];
  let toGel: number | null = null;
  let toTarget: number | null = null;
  for (let min = 0; min < problem.horizonMin; min += SOURING_STEP_MIN) {
    const step = Math.min(SOURING_STEP_MIN, problem.horizonMin - min);
    keepAt(problem.law, crock, temperature(min + step / 2));
    sourStep(problem.law, crock, step);
    series.push(point(min + step));
    if (problem.gelPh !== null) toGel ??= crossing(series, problem.gelPh);
    toTarget ??= crossing(series, problem.targetPh);
  }
  return { hoursToTarget: toTarget, hoursToGel: toGel, series };

  function point(min: number) {
    return {
      min,
      tempC: temperature(min),
      ph: crock.ph,
      lacticPct: (crock.lacticMolPerKg * MOLAR_G.lactic) / 10,
    };
  }
}

/** The crock as it is most likely begun: dead where the starter is given up, else by what was learned of its culture. */
function expectedStart(problem: ReturnType<typeof problemOf>) {
  const { law, biomass, lagQ, lacticMolPerKg, starter, prior } = problem;
  const member = memberOfScores(law.culture, prior.mean);
  const living = starter.deadChance < TAKEN_FOR_DEAD;
  return {
    biomass: living ? biomass * member.activity : 0,
    lagQ: lagQ * member.lag,
    lacticMolPerKg,
    ...souringFactors(member),
  };
}

/** Hours at which the last two points of a falling pH cross a value; null where they do not. */
function crossing(series: readonly { min: number; ph: number }[], ph: number): number | null {
  const b = series[series.length - 1]!;
  const a = series[series.length - 2]!;
  if (b.ph > ph) return null;
  if (a.ph <= ph) return a.min / 60;
  return (a.min + ((b.min - a.min) * (a.ph - ph)) / (a.ph - b.ph)) / 60;
}

/** Souring at a temperature or along a trace. */
export const verb: Verb = {
  says: 'Souring at a temperature or along a trace: hours to the gel and to a pH; null where it never gets there.',
  example: {
    culture: 'thermophilic',
    dosePct: 2.5,
    starter: { form: 'active', ageDays: 0, store: 'cold' },
    milk: { fatPct: 3.6, proteinPct: 3.3, treatment: '72C-15s' },
    denaturedPct: 95,
    tempC: 43,
    targetPh: 4.6,
    hours: 12,
  },
  schema: Joi.object({ ...souringFields, learned }).xor('tempC', 'trace'),
  run,
};
