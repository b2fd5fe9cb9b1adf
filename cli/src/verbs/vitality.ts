import { english } from '@oat-crock/messages';
import { type Starter, starterActivity, starterAdvice } from '@oat-crock/core';
import Joi from 'joi';
import { starterFields } from '../inputs/starter.js';
import type { Verb } from '../verb.js';

const run = (starter: Starter) => ({
  relative: starterActivity(starter),
  advice: english(starterAdvice(starter)),
});

/** Share of a fresh starter’s activity that is left (1 = fresh), and what to do about it. */
export const verb: Verb = {
  says: 'Share of a fresh starter’s activity that is left (1 = fresh), and what to do about it.',
  example: { form: 'active', store: 'cold', tempC: 4, ageDays: 9, generation: 3 },
  schema: Joi.object({
    ...starterFields,
    tempC: Joi.number().min(-80).max(45),
    generation: Joi.number().integer().min(0).max(1000).default(0),
  }),
  run,
};
