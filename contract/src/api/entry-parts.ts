import Joi from 'joi';

/** A ULID: 26 characters of Crockford's base 32, made by whoever writes the thing it names. */
export const ulid = Joi.string().pattern(/^[0-9A-HJKMNP-TV-Z]{26}$/, 'ULID');

/** A moment, ms since the epoch, between 2000 and 2100. */
export const moment = Joi.number().integer().min(946_684_800_000).max(4_102_444_800_000);

/** A day of the calendar that there is, "2026-05-02". */
export const day = Joi.string().custom((value: string, helpers: Joi.CustomHelpers) =>
  isDay(value) ? value : helpers.error('string.isoDate'),
);

function isDay(value: string): boolean {
  const atMs = /^\d{4}-\d{2}-\d{2}$/.test(value) ? Date.parse(`${value}T00:00:00Z`) : NaN;
  return !Number.isNaN(atMs) && new Date(atMs).toISOString().startsWith(value);
}

/** What a make is decided by, as far as a shape can say: a method says which of its choices may have which values. */
export const choicesOfAMake = Joi.object()
  .pattern(Joi.string().max(40), Joi.alternatives(Joi.number(), Joi.string().max(60)))
  .max(120);
