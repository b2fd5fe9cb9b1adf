import type { Stock } from './materials.js';
import { say } from '../messages/message.js';
import { percent } from '../messages/quantity.js';

/**
 * Milks and creams as they usually come, percent by mass (typical label values for cow's milk; Walstra et al. 2006,
 * table 1.1). Prices are only a starting point for the maker's own.
 */
export const REFERENCE_MILKS: readonly Stock[] = [
  {
    id: 'whole',
    name: say('stock.whole', { fat: percent(3.6) }),
    fatPct: 3.6,
    proteinPct: 3.3,
    lactosePct: 4.7,
    mineralsPct: 0.72,
    treatment: '72C-15s',
    pricePerKg: 1.3,
  },
  {
    id: 'half-skimmed',
    name: say('stock.halfSkimmed', { fat: percent(1.7) }),
    fatPct: 1.7,
    proteinPct: 3.4,
    lactosePct: 4.8,
    mineralsPct: 0.73,
    treatment: '72C-15s',
    pricePerKg: 1.2,
  },
  {
    id: 'skimmed',
    name: say('stock.skimmed', { fat: percent(0.1) }),
    fatPct: 0.1,
    proteinPct: 3.45,
    lactosePct: 4.9,
    mineralsPct: 0.75,
    treatment: '72C-15s',
    pricePerKg: 1.1,
  },
  {
    id: 'raw',
    name: say('stock.raw', { fat: percent(4.2) }),
    fatPct: 4.2,
    proteinPct: 3.4,
    lactosePct: 4.7,
    mineralsPct: 0.73,
    treatment: 'raw',
    pricePerKg: 1.6,
  },
  {
    id: 'goat',
    name: say('stock.goat', { fat: percent(3.9) }),
    fatPct: 3.9,
    proteinPct: 3.3,
    lactosePct: 4.4,
    mineralsPct: 0.8,
    treatment: '72C-15s',
    pricePerKg: 2.4,
    species: 'goat',
  },
  {
    id: 'sheep',
    name: say('stock.sheep', { fat: percent(6.5) }),
    fatPct: 6.5,
    proteinPct: 5.5,
    lactosePct: 4.8,
    mineralsPct: 0.92,
    treatment: '72C-15s',
    pricePerKg: 4.2,
    species: 'sheep',
  },
];

/** Milks whose whey protein was unfolded, or which were concentrated, before they were bought: ready for a cold start. */
export const READY_MILKS: readonly Stock[] = [
  {
    id: 'ultra-heated',
    name: say('stock.ultraHeated', { fat: percent(3.5) }),
    fatPct: 3.5,
    proteinPct: 3.3,
    lactosePct: 4.8,
    mineralsPct: 0.72,
    treatment: 'ultra-heated',
    pricePerKg: 1.2,
  },
  {
    id: 'lactose-free',
    name: say('stock.lactoseFree', { fat: percent(3.5) }),
    fatPct: 3.5,
    proteinPct: 3.3,
    lactosePct: 4.9,
    lactoseSplit: true,
    mineralsPct: 0.72,
    treatment: 'ultra-heated',
    pricePerKg: 1.5,
  },
  {
    id: 'ultrafiltered',
    name: say('stock.ultrafiltered', { fat: percent(3.5) }),
    fatPct: 3.5,
    proteinPct: 5.6,
    lactosePct: 2.5,
    mineralsPct: 0.85,
    treatment: 'ultrafiltered',
    pricePerKg: 3.1,
  },
  {
    // Concentrated by the membrane as the one above, then heated as the first.
    id: 'ultrafiltered-ultra-heated',
    name: say('stock.ultrafilteredUltraHeated', { fat: percent(3.5) }),
    fatPct: 3.5,
    proteinPct: 5.6,
    lactosePct: 2.5,
    mineralsPct: 0.85,
    treatment: 'ultra-heated',
    pricePerKg: 2.9,
  },
  {
    // As the one before, its little sugar split as well.
    id: 'ultrafiltered-lactose-free',
    name: say('stock.ultrafilteredLactoseFree', { fat: percent(3.5) }),
    fatPct: 3.5,
    proteinPct: 5.6,
    lactosePct: 2.6,
    lactoseSplit: true,
    mineralsPct: 0.85,
    treatment: 'ultra-heated',
    pricePerKg: 3.3,
  },
];

/** Whey to be made into curd by acid and heat: sweet from rennet cheese, or acid from souring, which gives none. */
export const WHEYS: readonly Stock[] = [
  {
    id: 'sweet-whey',
    name: say('stock.sweetWhey'),
    fatPct: 0.4,
    proteinPct: 0.85,
    lactosePct: 4.8,
    mineralsPct: 0.52,
    caseinShare: 0.1,
    freshPh: 6.4,
    treatment: '72C-15s',
    pricePerKg: 0.1,
  },
  {
    id: 'acid-whey',
    name: say('stock.acidWhey'),
    fatPct: 0.2,
    proteinPct: 0.75,
    lactosePct: 4.2,
    mineralsPct: 0.75,
    caseinShare: 0.05,
    freshPh: 4.5,
    treatment: '72C-15s',
    pricePerKg: 0.1,
  },
];

/** Skimmed-milk powder, for body: percent by mass as it comes. */
export const MILK_POWDER: Stock = {
  id: 'powder',
  name: say('stock.milkPowder'),
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
    name: say('stock.cream36', { fat: percent(36) }),
    fatPct: 36,
    proteinPct: 2.1,
    lactosePct: 3.1,
    mineralsPct: 0.47,
    treatment: '72C-15s',
    pricePerKg: 6.4,
  },
  {
    id: 'cream-48',
    name: say('stock.cream48', { fat: percent(48) }),
    fatPct: 48,
    proteinPct: 1.6,
    lactosePct: 2.5,
    mineralsPct: 0.38,
    treatment: '72C-15s',
    pricePerKg: 8.2,
  },
  {
    id: 'cream-ultra',
    name: say('stock.creamUltra', { fat: percent(35) }),
    fatPct: 35,
    proteinPct: 2.1,
    lactosePct: 3.2,
    mineralsPct: 0.47,
    treatment: 'ultra-heated',
    pricePerKg: 5.6,
  },
];

/** Creams that were soured: what their label calls sugars, with the acid among other solids; their pH as it usually comes. */
export const SOURED_CREAMS: readonly Stock[] = [
  {
    id: 'soured-cream-36',
    name: say('stock.souredCream', { fat: percent(36) }),
    fatPct: 36,
    proteinPct: 2.1,
    lactosePct: 2.5,
    mineralsPct: 0.47,
    otherPct: 0.5,
    freshPh: 4.5,
    treatment: '72C-15s',
    pricePerKg: 7.4,
  },
  {
    id: 'soured-cream-20',
    name: say('stock.souredCream', { fat: percent(20) }),
    fatPct: 20,
    proteinPct: 2.8,
    lactosePct: 3.2,
    mineralsPct: 0.6,
    otherPct: 0.6,
    freshPh: 4.5,
    treatment: '72C-15s',
    pricePerKg: 5.2,
  },
];

/**
 * Plant bases as they come from can or carton, percent by mass (typical labels), with their pH and what one pack gives: of a
 * chilled can of 400 g some 220 g is the thick cream that stands on top.
 */
export const PLANT_BASES: readonly Stock[] = [
  {
    id: 'coconut-cream',
    name: say('stock.coconutCream'),
    fatPct: 30,
    proteinPct: 2.4,
    lactosePct: 0,
    mineralsPct: 0.5,
    sucrosePct: 1.6,
    otherPct: 2,
    caseinShare: 0,
    freshPh: 6.1,
    treatment: 'ultra-heated',
    pricePerKg: 9,
    packG: 220,
    leavesG: 180 / 220,
    allergen: 'coconut',
  },
  {
    id: 'coconut-whole',
    name: say('stock.coconutWhole'),
    fatPct: 17,
    proteinPct: 1.7,
    lactosePct: 0,
    mineralsPct: 0.6,
    sucrosePct: 1.8,
    otherPct: 1.5,
    caseinShare: 0,
    freshPh: 6.1,
    treatment: 'ultra-heated',
    pricePerKg: 4.5,
    packG: 400,
    allergen: 'coconut',
  },
  {
    id: 'cashew',
    name: say('stock.cashew'),
    fatPct: 9,
    proteinPct: 3.6,
    lactosePct: 0,
    mineralsPct: 0.5,
    sucrosePct: 1.2,
    otherPct: 4.5,
    caseinShare: 0,
    freshPh: 6.4,
    treatment: 'raw',
    pricePerKg: 6,
    allergen: 'cashew',
  },
  {
    id: 'soya',
    name: say('stock.soya'),
    fatPct: 2.1,
    proteinPct: 3.7,
    lactosePct: 0,
    mineralsPct: 0.6,
    sucrosePct: 0.6,
    otherPct: 0.8,
    caseinShare: 0,
    freshPh: 6.9,
    treatment: 'ultra-heated',
    pricePerKg: 2.2,
    packG: 1000,
    allergen: 'soya',
  },
];

/** All that is shipped with a known composition. */
export const REFERENCE_STOCKS: readonly Stock[] = [
  ...REFERENCE_MILKS,
  ...READY_MILKS,
  ...WHEYS,
  ...REFERENCE_CREAMS,
  ...SOURED_CREAMS,
  ...PLANT_BASES,
  MILK_POWDER,
];

/** A material of the reference list; throws RangeError for an unknown id. */
export function referenceStock(id: string): Stock {
  const stock = REFERENCE_STOCKS.find((s) => s.id === id);
  if (!stock) {
    throw new RangeError(`No milk, cream or base "${id}"; there are ${REFERENCE_STOCKS.map((s) => s.id).join(', ')}`);
  }
  return stock;
}

/** What a stage is told of a material: the thing itself, or its name on the reference list. */
export type StockParam = Stock | string;

export const stockOf = (param: StockParam): Stock => (typeof param === 'string' ? referenceStock(param) : param);
