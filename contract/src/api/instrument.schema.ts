import { kindReading, INSTRUMENT_FAULTS, type InstrumentFault } from '@oat-crock/core';
import Joi from 'joi';
import { moment, ulid } from './entry-parts.js';
import type { Instrument, InstrumentReading } from './instrument.js';

/** Readings as an instrument posts them: `{ "readings": [{ "id", "atMs", "value" }] }`. */
export const instrumentReadingsSchema: Joi.ObjectSchema<{ readings: InstrumentReading[] }> = Joi.object({
  readings: Joi.array()
    .items(Joi.object({ id: ulid, atMs: moment.required(), value: Joi.number().unsafe().required() }))
    .min(1)
    .max(1000)
    .required(),
});

/** Whether an instrument's reading can be. */
export function canBe(quantity: Instrument['quantity'], value: number): boolean {
  const { min, max } = kindReading(quantity).bounds;
  return value >= min && value <= max;
}

/** The fault that a simulated instrument is given, or null for none: `{ "fault": "stuck" }`. */
export const faultSchema: Joi.ObjectSchema<{ fault: InstrumentFault | null }> = Joi.object({
  fault: Joi.valid(...Object.keys(INSTRUMENT_FAULTS))
    .allow(null)
    .required(),
});

/** How much of what instruments read of a batch is asked for: all of it, one in a minute of each, or none. */
export const readingsSchema: Joi.ObjectSchema<{ readings: 'all' | 'minute' | 'none' }> = Joi.object({
  readings: Joi.valid('all', 'minute', 'none').default('all'),
}).prefs({ convert: true });

/** A stretch of time, ms since the epoch. */
export const stretchSchema: Joi.ObjectSchema<{ fromMs: number; untilMs: number }> = Joi.object({
  fromMs: moment.required(),
  untilMs: moment.min(Joi.ref('fromMs')).required(),
}).prefs({ convert: true });

/** Where an instrument is put: `{ "batchId": … }`, or null for back on the shelf. */
export const placementSchema: Joi.ObjectSchema<{ batchId: string | null }> = Joi.object({
  batchId: ulid.allow(null).required(),
});
