import Joi from 'joi';
import { CLOCK_RATES } from './clock.js';

/** How fast the demonstration's clock is to run. */
export const clockRateSchema: Joi.ObjectSchema<{ rate: number }> = Joi.object({
  rate: Joi.valid(...CLOCK_RATES).required(),
});
