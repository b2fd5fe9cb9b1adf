import { english } from '@oat-crock/messages';
import { methodById, planFor } from '@oat-crock/core';
import type { Occurrence, WantedOrder } from './orders.js';
import { ordersOf, placesOf, staleOf } from './planning.js';
import { plannedBatchSchema } from './orders.schema.js';
import { freeParts, isFor, plannedBatchName, plannedBatchesOf, type PlannedBatch } from './planned-batch.js';

const MIN = 60_000;
const DAY_MIN = 1440;
const START = Date.UTC(2026, 4, 4, 9);

const order: WantedOrder = {
  id: '01J00000000000000000000000',
  whom: 'the quay',
  methodId: 'scalded-yogurt',
  choices: { fatPct: 4 },
  productG: 9000,
  due: { is: 'once', atMs: START + 3 * DAY_MIN * MIN },
  note: '',
};
const occurrences: readonly Occurrence[] = [{ id: order.id, order, dueMs: START + 3 * DAY_MIN * MIN }];
const plannedBatch = (part: number, more: Partial<PlannedBatch> = {}): PlannedBatch => ({
  id: `P${part}`,
  occurrenceId: order.id,
  part,
  parts: 3,
  name: 'Scalded yogurt',
  whom: order.whom,
  methodId: order.methodId,
  choices: {},
  productG: 3000,
  startMs: START + part * 60 * MIN,
  readyMs: START + part * 600 * MIN,
  readyLateMs: START + part * 700 * MIN,
  dueMs: occurrences[0]!.dueMs,
  extension: null,
  accepted: [],
  pinned: false,
  tasks: [],
  gear: [],
  feed: null,
  starterTimes: 1,
  instead: null,
  course: [],
  batchId: null,
  ...more,
});

describe('what is wanted, as a plan is asked for it', () => {
  it('is as much as has still to be made, by its name and for whom; of a method that is gone it is nothing', () => {
    const [whole] = ordersOf(occurrences, START, methodById);
    expect(whole).toEqual(jasmine.objectContaining({ productG: 9000, dueMin: 3 * DAY_MIN }));
    expect(english(whole!.name!)).toBe('Scalded yogurt for the quay');
    expect(ordersOf(occurrences, START, () => undefined)).toEqual([]);
  });

  it('has its makes at places that are counted without those that are begun', () => {
    const places = placesOf(
      [plannedBatch(1, { batchId: '01J00000000000000000000009' }), plannedBatch(2), plannedBatch(3)],
      START,
    );
    expect(places.map((p) => [p.part, p.startMin])).toEqual([
      [1, 120],
      [2, 180],
    ]);
    expect([1, 2, 3].map(freeParts([plannedBatch(2)]))).toEqual([1, 3, 4]);
  });

  it('leaves over what is planned of nothing that is wanted any more', () => {
    expect(staleOf([plannedBatch(1)], occurrences)).toEqual([]);
    expect(staleOf([plannedBatch(1), plannedBatch(2, { batchId: 'B' })], []).map((p) => p.id)).toEqual(['P1']);
  });
});

describe('a make that is planned for several', () => {
  const orders = ['the bakery', '', 'the quay'].map((whom, i): WantedOrder => ({
    ...order,
    id: `01J0000000000000000000000${i}`,
    whom,
    productG: 1000 + 500 * i,
    due: { is: 'once', atMs: START + (3 + i) * DAY_MIN * MIN },
  }));
  const all = orders.map((of, i): Occurrence => ({ id: of.id, order: of, dueMs: START + (3 + i) * DAY_MIN * MIN }));
  const ids = all.map((o) => o.id);
  const shared = (wanted: readonly Occurrence[], before: readonly PlannedBatch[] = []) => {
    const asked = {
      orders: ordersOf(wanted, START, methodById),
      ...{ people: [], gear: [], horizonMin: 7 * DAY_MIN, seed: 1 },
      together: { groups: [wanted.map((o) => o.id)], others: 'never' as const },
    };
    return plannedBatchesOf(planFor(asked, 5), wanted, START, before, (id) => `new of ${id}`);
  };

  it('says what of it is for whom, the first that is handed on first, and is called after them', () => {
    const [batch] = shared(all);
    const sharesG = batch!.shares!.map((s) => s.productG);
    expect(batch!.shares!.map((s) => [s.occurrenceId, s.whom, s.dueMs])).toEqual(
      all.map((o) => [o.id, o.order.whom, o.dueMs]),
    );
    expect(sharesG.reduce((a, b) => a + b, 0)).toBeCloseTo(batch!.productG, -1);
    expect(sharesG[2]! / sharesG[0]!).toBeCloseTo(2, 2);
    expect(english(plannedBatchName(batch!))).toBe('Scalded yogurt for the bakery, ourselves and 1 more');
    expect(ids.map((id) => isFor(batch!, id))).toEqual([true, true, true]);
    expect(placesOf([batch!], START)[0]).toEqual(jasmine.objectContaining({ orderId: ids[0]!, with: ids.slice(1) }));
    expect(plannedBatchSchema.validate(batch, { convert: false }).error?.message).toMatch(/"id"/);
  });

  it('keeps its id as one of them is handed over, and is stale only when all are', () => {
    const [batch] = shared(all);
    const [after] = shared(all.slice(1), [batch!]);
    expect([after!.id, after!.occurrenceId]).toEqual([batch!.id, ids[1]!]);
    expect(after!.shares).toHaveSize(2);
    const [last] = shared(all.slice(2), [after!]);
    expect([last!.id, last!.shares]).toEqual([batch!.id, undefined]);
    expect(staleOf([batch!], all.slice(2))).toEqual([]);
    expect(staleOf([batch!], [])).toEqual([batch!]);
  });
});
