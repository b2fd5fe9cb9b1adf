import {
  BUFFERS,
  INSTRUMENT_FAULTS,
  INSTRUMENT_KINDS,
  kindReading,
  type InstrumentCheck,
  type InstrumentFault,
  type SimulatedKind,
} from '@oat-crock/core';
import Joi from 'joi';
import { moment, ulid } from './entry-parts.js';
import type { Instrument, InstrumentReading } from './instrument.js';
import { tagged } from './tagged.js';

/** Readings as an instrument posts them: `{ "readings": [{ "id", "atMs", "value" }] }`; one without a moment was read just now. */
export const instrumentReadingsSchema: Joi.ObjectSchema<{
  readings: (Omit<InstrumentReading, 'atMs'> & { readonly atMs?: number })[];
}> = Joi.object({
  readings: Joi.array()
    .items(Joi.object({ id: ulid, atMs: moment, value: Joi.number().unsafe().required() }))
    .min(1)
    .max(1000)
    .required(),
});

/** So many readings of a logger's file are sent at once. */
export const MOST_OF_A_FILE = 5000;

/** Readings out of a logger's file, and the make it stood in; null for one of the room. */
export const loggerReadingsSchema: Joi.ObjectSchema<{ batchId: string | null; readings: InstrumentReading[] }> =
  Joi.object({
    batchId: ulid.allow(null).required(),
    readings: Joi.array()
      .items(Joi.object({ atMs: moment.required(), value: Joi.number().unsafe().required() }))
      .min(1)
      .max(MOST_OF_A_FILE)
      .required(),
  });

/** Whether an instrument's reading can be. */
export function canBe(quantity: Instrument['quantity'], value: number): boolean {
  const { min, max } = kindReading(quantity).bounds;
  return value >= min && value <= max;
}

const name = Joi.string()
  .trim()
  .min(1)
  .max(80)
  .pattern(/^[^\p{Cc}\p{Zl}\p{Zp}]*$/u, 'one line');

/** An instrument of one's own, as it is added: `{ "name", "kind" }`. */
export const newInstrumentSchema: Joi.ObjectSchema<{ name: string; kind: SimulatedKind }> = Joi.object({
  name: name.required(),
  kind: Joi.valid(...Object.keys(INSTRUMENT_KINDS)).required(),
});

/** What is changed of an instrument. */
export const instrumentChangeSchema: Joi.ObjectSchema<Pick<Instrument, 'name' | 'isPaused'>> = Joi.object({
  name: name.required(),
  isPaused: Joi.boolean().required(),
});

const shown = Joi.number().min(-2000).max(2000).required();

/** How an instrument was checked: a pH meter in two buffers, or a thermometer in ice water. */
export const instrumentCheckSchema: Joi.ObjectSchema<{ checked: InstrumentCheck }> = Joi.object({
  checked: tagged('by', {
    buffers: Joi.object({
      by: Joi.valid('buffers').required(),
      shows: Joi.valid('ph', 'mV').required(),
      tempC: Joi.number().min(0).max(40).required(),
      reads: Joi.object(Object.fromEntries(BUFFERS.map((buffer) => [buffer, shown]))).required(),
    }),
    ice: Joi.object({ by: Joi.valid('ice').required(), readsC: Joi.number().min(-100).max(100).required() }),
  }).required(),
});

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
