import fc from 'fast-check';
import { methodById } from '../methods/index.js';
import {
  deliveredOf,
  fillOrders,
  overOf,
  willDo,
  type MakeComing,
  type StockOfMethod,
  type DueOrder,
} from './fill-orders.js';

const DAY_MS = 24 * 3_600_000;
const dayOf = (ms: number) => `2026-05-${String(1 + Math.floor(ms / DAY_MS)).padStart(2, '0')}`;
const BY = { methodOf: methodById, dayOf, nowMs: 0 };
const NONE = new Map<string, number>();

const wanted = (id: string, productG: number, dueDay: number | null, more: Partial<DueOrder> = {}): DueOrder => ({
  id,
  methodId: 'quark',
  choices: {},
  productG,
  dueMs: dueDay === null ? null : dueDay * DAY_MS,
  ...more,
});
const stock = (
  batchId: string,
  left: number,
  useBy: string | null,
  more: Partial<StockOfMethod> = {},
): StockOfMethod => ({
  batchId,
  name: batchId,
  methodId: 'quark',
  choices: {},
  finishedMs: 0,
  unit: 'pots',
  called: 'pots',
  made: left,
  left,
  frozen: 0,
  eachG: 500,
  useBy,
  openDays: 3,
  hold: null,
  movements: [],
  place: null,
  ...more,
});
const comes = (batchId: string, productG: number, readyDay: number, ...wantedIds: readonly string[]): MakeComing => ({
  batchId,
  methodId: 'quark',
  choices: {},
  productG,
  readyMs: readyDay * DAY_MS,
  wantedIds,
});
const fill = (
  all: readonly DueOrder[],
  stocks: readonly StockOfMethod[],
  coming: readonly MakeComing[] = [],
  delivered: ReadonlyMap<string, number> = NONE,
) => fillOrders({ wanted: all, stocks, coming, delivered }, BY);
const held = { atMs: 0, decided: 'held', by: 'Marit', reason: 'foreign smell', id: 'h' } as const;

describe('what is wanted, filled by what is here', () => {
  it('takes whole pots, what is to be eaten first leading, for what is wanted first', () => {
    const [sooner, later] = fill(
      [wanted('later', 2000, 5), wanted('sooner', 3000, 2)],
      [stock('younger', 8, '2026-05-20'), stock('older', 4, '2026-05-10')],
    );
    expect(sooner!.wantedId).toBe('sooner');
    expect(sooner!.fromStock.map((s) => [s.batchId, s.count])).toEqual([
      ['older', 4],
      ['younger', 2],
    ]);
    expect(later!.fromStock.map((s) => [s.batchId, s.count])).toEqual([['younger', 4]]);
    expect([sooner!.missingG, sooner!.isMet, later!.isMet]).toEqual([0, true, true]);
  });

  it('gives nothing that is held, frozen, past its day by then, or made otherwise', () => {
    const salted = stock('salted', 6, '2026-05-20', { choices: { saltPct: 0.6 } });
    const stocks = [
      stock('held', 6, '2026-05-20', { hold: held }),
      stock('frozen', 6, '2026-05-20', { frozen: 6 }),
      stock('past', 6, '2026-05-04'),
      stock('yogurt', 6, '2026-05-20', { methodId: 'scalded-yogurt' }),
      salted,
    ];
    const [order] = fill([wanted('a', 3000, 4)], stocks);
    expect([order!.fromStock, order!.missingG, order!.isMet]).toEqual([[], 3000, false]);
    // DueOrder a day earlier, what keeps until then will do; and who wants it salted gets that.
    expect(fill([wanted('a', 3000, 3)], stocks)[0]!.fromStock.map((s) => s.batchId)).toEqual(['past']);
    expect(fill([wanted('a', 3000, 4, { choices: { saltPct: 1 } })], stocks)[0]!.fromStock[0]!.batchId).toBe('salted');
  });

  it('leaves what is long late till last, after what is wanted some time: it may have gone out unlogged', () => {
    const all = [
      wanted('late', 500, -1),
      wanted('later', 500, -2),
      wanted('some time', 500, null),
      wanted('soon', 500, 2),
    ];
    const filled = fill(all, [stock('s', 3, null)]);
    expect(filled.map((f) => [f.wantedId, f.isMet])).toEqual([
      ['soon', true],
      ['some time', true],
      ['late', true],
      ['later', false],
    ]);
  });

  it('rounds to the nearest pot, and calls it met at half a pot or a tenth', () => {
    const counts = (productG: number, eachG: number) => {
      const [order] = fill([wanted('a', productG, 2)], [stock('s', 30, null, { eachG })]);
      return [order!.fromStock[0]!.count, order!.isMet];
    };
    expect(counts(3000, 450)).toEqual([7, true]);
    expect(counts(3000, 490)).toEqual([6, true]);
    expect(counts(100, 500)).toEqual([1, true]);
    const almost = (massG: number) => fill([wanted('a', 3000, 2)], [], [comes('m', massG, 1, 'a')])[0]!.isMet;
    expect([almost(2699), almost(2700)]).toEqual([false, true]);
  });

  it('counts what was handed over, by makes that are here and by those that are gone', () => {
    const given = { is: 'issued', how: 'sold', pots: 3, occurrenceId: 'a', id: 'm', atMs: 0 } as const;
    const some = stock('s', 2, null, { made: 5, movements: [given] });
    expect(deliveredOf(some, 'a')).toBe(3);
    const [order] = fill([wanted('a', 3000, 2)], [some], [], new Map([['a', 500]]));
    expect([order!.deliveredG, order!.fromStock[0]!.count, order!.missingG]).toEqual([2000, 2, 0]);
    const [over] = fill([wanted('a', 1000, 2)], [some]);
    expect([over!.fromStock, over!.missingG, over!.isMet]).toEqual([[], 0, true]);
  });

  it('counts makes on the way: those begun for it first, then what others have over, in time', () => {
    const both = [wanted('a', 2000, 3), wanted('b', 2000, 6)];
    const own = comes('own', 3000, 5, 'b');
    const [a, b] = fill(both, [], [own, comes('free', 1500, 2)]);
    expect(a!.coming).toEqual([{ batchId: 'free', massG: 1500, readyMs: 2 * DAY_MS }]);
    expect([a!.missingG, b!.coming[0]!.massG, b!.isMet]).toEqual([500, 2000, true]);
    // A rest of another make is not worth naming.
    expect(fill([...both, wanted('d', 12_000, 8)], [], [own])[2]!.coming).toEqual([]);
    // What is over of the other comes too late for the first, and in time for a third.
    const third = fill([...both, wanted('c', 1000, 7)], [], [own])[2]!;
    expect([third.coming[0]!.massG, third.isMet]).toEqual([1000, true]);
    // A make begun for it counts though it will be late: another would be later still.
    expect(fill([wanted('a', 2000, 3)], [], [comes('own', 2000, 4, 'a')])[0]!.isMet).toBeTrue();
  });

  it('never shares out more than there is, whatever is wanted, and says what is missing', () => {
    const stocksOf = fc.array(
      fc.record({
        left: fc.integer({ min: 0, max: 12 }),
        frozen: fc.integer({ min: 0, max: 3 }),
        eachG: fc.integer({ min: 90, max: 700 }),
      }),
      { maxLength: 5 },
    );
    const ordersOf = fc.array(
      fc.record({ productG: fc.integer({ min: 100, max: 6000 }), due: fc.option(fc.integer({ min: 0, max: 9 })) }),
      {
        maxLength: 6,
      },
    );
    fc.assert(
      fc.property(stocksOf, ordersOf, fc.integer({ min: 0, max: 4000 }), (given, orders, onTheWayG) => {
        const stocks = given.map((s, i) => stock(`s${i}`, s.left, null, { ...s, frozen: Math.min(s.left, s.frozen) }));
        const all = orders.map((o, i) => wanted(`w${i}`, o.productG, o.due));
        const filled = fill(all, stocks, [comes('m', onTheWayG, 4)]);
        for (const s of stocks) {
          const apart = filled.flatMap((f) => f.fromStock).filter((t) => t.batchId === s.batchId);
          expect(apart.reduce((sum, t) => sum + t.count, 0)).toBeLessThanOrEqual(s.left - s.frozen);
          expect(apart.every((t) => Number.isInteger(t.count) && t.count > 0)).toBeTrue();
        }
        const coming = filled.flatMap((f) => f.coming).reduce((sum, c) => sum + c.massG, 0);
        expect(coming).toBeLessThanOrEqual(onTheWayG + 1e-6);
        for (const f of filled) {
          const { productG } = all.find((w) => w.id === f.wantedId)!;
          const got = [...f.fromStock, ...f.coming].reduce((sum, t) => sum + t.massG, 0);
          expect(f.missingG).toBeCloseTo(Math.max(0, productG - got), 6);
        }
      }),
      { numRuns: 200, seed: 7 },
    );
  });
});

describe('what is over once what is wanted is filled', () => {
  it('is what nothing takes, of what is here and of what comes; of what is held or frozen, nothing', () => {
    const stocks = [stock('A', 4, null, { frozen: 1 }), stock('H', 4, null, { hold: held })];
    const coming = [comes('C', 3000, 2, 'O'), comes('D', 1000, 3)];
    const fillings = fill([wanted('N', 900, 1), wanted('O', 2000, 4)], stocks, coming);
    const grams = overOf(fillings, { stocks, coming }).map(({ batchId, massG, readyMs }) => [batchId, massG, readyMs]);
    const taken = fillings.flatMap((f) => [...f.fromStock, ...f.coming]).reduce((sum, s) => sum + s.massG, 0);
    expect(grams.reduce((sum, [, massG]) => sum + Number(massG), 0)).toBeCloseTo(3 * 500 + 4000 - taken, 6);
    expect(grams).toContain(['D', 1000, 3 * DAY_MS]);
    expect(grams.map(([id]) => id)).not.toContain('H');
    expect(overOf([], { stocks, coming: [] })).toEqual([{ batchId: 'A', massG: 1500, readyMs: null }]);
  });
});

describe('whether what was made will do', () => {
  const method = methodById('quark');
  it('asks what an eater would notice, and nothing of the way it was made', () => {
    expect(willDo(method, {}, { massG: 9000, vesselL: 12, potG: 250 })).toBeTrue();
    expect(willDo(method, {}, { saltPct: 0.5 })).toBeFalse();
    expect(willDo(method, { saltPct: 1 }, { saltPct: 0.5 })).toBeTrue();
    expect(willDo(method, {}, { flavour: 'herbs', flavourPct: 3 })).toBeFalse();
  });
  it('holds to a fat, a sourness and a size of pot that were named', () => {
    expect([4, 4.8, 4.9].map((fatPct) => willDo(method, { fatPct: 4 }, { fatPct }))).toEqual([true, true, false]);
    expect([4.6, 4.5, 4.4].map((targetPh) => willDo(method, { targetPh: 4.6 }, { targetPh }))).toEqual([
      true,
      true,
      false,
    ]);
    expect([140, 400].map((potG) => willDo(method, { potG: 150 }, { potG }))).toEqual([true, false]);
  });
});
