import Joi from 'joi';
import { moment, ulid } from './entry-parts.js';
import { treatment } from './larder.schema.js';
import { MOST_SETTLED } from './orders.js';
import type { Supply } from './supplies.js';
import { tagged } from './tagged.js';

/** When something comes. */
const comes = tagged('is', {
  once: Joi.object({ is: Joi.valid('once').required(), atMs: moment.required() }),
  weekly: Joi.object({
    is: Joi.valid('weekly').required(),
    days: Joi.array().items(Joi.number().integer().min(0).max(6)).unique().min(1).max(7).required(),
    atH: Joi.number().min(0).less(24).required(),
    fromMs: moment.required(),
  }),
});

/** Milk or cream that is brought. */
export const supplySchema: Joi.ObjectSchema<Supply> = Joi.object({
  id: ulid.required(),
  kind: Joi.valid('milk', 'cream').required(),
  name: Joi.string().trim().min(1).max(80).required(),
  massG: Joi.number().min(100).max(500_000).required(),
  comes: comes.required(),
  keepsDays: Joi.number().integer().min(1).max(60).required(),
  fatPct: Joi.number().min(0).max(60).required(),
  proteinPct: Joi.number().min(0).max(12).required(),
  treatment,
  price: Joi.number().min(0).max(10_000).required(),
  note: Joi.string().allow('').max(500).required(),
  settled: Joi.array().items(Joi.string().min(1).max(60)).unique().max(MOST_SETTLED),
});
