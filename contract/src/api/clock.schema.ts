import Joi from 'joi';
import { CLOCK_RATES } from './clock.js';
import { moment } from './entry-parts.js';

/** How the demonstration's clock is to run from now on, and the moment it jumps to; at least one of the two. */
export interface ClockChange {
  readonly rate?: number;
  readonly kitchenMs?: number;
}

export const clockChangeSchema: Joi.ObjectSchema<ClockChange> = Joi.object({
  rate: Joi.valid(...CLOCK_RATES),
  kitchenMs: moment,
}).or('rate', 'kitchenMs');
