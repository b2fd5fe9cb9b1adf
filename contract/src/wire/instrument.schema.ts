import Joi from 'joi';
import { READING_BOUNDS } from './entry.js';
import { moment, ulid } from './entry-parts.js';
import type { Instrument, InstrumentReading } from './instrument.js';

/** Readings as an instrument posts them: `{ "readings": [{ "id", "atMs", "value" }] }`. */
export const instrumentReadingsSchema: Joi.ObjectSchema<{ readings: InstrumentReading[] }> = Joi.object({
  readings: Joi.array()
    .items(Joi.object({ id: ulid.required(), atMs: moment.required(), value: Joi.number().required() }))
    .min(1)
    .max(1000)
    .required(),
});

/** Bounds of an instrument's readings. */
export function readingValueSchema(quantity: Instrument['quantity']): Joi.NumberSchema {
  const { min, max } = READING_BOUNDS[quantity];
  return Joi.number().min(min).max(max).required();
}

/** Where an instrument is put: `{ "batchId": … }`, or null for back on the shelf. */
export const placementSchema: Joi.ObjectSchema<{ batchId: string | null }> = Joi.object({
  batchId: ulid.allow(null).required(),
});
