/** What can stand in a larder. The first five have a composition and go into the crock as they are. */
export type LotKind =
  | 'milk'
  | 'cream'
  | 'powder'
  | 'base'
  | 'whey'
  | 'acid'
  | 'rennet'
  | 'calcium'
  | 'salt'
  | 'flavour'
  | 'cloth'
  | 'culture'
  | 'other';

/** What a lot of any kind has. Amounts are grams, of cloths pieces. */
export interface LotOf<K extends LotKind> {
  /** ULID. */
  readonly id: string;
  readonly kind: K;
  readonly name: string;
  /** How much there was when it was last counted, and when that was (ms). */
  readonly amount: number;
  readonly countedMs: number;
  /** How much one pack holds; null where it is loose. */
  readonly pack: number | null;
  /** Per kg, of cloths each, in the maker's money. */
  readonly price: number;
  /** Day of the calendar, "2026-05-02"; null where it keeps. */
  readonly useBy: string | null;
  readonly note: string;
  /** The make it was left over from, where it was not bought. */
  readonly from?: string;
}

/** What every lot begins with: just counted, loose, keeping as long as nobody says otherwise. */
export function bareLot(id: string, name: string, amount: number, countedMs: number) {
  return { id, name, amount, countedMs, pack: null, price: 0, useBy: null, note: '' };
}
