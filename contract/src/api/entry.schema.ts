import { FAULT_IDS, ISSUED_HOW, PRODUCT_STORES, type Entry } from '@oat-crock/core';
import Joi from 'joi';
import { choicesOfAMake, day, moment, ulid } from './entry-parts.js';
import { READING_BOUNDS } from './entry.js';
import { lotStockSchema } from './larder.schema.js';
import { methodSchema } from './method.schema.js';
import { tagged } from './tagged.js';

const text = (most: number) => Joi.string().trim().min(1).max(most);

const reading = Joi.object({
  type: Joi.valid('reading').required(),
  quantity: Joi.valid(...Object.keys(READING_BOUNDS)).required(),
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

/** A decision for others to rely on: who took it, and why. */
const decision = (type: 'held' | 'released') =>
  Joi.object({ type: Joi.valid(type).required(), by: text(80).required(), reason: text(500).required() });

/** So many whole pots, or so many grams of what was not put into any. */
const counted = (fields: Joi.PartialSchemaMap) =>
  Joi.object({
    ...fields,
    pots: Joi.number().integer().min(1).max(10_000),
    massG: Joi.number().greater(0).max(100_000),
  }).xor('pots', 'massG');

/** What an entry may say; a correction is the same again or null. */
const BODIES = {
  started: Joi.object({
    type: Joi.valid('started').required(),
    methodId: text(60).required(),
    choices: choicesOfAMake.required(),
    name: text(80).required(),
    stocks: Joi.array().items(lotStockSchema).max(12),
    gear: Joi.array().items(ulid).max(12),
    method: methodSchema,
  }),
  took: Joi.object({
    type: Joi.valid('took').required(),
    lotId: ulid.required(),
    massG: Joi.number().greater(0).max(1_000_000).required(),
  }),
  step: Joi.object({ type: Joi.valid('step').required(), stageId: text(40).required() }),
  reading,
  cue: Joi.object({
    type: Joi.valid('cue').required(),
    cue: text(40).required(),
    answer: text(60).required(),
  }),
  added: Joi.object({
    type: Joi.valid('added').required(),
    what: Joi.valid('acid', 'salt', 'whey', 'water').required(),
    massG: Joi.number().greater(0).max(100_000).required(),
  }),
  held: decision('held'),
  released: decision('released'),
  note: Joi.object({ type: Joi.valid('note').required(), text: text(2000).required() }),
  photo: Joi.object({
    type: Joi.valid('photo').required(),
    photoId: ulid.required(),
    text: Joi.string().trim().allow('').max(200).required(),
  }),
  finished: Joi.object({
    type: Joi.valid('finished').required(),
    productG: Joi.number().min(0).max(100_000).required(),
    wheyG: Joi.number().min(0).max(100_000).allow(null).required(),
    heldBackG: Joi.number().min(0).max(100_000).allow(null).required(),
    score: Joi.object({ sourness: mark, thickness: mark, smoothness: mark, taste: mark }).allow(null).required(),
    pots: Joi.number().integer().min(0).max(10_000),
    left: Joi.array()
      .items(
        Joi.object({
          what: text(80).required(),
          massG: Joi.number().min(0).max(100_000).required(),
          lotId: ulid.required(),
        }),
      )
      .max(12),
    words: text(500),
    useBy: day.allow(null),
    openDays: Joi.number().integer().min(1).max(365),
  }),
  issued: counted({
    type: Joi.valid('issued').required(),
    how: Joi.valid(...ISSUED_HOW).required(),
    to: text(80),
    why: text(500),
    occurrenceId: text(60),
  }),
  stored: counted({ type: Joi.valid('stored').required(), where: Joi.valid(...PRODUCT_STORES).required() }),
  placed: Joi.object({ type: Joi.valid('placed').required(), place: text(60).required() }),
  complaint: Joi.object({ type: Joi.valid('complaint').required(), fault: Joi.valid(...FAULT_IDS).required() }),
  discarded: Joi.object({ type: Joi.valid('discarded').required(), reason: text(500).required(), by: text(80) }),
};

const correctionOf = (lineId: Joi.StringSchema) =>
  Joi.object({
    type: Joi.valid('correction').required(),
    replaces: lineId.required(),
    body: tagged('type', BODIES).allow(null).required(),
    atMs: moment,
  });

/** What an entry may say, where lines are named so. */
export const bodySchemaFor = (lineId: Joi.StringSchema) =>
  tagged('type', { ...BODIES, correction: correctionOf(lineId) });

export const entryBodySchema = bodySchemaFor(ulid);

/** One line of a log, as a client sends it. */
export const entrySchema: Joi.ObjectSchema<Entry> = Joi.object({
  id: ulid.required(),
  batchId: ulid.required(),
  atMs: moment.required(),
  source: text(40).required(),
  body: entryBodySchema.required(),
  by: text(60),
});

/** A few entries sent together. */
export const entriesSchema: Joi.ObjectSchema<{ entries: Entry[] }> = Joi.object({
  entries: Joi.array().items(entrySchema).min(1).max(500).required(),
});

/** What of the log is asked for, in an address: entries after a place in its order; all of them by default. */
export const afterSchema: Joi.ObjectSchema<{ after: number }> = Joi.object({
  after: Joi.number().integer().min(0).default(0),
}).prefs({ convert: true });
