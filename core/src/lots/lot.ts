import type { CultureLot } from './culture-lot.js';
import type { SourAgentId } from '../constants/acids.js';
import type { Weave } from '../constants/drainage.js';
import type { Species, Treatment } from '../constants/milk.js';
import type { FlavourId } from '../materials/flavours.js';
import { materialOf, type Material, type Stock } from '../materials/materials.js';
import type { LotOf } from './lot-of.js';

/** A milk, cream, powder, plant base or whey: what its label says of 100 g, and what was done to it. */
export interface StockLot extends LotOf<'milk' | 'cream' | 'powder' | 'base' | 'whey'> {
  readonly material: Material;
  readonly treatment: Treatment;
  readonly species: Species;
  readonly homogenised: boolean;
  /** Gums or starch are on its label: it may not churn, and thickens of itself. */
  readonly stabilised: boolean;
  readonly freshPh: number | null;
  /** What a plant base must warn of; null for milk's own. */
  readonly allergen: NonNullable<Stock['allergen']> | null;
}

/** Something sour in a bottle, a box or a jar; strength in percent of its acid by mass. */
export interface AcidLot extends LotOf<'acid'> {
  readonly agent: SourAgentId;
  readonly strengthPct: number;
}

export interface RennetLot extends LotOf<'rennet'> {
  readonly imcuPerMl: number;
  readonly dropsPerMl: number;
}

/** Calcium chloride as a solution, percent by mass. */
export interface CalciumLot extends LotOf<'calcium'> {
  readonly solutionPct: number;
}

export interface ClothLot extends LotOf<'cloth'> {
  readonly weave: Weave;
}

/** Something folded in for its taste: which sort it is, and what its label says of 100 g; 0 where it says nothing. */
export interface FlavourLot extends LotOf<'flavour'> {
  readonly flavour: FlavourId;
  readonly saltPct: number;
  readonly fatPct: number;
  readonly waterPct: number;
  /** Nuts are in it, and must be named. */
  readonly hasNuts: boolean;
}

export type PlainLot = LotOf<'salt'> | LotOf<'other'>;

/** One purchase, or one thing made or fetched, as it stands in the larder. */
export type Lot = StockLot | AcidLot | RennetLot | CalciumLot | ClothLot | FlavourLot | CultureLot | PlainLot;

/** True for what lives. */
export function isCulture(lot: Lot): lot is CultureLot {
  return lot.kind === 'culture';
}

/** True for what has a composition. */
export function isStock(lot: Lot): lot is StockLot {
  return 'material' in lot;
}

/** How a choice names a lot. */
export const lotChoice = (lotId: string): string => `lot:${lotId}`;

/** The lot's id that a choice or a stock names; null where it names none. */
export const lotIdOf = (named: string): string | null => (named.startsWith('lot:') ? named.slice(4) : null);

/** A lot as a stage takes it in; its id is how a choice names it. This is what a make keeps of it, whatever becomes of the lot. */
export interface LotStock extends Stock {
  readonly kind: StockLot['kind'];
}

export function stockOfLot(lot: StockLot): LotStock {
  const { material, name, treatment, price, species, kind } = lot;
  const stock = { ...material, id: lotChoice(lot.id), kind, name, treatment, pricePerKg: price, species };
  return {
    ...stock,
    ...(lot.freshPh === null ? {} : { freshPh: lot.freshPh }),
    ...(lot.allergen === null ? {} : { allergen: lot.allergen }),
    ...(lot.pack === null ? {} : { packG: lot.pack }),
  };
}

/** What a lot takes over from a material of the reference list. */
export function asListed(stock: Stock) {
  const { treatment, pricePerKg, species = 'cow', freshPh = null, allergen = null } = stock;
  return { material: materialOf(stock), treatment, price: pricePerKg, species, freshPh, allergen };
}
