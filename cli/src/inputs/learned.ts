import Joi from 'joi';

/** What "learn" gave, as it gave it. */
export const learned = Joi.object({
  known: Joi.array()
    .items(
      Joi.object({
        of: Joi.string().min(1).max(120).required(),
        score: Joi.string().min(1).max(40).required(),
        mean: Joi.number().required(),
        sd: Joi.number().min(0).required(),
        makes: Joi.number().integer().min(0).required(),
        factor: Joi.number(),
        p10: Joi.number(),
        p90: Joi.number(),
      }),
    )
    .max(400)
    .required(),
  covariance: Joi.array().items(Joi.number()).max(160_000).required(),
})
  .custom((l: { known: unknown[]; covariance: unknown[] }, helpers) =>
    l.covariance.length === l.known.length ** 2 ? l : helpers.error('learned.square'),
  )
  .messages({ 'learned.square': '{{#label}} must have one row and one column of covariance for each score' });
