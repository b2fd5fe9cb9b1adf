import type { Entry } from '@oat-crock/core';
import Joi from 'joi';
import { READING_BOUNDS } from './entry.js';

/** A ULID: 26 characters of Crockford's base 32, made by whoever writes the entry. */
export const ulid = Joi.string().pattern(/^[0-9A-HJKMNP-TV-Z]{26}$/, 'ULID');

/** A moment, ms since the epoch, between 2000 and 2100. */
export const moment = Joi.number().integer().min(946_684_800_000).max(4_102_444_800_000);

const text = (most: number) => Joi.string().trim().min(1).max(most);

const choices = Joi.object()
  .pattern(Joi.string().max(40), Joi.alternatives(Joi.number(), Joi.string().max(60)))
  .max(60);

const reading = Joi.object({
  type: Joi.valid('reading').required(),
  quantity: Joi.valid('tempC', 'ph', 'wheyG', 'productG').required(),
  value: Joi.number()
    .required()
    .when('quantity', {
      switch: Object.entries(READING_BOUNDS).map(([quantity, { min, max }]) => ({
        is: quantity,
        then: Joi.number().min(min).max(max),
      })),
    }),
  by: Joi.valid('meter', 'strip', 'thermometer', 'scale').required(),
});

const mark = Joi.number().integer().min(1).max(5).required();

/** What an entry may say; a correction is the same again or null. */
const BODIES = {
  started: Joi.object({
    type: Joi.valid('started').required(),
    methodId: text(60).required(),
    choices: choices.required(),
    name: text(80).required(),
  }),
  step: Joi.object({ type: Joi.valid('step').required(), stageId: text(40).required() }),
  reading,
  cue: Joi.object({
    type: Joi.valid('cue').required(),
    cue: text(40).required(),
    answer: text(60).required(),
  }),
  note: Joi.object({ type: Joi.valid('note').required(), text: text(2000).required() }),
  finished: Joi.object({
    type: Joi.valid('finished').required(),
    productG: Joi.number().min(0).max(100_000).required(),
    wheyG: Joi.number().min(0).max(100_000).allow(null).required(),
    heldBackG: Joi.number().min(0).max(100_000).allow(null).required(),
    score: Joi.object({ sourness: mark, thickness: mark, smoothness: mark, taste: mark }).allow(null).required(),
  }),
  discarded: Joi.object({ type: Joi.valid('discarded').required(), reason: text(500).required() }),
};

/** Picks the schema that a body's own `type` names, so that an error speaks of that body's fields. */
function bodyOf(schemas: Readonly<Record<string, Joi.ObjectSchema>>): Joi.AlternativesSchema {
  return Joi.alternatives().conditional('.type', {
    switch: Object.entries(schemas).map(([type, then]) => ({ is: type, then })),
    otherwise: Joi.object({ type: Joi.valid(...Object.keys(schemas)).required() }).unknown(true),
  });
}

const correction = Joi.object({
  type: Joi.valid('correction').required(),
  replaces: ulid.required(),
  body: bodyOf(BODIES).allow(null).required(),
});

export const entryBodySchema = bodyOf({ ...BODIES, correction });

/** One line of a log, as a client sends it. */
export const entrySchema: Joi.ObjectSchema<Entry> = Joi.object({
  id: ulid.required(),
  batchId: ulid.required(),
  atMs: moment.required(),
  source: text(40).required(),
  body: entryBodySchema.required(),
});

/** A few entries sent together. */
export const entriesSchema: Joi.ObjectSchema<{ entries: Entry[] }> = Joi.object({
  entries: Joi.array().items(entrySchema).min(1).max(500).required(),
});

/** What of the log is asked for, in an address: entries after a place in its order; all of them by default. */
export const afterSchema: Joi.ObjectSchema<{ after: number }> = Joi.object({
  after: Joi.number().integer().min(0).default(0),
}).prefs({ convert: true });
