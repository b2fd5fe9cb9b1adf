import { english } from '@oat-crock/messages';
import { methodById } from '@oat-crock/core';
import type { Occurrence, WantedOrder } from './orders.js';
import { ordersOf, placesOf, staleOf } from './planning.js';
import { freeParts, type PlannedBatch } from './planned-batch.js';

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
