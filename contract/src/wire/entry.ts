import type { Entry } from '@oat-crock/core';

/** Bounds within which a reading can be true, by quantity. */
export const READING_BOUNDS = {
  tempC: { min: -5, max: 110, unit: '°C' },
  ph: { min: 2.5, max: 9, unit: 'pH' },
  wheyG: { min: 0, max: 100_000, unit: 'g' },
  productG: { min: 0, max: 100_000, unit: 'g' },
  grainsG: { min: 0, max: 100_000, unit: 'g' },
  asideG: { min: 0, max: 100_000, unit: 'g' },
} as const;

/** An entry as the server gives it back: with its place in the order of arrival. */
export interface StoredEntry extends Entry {
  readonly seq: number;
}
