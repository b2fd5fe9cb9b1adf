import { INSTRUMENT_KINDS, type Entry } from '@oat-crock/core';

/** Bounds within which a reading can be true, by quantity. */
export const READING_BOUNDS = {
  tempC: { ...INSTRUMENT_KINDS.thermometer.bounds, unit: '°C' },
  ph: { ...INSTRUMENT_KINDS['ph-probe'].bounds, unit: 'pH' },
  wheyG: { ...INSTRUMENT_KINDS.scale.bounds, unit: 'g' },
  productG: { min: 0, max: 100_000, unit: 'g' },
  grainsG: { min: 0, max: 100_000, unit: 'g' },
  asideG: { min: 0, max: 100_000, unit: 'g' },
} as const;

/** An entry as the server gives it back: with its place in the order of arrival. */
export interface StoredEntry extends Entry {
  readonly seq: number;
}
