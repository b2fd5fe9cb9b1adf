import {
  drainageCourse,
  type DrainMethod,
  forecastDrain,
  minutesForWhey,
  wheyAfter,
  wheyForSolids,
} from '@oat-crock/core';
import Joi from 'joi';
import { pct } from '../inputs/bounds.js';
import type { Verb } from '../verb.js';

/** Solids of yogurt whey where only the curd's solids are known, fraction. */
const USUAL_WHEY_SOLIDS = 0.063;

/** Whole-milk yogurt as it sets: solids and fat, fractions. */
const SET = { solids: 0.13, fat: 0.036 } as const;

/** Fat of a curd of which only the solids are known: whole-milk yogurt, as far drained as its solids say. */
function usualFat(solids: number): number {
  const drained = (solids - USUAL_WHEY_SOLIDS) / (SET.solids - USUAL_WHEY_SOLIDS);
  return SET.fat * Math.max(drained, solids / SET.solids);
}

const run = (i: {
  massG: number;
  solidsPct: number;
  method: DrainMethod;
  clothAreaCm2?: number;
  tempC: number;
  targetSolidsPct: number;
  weighed?: { min: number; wheyG: number }[];
}) => {
  const solids = i.solidsPct / 100;
  const wheyG = wheyForSolids(i.massG, solids, USUAL_WHEY_SOLIDS, i.targetSolidsPct / 100);
  const course = drainageCourse({ ...i, solids, fat: usualFat(solids), wheySolids: USUAL_WHEY_SOLIDS });
  const learned = i.weighed?.length ? forecastDrain(course, wheyG, i.weighed) : null;
  const minutes = learned ? learned.p50Min : minutesForWhey(course, wheyG);
  const shown = {
    wheyEndG: course.wheyEndG * (learned?.reachFactor ?? 1),
    tauMin: course.tauMin * (learned?.timeFactor ?? 1),
    ...(learned && { exponent: learned.exponent }),
  };
  const lastMin = minutes ?? 6 * shown.tauMin;
  return {
    productG: i.massG - wheyG,
    wheyG,
    hours: minutes === null ? null : minutes / 60,
    series: Array.from({ length: 25 }, (_, k) => {
      const min = (lastMin * k) / 24;
      return { min, wheyG: wheyAfter(shown, min) };
    }),
  };
};

/** Product, whey and hours to wanted solids. */
export const verb: Verb = {
  says: 'Product, whey and hours to wanted solids; weighed whey corrects the hours.',
  example: { massG: 1000, solidsPct: 13, method: 'hung', tempC: 4, targetSolidsPct: 21 },
  schema: Joi.object({
    massG: Joi.number().min(10).max(200_000).required(),
    solidsPct: pct(8, 35).required(),
    method: Joi.valid('flat', 'hung', 'pressed').required(),
    clothAreaCm2: Joi.number().min(10).max(100_000),
    tempC: Joi.number().min(0).max(45).required(),
    targetSolidsPct: pct(8, 45).required(),
    weighed: Joi.array()
      .items(
        Joi.object({
          min: Joi.number().min(0).max(20_000).required(),
          wheyG: Joi.number().min(0).max(200_000).required(),
        }),
      )
      .max(500),
  }),
  run,
};
