import { forecastSouring, type SouringReading, answerId, CUE_MODELS } from '@oat-crock/core';
import Joi from 'joi';
import { seed } from '../inputs/bounds.js';
import { learned } from '../inputs/learned.js';
import { problemOf, type SouringInput } from '../souring-problem.js';
import { souringFields } from '../inputs/souring.js';
import type { Verb } from '../verb.js';

const run = (i: SouringInput & { readings: CliReading[]; members: number; seed: number }) => {
  const forecast = forecastSouring(problemOf(i), i.readings.map(namedCue), {
    members: i.members,
    seed: i.seed,
    fanPoints: 49,
  });
  const hours = (min: number | null) => (min === null ? null : min / 60);
  return {
    p10H: hours(forecast.p10Min),
    p50H: hours(forecast.p50Min),
    p90H: hours(forecast.p90Min),
    deadPct: 100 * forecast.deadChance,
    doubtful: forecast.doubtful,
    series: forecast.fan,
  };
};

type CliReading = { min: number; ph: number; by: 'meter' | 'strip' } | { min: number; cue: string };

/** Which look each answer belongs to, by its id: at the command line a look is given by its answer alone. */
const LOOK_OF = new Map(
  Object.entries(CUE_MODELS).flatMap(([cue, { answers }]) => answers.map((answer) => [answer, cue] as const)),
);
/** Answers as they may be given: by their ids, or in words. */
const ANSWERS = [...new Set([...LOOK_OF.keys()].flatMap((id) => [id, id.replaceAll('-', ' ')]))];

function namedCue(reading: CliReading): SouringReading {
  if ('ph' in reading) return reading;
  const answer = answerId(reading.cue);
  return { min: reading.min, cue: LOOK_OF.get(answer)!, answer };
}

const reading = Joi.alternatives().conditional('.ph', {
  is: Joi.exist(),
  then: Joi.object({
    min: Joi.number().min(0).max(14_400).required(),
    ph: Joi.number().min(2.5).max(9).required(),
    by: Joi.valid('meter', 'strip').required(),
  }),
  otherwise: Joi.object({
    min: Joi.number().min(0).max(14_400).required(),
    cue: Joi.valid(...ANSWERS).required(),
  }),
});

/** The same as an ensemble, weighed by readings and cues. */
export const verb: Verb = {
  says: 'The same as an ensemble, weighed by readings and cues: hours at P10, P50 and P90.',
  example: {
    culture: 'thermophilic',
    dosePct: 2.5,
    starter: { form: 'active', ageDays: 4, store: 'cold' },
    milk: { fatPct: 3.6, proteinPct: 3.3, treatment: '72C-15s' },
    denaturedPct: 95,
    tempC: 43,
    targetPh: 4.6,
    hours: 12,
    readings: [
      { min: 150, ph: 5.6, by: 'meter' },
      { min: 190, cue: 'wobbles' },
    ],
    members: 2000,
    seed: 7,
  },
  schema: Joi.object({
    ...souringFields,
    readings: Joi.array().items(reading).max(200).required(),
    learned,
    members: Joi.number().integer().min(100).max(20_000).default(2000),
    seed,
  }).xor('tempC', 'trace'),
  run,
};
