import Joi from 'joi';

/** A percentage within bounds. */
export const pct = (min: number, max: number) => Joi.number().min(min).max(max);

/** A temperature that milk may have, °C. */
export const tempC = Joi.number().min(0).max(100);

/** What a random stream is begun with. */
export const seed = Joi.number().integer().min(0).max(4_294_967_295).default(1);
