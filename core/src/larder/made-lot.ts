import type { Byproduct } from '../balance/byproducts.js';
import type { Lot, StockLot } from '../lots/lot.js';

/** The make that something was left over from. */
export interface MadeIn {
  readonly batchId: string;
  readonly atMs: number;
  /** What the lot is called, and what is noted of it, in its household's words. */
  readonly called: string;
  readonly note: string;
  /** Last day it keeps, "2026-05-02". */
  readonly useBy: string;
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
  return {
    id,
    kind,
    name: made.called,
    amount: massG,
    countedMs: made.atMs,
    pack: null,
    price: 0,
    useBy: made.useBy,
    note: made.note,
    from: made.batchId,
    material: left.material,
    treatment: made.treatment,
    species: made.species,
    homogenised: false,
    stabilised: false,
    freshPh: Number(Math.min(7.5, Math.max(4, left.ph)).toFixed(2)),
    allergen: null,
  };
}
