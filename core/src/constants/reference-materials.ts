import type { Stock } from '../state/materials.js';

/**
 * Milks and creams as they usually come, percent by mass (typical label values for cow's milk; Walstra et al. 2006,
 * table 1.1). Prices are only a starting point for the maker's own.
 */
export const REFERENCE_MILKS: readonly Stock[] = [
  {
    id: 'whole',
    name: 'Whole milk, 3.6 % fat',
    fatPct: 3.6,
    proteinPct: 3.3,
    lactosePct: 4.7,
    mineralsPct: 0.72,
    treatment: '72C-15s',
    pricePerKg: 1.3,
  },
  {
    id: 'half-skimmed',
    name: 'Half-skimmed milk, 1.7 % fat',
    fatPct: 1.7,
    proteinPct: 3.4,
    lactosePct: 4.8,
    mineralsPct: 0.73,
    treatment: '72C-15s',
    pricePerKg: 1.2,
  },
  {
    id: 'skimmed',
    name: 'Skimmed milk, 0.1 % fat',
    fatPct: 0.1,
    proteinPct: 3.45,
    lactosePct: 4.9,
    mineralsPct: 0.75,
    treatment: '72C-15s',
    pricePerKg: 1.1,
  },
  {
    id: 'raw',
    name: 'Raw milk, 4.2 % fat',
    fatPct: 4.2,
    proteinPct: 3.4,
    lactosePct: 4.7,
    mineralsPct: 0.73,
    treatment: 'raw',
    pricePerKg: 1.6,
  },
];

/** Milks whose whey protein was unfolded, or which were concentrated, before they were bought: ready for a cold start. */
export const READY_MILKS: readonly Stock[] = [
  {
    id: 'ultra-heated',
    name: 'Ultra-heated milk, 3.5 % fat',
    fatPct: 3.5,
    proteinPct: 3.3,
    lactosePct: 4.8,
    mineralsPct: 0.72,
    treatment: 'ultra-heated',
    pricePerKg: 1.2,
  },
  {
    id: 'ultrafiltered',
    name: 'Ultrafiltered milk, 3.5 % fat',
    fatPct: 3.5,
    proteinPct: 5.6,
    lactosePct: 2.5,
    mineralsPct: 0.85,
    treatment: 'ultrafiltered',
    pricePerKg: 3.1,
  },
];

/** Skimmed-milk powder, for body: percent by mass as it comes. */
export const MILK_POWDER: Stock = {
  id: 'powder',
  name: 'Skimmed-milk powder',
  fatPct: 0.8,
  proteinPct: 35,
  lactosePct: 52,
  mineralsPct: 8,
  treatment: '72C-15s',
  pricePerKg: 9,
};

export const REFERENCE_CREAMS: readonly Stock[] = [
  {
    id: 'cream-36',
    name: 'Cream, 36 % fat',
    fatPct: 36,
    proteinPct: 2.1,
    lactosePct: 3.1,
    mineralsPct: 0.47,
    treatment: '72C-15s',
    pricePerKg: 6.4,
  },
  {
    id: 'cream-48',
    name: 'Rich cream, 48 % fat',
    fatPct: 48,
    proteinPct: 1.6,
    lactosePct: 2.5,
    mineralsPct: 0.38,
    treatment: '72C-15s',
    pricePerKg: 8.2,
  },
];

/** A milk or cream of the reference list; throws RangeError for an unknown id. */
export function referenceStock(id: string): Stock {
  const stock = [...REFERENCE_MILKS, ...READY_MILKS, ...REFERENCE_CREAMS].find((s) => s.id === id);
  if (!stock) throw new RangeError(`No milk or cream called "${id}"`);
  return stock;
}
