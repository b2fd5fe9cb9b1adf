import type { CultureLot } from '../lots/culture-lot.js';

const DAY_MS = 86_400_000;

/** A held-back yogurt of tests: born on a day, kept in the cold. */
export function cultured(id: string, bornDay: number, more: Partial<CultureLot> = {}): CultureLot {
  const bornMs = bornDay * DAY_MS;
  return {
    id,
    kind: 'culture',
    name: id,
    amount: 100,
    countedMs: bornMs,
    pack: null,
    price: 0,
    useBy: null,
    note: '',
    culture: 'thermophilic',
    beside: null,
    form: 'active',
    origin: 'held back',
    parents: [],
    generation: 1,
    bornMs,
    stays: [{ store: 'cold', fromMs: bornMs }],
    retiredMs: null,
    ...more,
  };
}

/** A moment of the days that cultures of tests are counted in, ms. */
export const onDay = (day: number) => day * DAY_MS;
