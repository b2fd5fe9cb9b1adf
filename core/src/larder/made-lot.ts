import type { Byproduct } from '../balance/byproducts.js';
import { bareLot } from '../lots/lot-of.js';
import type { Lot, StockLot } from '../lots/lot.js';

/** The make that something was left over from, or that it is some of. */
export interface MadeIn {
  readonly batchId: string;
  readonly atMs: number;
  /** What the lot is called, and what is noted of it, in its household's words. */
  readonly called: string;
  readonly note: string;
  /** Last day it keeps, "2026-05-02"; null where nothing showed what keeps it. */
  readonly useBy: string | null;
  readonly treatment: StockLot['treatment'];
  readonly species: StockLot['species'];
}

/** What each left-over is kept as; a starter and grains are cultures, and no lots of the larder. */
const KEPT_AS: Readonly<Partial<Record<Byproduct['is'], StockLot['kind']>>> = {
  whey: 'whey',
  buttermilk: 'milk',
  cream: 'cream',
};

/** True where a left-over can stand in the larder. */
export function canStandInLarder({ is }: Pick<Byproduct, 'is'>): boolean {
  return KEPT_AS[is] !== undefined;
}

/**
 * A left-over of a make as a lot of the larder, with its composition and its pH.
 *
 * @param massG what was weighed of it
 * @throws RangeError for what is no lot
 */
export function madeLot(left: Byproduct, id: string, massG: number, made: MadeIn): Lot {
  const kind = KEPT_AS[left.is];
  if (!kind) throw new RangeError(`${left.is} is a culture, not a lot`);
  return stockFrom(kind, left, id, massG, made);
}

/** From so much fat up, and of so little besides water that it still pours, a product is a cream; above that it is butter. */
const CREAM = { fromFatPct: 10, belowFatPct: 60, belowProteinPct: 4 } as const;

/**
 * Some of a make's own product as a lot of the larder: what is a cream with its composition and its pH, to be churned or
 * stirred in as any other; what is no longer poured by its name alone.
 */
export function productLot(
  product: Pick<Byproduct, 'material' | 'ph' | 'fatPct' | 'proteinPct'>,
  id: string,
  massG: number,
  made: MadeIn,
): Lot {
  const { fatPct, proteinPct } = product;
  const isCream = fatPct >= CREAM.fromFatPct && fatPct < CREAM.belowFatPct && proteinPct < CREAM.belowProteinPct;
  return isCream ? stockFrom('cream', product, id, massG, made) : { kind: 'other', ...lotFrom(id, massG, made) };
}

const lotFrom = (id: string, massG: number, made: MadeIn) => ({
  ...bareLot(id, made.called, massG, made.atMs),
  useBy: made.useBy,
  note: made.note,
  from: made.batchId,
});

function stockFrom(
  kind: StockLot['kind'],
  left: Pick<Byproduct, 'material' | 'ph'>,
  id: string,
  massG: number,
  made: MadeIn,
): StockLot {
  return {
    kind,
    ...lotFrom(id, massG, made),
    material: left.material,
    treatment: made.treatment,
    species: made.species,
    homogenised: false,
    stabilised: false,
    freshPh: Number(Math.min(7.5, Math.max(4, left.ph)).toFixed(2)),
    allergen: null,
  };
}
