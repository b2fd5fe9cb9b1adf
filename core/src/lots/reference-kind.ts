import {
  MILK_POWDER,
  PLANT_BASES,
  READY_MILKS,
  REFERENCE_CREAMS,
  REFERENCE_MILKS,
  SOURED_CREAMS,
  WHEYS,
} from '../materials/reference-materials.js';
import type { StockLot } from './lot.js';

const KINDS: ReadonlyMap<string, StockLot['kind']> = new Map<string, StockLot['kind']>([
  ...[...REFERENCE_MILKS, ...READY_MILKS].map(({ id }) => [id, 'milk'] as const),
  ...[...REFERENCE_CREAMS, ...SOURED_CREAMS].map(({ id }) => [id, 'cream'] as const),
  ...PLANT_BASES.map(({ id }) => [id, 'base'] as const),
  ...WHEYS.map(({ id }) => [id, 'whey'] as const),
  [MILK_POWDER.id, 'powder'],
]);

const SOURED: ReadonlySet<string> = new Set(SOURED_CREAMS.map(({ id }) => id));

/** True for a cream of the reference list that is sour already. */
export const isSouredReference = (id: string): boolean => SOURED.has(id);

/** What kind of lot a material of the reference list would be kept as; undefined for what is not on it. */
export const kindOfReference = (id: string): StockLot['kind'] | undefined => KINDS.get(id);
