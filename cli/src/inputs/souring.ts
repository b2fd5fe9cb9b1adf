import Joi from 'joi';
import { pct, tempC } from './bounds.js';
import { cultureId, starter } from './starter.js';
import { trace } from './trace.js';

const milk = Joi.object({
  fatPct: pct(0, 50).required(),
  proteinPct: pct(0.5, 12).required(),
  treatment: Joi.valid('raw', '63C-30min', '72C-15s', 'ultra-heated', 'ultrafiltered').default('72C-15s'),
});

/** What is to sour, of what, how warm and how far. */
export const souringFields = {
  culture: cultureId.required(),
  // Raw milk clabbers by itself; nothing else sours without a starter. A packet says itself how much of it there is.
  dosePct: Joi.when('starter.form', {
    is: 'packet',
    then: Joi.forbidden(),
    otherwise: Joi.number()
      .min(0)
      .max(50)
      .required()
      .when('culture', { is: 'clabber', otherwise: Joi.number().greater(0) }),
  }),
  starter: starter.required(),
  milk: milk.required(),
  denaturedPct: pct(0, 100),
  tempC,
  trace: trace(0, 100),
  targetPh: Joi.number().min(3.6).max(6.4).required(),
  hours: Joi.number().greater(0).max(240).required(),
};
