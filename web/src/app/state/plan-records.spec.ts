import { TestBed } from '@angular/core/testing';
import type { PlannedBatch } from '@oat-crock/contract/api';
import type { Lot } from '@oat-crock/core';
import { cultured } from '@oat-crock/core/testing';
import { RecordActions } from './records.feature';
import { pageOf } from '../testing/page';
import { PlanCard } from '../places/today/plan-card';
import { planTasks } from '@oat-crock/calendar';
import { PlanRecords } from './plan-records';
import { HOUR, idOf, kept, NOW, written } from '../testing/plan-page';
import { samplePlannedBatch } from '../testing/planned';

describe('the keeper of a plan', () => {
  async function planRecords(plannedBatches: readonly PlannedBatch[]) {
    const page = await pageOf(PlanCard, [], NOW, {
      task: { plannedBatch: samplePlannedBatch(), is: 'begin', atMs: NOW },
    });
    page.store.dispatch(RecordActions.received({ records: { plannedBatches: plannedBatches.map((p) => kept(p)) } }));
    return { ...page, planRecords: TestBed.inject(PlanRecords) };
  }
  const [a, b] = [samplePlannedBatch({ id: idOf(1) }), samplePlannedBatch({ id: idOf(2) })];

  it('writes what has changed alone, and what is written counts at once', async () => {
    const { store, planRecords: own } = await planRecords([a, b]);
    own.keep([a, { ...b, startMs: NOW }], [a, b]);
    expect(written({ store }).map((p) => p.id)).toEqual([b.id]);
    expect(own.plannedBatches().find((p) => p.id === b.id)!.startMs).toBe(NOW);
  });

  it('takes away what is planned no longer, and says what could not be kept', async () => {
    const { store, planRecords: own } = await planRecords([a, b]);
    own.keep([b], [a, b]);
    expect(own.plannedBatches().map((p) => p.id)).toEqual([b.id]);
    const stays = { id: a.id, name: 'A make', wanted: 'taken away', errors: [] } as const;
    store.dispatch(RecordActions.staysAsItWas({ stays }));
    expect(own.plannedBatches().map((p) => p.id))
      .withContext('the server would not let it go')
      .toEqual([a.id, b.id]);
    own.keep([{ ...b, startMs: NOW }], [b]);
    store.dispatch(RecordActions.conflicted({ family: 'plannedBatches', id: b.id, theirs: kept(b, 2) }));
    expect(own.notKept().map((w) => w.draft.id)).toEqual([b.id]);
    own.again();
    expect(own.notKept()).toEqual([]);
  });

  it('lets go of the course of what is begun, as its batch shows how it goes', async () => {
    const { store, planRecords: own } = await planRecords([a]);
    own.begun({ ...a, course: [{ atMs: 1, massG: 1, wheyG: 0, ph: 6, tempC: 4 }] }, idOf(9));
    expect(written({ store })[0]).toEqual(jasmine.objectContaining({ batchId: idOf(9), course: [] }));
  });
});

describe('hands of a plan on Today', () => {
  const feed = {
    culture: 'mesophilic',
    beginMs: NOW + HOUR,
    ripeMs: NOW + 9 * HOUR,
    milkG: 120,
    starterG: 4,
    tempC: 24,
  };
  const fed = samplePlannedBatch({ id: idOf(1), startMs: NOW + 10 * HOUR, feed: feed as PlannedBatch['feed'] });

  it('are what is to be begun and what is to be fed for it, within a day', () => {
    const far = samplePlannedBatch({ id: idOf(2), startMs: NOW + 30 * HOUR });
    expect(planTasks([far, fed], NOW).map((h) => [h.plannedBatch.id, h.is])).toEqual([
      [idOf(1), 'feed'],
      [idOf(1), 'begin'],
    ]);
    // A feeding that is over by an hour is no news; a make that was not begun is.
    expect(planTasks([fed], NOW + 12 * HOUR).map((h) => h.is)).toEqual(['begin']);
  });

  it('lead to the sheet, and to its beginning once it is near', async () => {
    const page = await pageOf(PlanCard, [], NOW, { task: { plannedBatch: fed, is: 'begin', atMs: fed.startMs } });
    expect(page.element.querySelector('a.press')!.textContent.trim()).toBe('Its sheet');
    const near = await pageOf(PlanCard, [], fed.startMs - HOUR / 4, {
      task: { plannedBatch: fed, is: 'begin', atMs: fed.startMs },
    });
    expect(near.element.querySelector('a.press')!.textContent.trim()).toBe('Begin it');
    const feeding = await pageOf(PlanCard, [], NOW, { task: { plannedBatch: fed, is: 'feed', atMs: feed.beginMs } });
    expect(feeding.text()).toContain('Feed its culture: 4 g into 120 g of scalded milk at 24 °C.');
  });

  it('begin the feeding that was planned, out of the strongest jar there is enough of', async () => {
    const jar = (n: number, amount: number, days: number) =>
      cultured(idOf(n), NOW / (24 * HOUR) - days, { culture: 'mesophilic', origin: 'pot', name: `Jar ${n}`, amount });
    const jars = [jar(21, 100, 16), jar(22, 90, 3), jar(23, 2, 0)];
    const told = [RecordActions.received({ records: { lots: jars.map((l) => kept<Lot>(l)) } })];
    const page = await pageOf(
      PlanCard,
      [],
      NOW,
      { task: { plannedBatch: fed, is: 'feed', atMs: feed.beginMs } },
      [],
      told,
    );
    await page.click(/^Feed it now/);
    const bodies = page.written().map((e) => e.body);
    expect(bodies.some((b) => b.type === 'started' && b.methodId === 'starter-feeding')).toBeTrue();
    expect(bodies.find((b) => b.type === 'took')).toEqual({ type: 'took', lotId: idOf(22), massG: 4 });
  });
});
