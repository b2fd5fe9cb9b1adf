import Joi from 'joi';

/** A temperature over time, linear between its points. */
export const trace = (lowestC: number, highestC: number) =>
  Joi.array()
    .items(
      Joi.object({
        min: Joi.number().min(0).max(100_000).required(),
        tempC: Joi.number().min(lowestC).max(highestC).required(),
      }),
    )
    .min(2)
    .max(10_000)
    .custom((points: { min: number }[], helpers) =>
      points.every((p, i) => i === 0 || p.min >= points[i - 1]!.min) ? points : helpers.error('trace.order'),
    )
    .messages({ 'trace.order': '{{#label}} must go forward in time' });
