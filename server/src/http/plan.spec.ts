import { english } from '@oat-crock/messages';
import { occurrencesOf, personOver } from '@oat-crock/calendar';
import { plannedBatchesOf, visitsOf, type PlannedBatch, type WantedOrder } from '@oat-crock/contract';
import { methodById, planFor, type Plan } from '@oat-crock/core';
import { EIGHT_PIECES } from '@oat-crock/core/testing';
import ICAL from 'ical.js';
import type { Express } from 'express';
import request from 'supertest';
import { ulid } from 'ulid';
import type { Kitchen } from '../kitchen.js';
import { calendarOf } from '../plan/calendar.js';
import { entryOf, testKitchen } from '../testing/kitchen.js';

const API = '/api/v1';
const MIN = 60_000;
const DAY_MIN = 1440;
const START = Date.UTC(2026, 4, 4, 9);
const WHOM = 'Bakery; west quay, "thick"';

const order: WantedOrder = {
  id: ulid(START),
  whom: WHOM,
  methodId: 'strained-yogurt',
  choices: {},
  productG: 2000,
  due: { is: 'once', atMs: START + 3 * DAY_MIN * MIN },
  note: '',
};
const occurrences = occurrencesOf([order], START, START + 7 * DAY_MIN * MIN, 'UTC');
const WORKS = { fromH: 6, toH: 22, days: [0, 1, 2, 3, 4, 5, 6] };

function planned(fromMin = 0): Plan {
  return planFor(
    {
      orders: occurrences.map((o) => ({
        id: o.id,
        method: methodById(o.order.methodId),
        productG: o.order.productG,
        dueMin: (o.dueMs! - START) / MIN,
        fromMin,
      })),
      people: [personOver('A', { fromH: 22, toH: 6, zone: 'UTC' }, WORKS, [], START, 7 * DAY_MIN)],
      gear: EIGHT_PIECES,
      starters: [{ culture: 'thermophilic', massG: 60, activity: 0.4, lossPerDay: 0.045 }],
      horizonMin: 7 * DAY_MIN,
      seed: 1,
    },
    20,
  );
}
const plannedBatches = (before: readonly PlannedBatch[] = [], fromMin = 0) =>
  plannedBatchesOf(planned(fromMin), occurrences, START, before, () => ulid());

/** Events of a calendar as a second parser reads them, by their UID. */
function eventsOf(text: string) {
  const calendar = new ICAL.Component(ICAL.parse(text) as never);
  return new Map(
    calendar.getAllSubcomponents('vevent').map((component) => {
      const event = new ICAL.Event(component);
      return [event.uid, { event, component }];
    }),
  );
}

let app: Express;
let kitchen: Kitchen;
beforeEach(() => {
  ({ kitchen, app } = testKitchen(true));
});
afterEach(() => {
  kitchen.events.close();
  kitchen.db.close();
});

const put = (plannedBatch: PlannedBatch, over: number) =>
  request(app)
    .put(`${API}/planned-batches/${plannedBatch.id}`)
    .set(over === 0 ? 'if-none-match' : 'if-match', over === 0 ? '*' : `"${over}"`)
    .send(plannedBatch);
const calendar = async () => (await request(app).get(`${API}/plan.ics`)).text;

describe('a plan that was taken', () => {
  it('keeps each make by its order, day and part: moved, it is the same make', () => {
    const [first] = plannedBatches();
    const [later] = plannedBatches([first!], 600);
    expect(later!.id).toBe(first!.id);
    expect(later!.startMs).toBeGreaterThanOrEqual(START + 600 * MIN);
    const marks = { isPinned: () => true, accepted: () => ['night'] as const };
    const [put] = plannedBatchesOf(planned(), occurrences, START, [first!], () => ulid(), marks);
    expect([put!.id, put!.pinned, put!.accepted]).toEqual([first!.id, true, ['night']]);
    expect(later!.occurrenceId).toBe(order.id);
    for (const { atMs, earliestMs, latestMs } of first!.tasks) {
      expect(earliestMs).toBeLessThanOrEqual(atMs + 1);
      expect(latestMs).toBeGreaterThanOrEqual(atMs - 1);
    }
  });

  it('puts hands that follow each other into one visit, and loses none', () => {
    const { tasks } = plannedBatches()[0]!;
    const visits = visitsOf(tasks);
    expect(visits.flatMap((s) => s.tasks)).toEqual([...tasks]);
    expect(visits.length).toBeLessThan(tasks.length);
    visits.forEach((s, i) => i > 0 && expect(s.fromMs - visits[i - 1]!.untilMs).toBeGreaterThan(30 * MIN));
  });

  it('is a calendar that a second parser reads: visits with alarms, the feeding, when it is handed on', async () => {
    const [plannedBatch] = plannedBatches();
    expect((await put(plannedBatch!, 0)).status).toBe(201);
    const text = await calendar();
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBeTrue();
    const events = eventsOf(text);
    const visits = visitsOf(plannedBatch!.tasks);
    expect(plannedBatch!.feed).not.toBeNull();
    expect(events.size).toBe(visits.length + 2 + 1);
    for (const { fromMs, tasks } of visits) {
      const { event, component } = events.get(`${plannedBatch!.id}-${tasks[0]!.stageId}@oat-crock`)!;
      expect(event.startDate.toJSDate().getTime()).toBe(Math.floor(fromMs / 1000) * 1000);
      expect(event.summary).toContain(WHOM);
      expect(event.description).toContain(english(tasks[0]!.says));
      const [alarm] = component.getAllSubcomponents('valarm');
      expect(alarm!.getFirstPropertyValue('action')).toBe('DISPLAY');
      expect(String(alarm!.getFirstPropertyValue('trigger'))).toBe('-PT10M');
    }
    const due = events.get(`${plannedBatch!.id}-due@oat-crock`)!;
    expect(due.event.startDate.toJSDate().getTime()).toBe(plannedBatch!.dueMs!);
    expect(due.component.getAllSubcomponents('valarm')).toEqual([]);
  });

  it('moved or taken away says so under the same UIDs, in a later version', async () => {
    const [plannedBatch] = plannedBatches();
    await put(plannedBatch!, 0);
    const before = eventsOf(await calendar());
    await put(plannedBatches([plannedBatch!], 600)[0]!, 1);
    const after = eventsOf(await calendar());
    const uid = `${plannedBatch!.id}-${plannedBatch!.tasks[0]!.stageId}@oat-crock`;
    expect(before.get(uid)!.event.sequence).toBe(0);
    expect(after.get(uid)!.event.sequence).toBe(1);
    await request(app).delete(`${API}/planned-batches/${plannedBatch!.id}`).set('if-match', '"2"');
    const gone = [...eventsOf(await calendar()).values()];
    expect(gone.every(({ component }) => component.getFirstPropertyValue('status') === 'CANCELLED')).toBeTrue();
    expect((await request(app).get(`${API}/plan.json`)).body.plannedBatches).toEqual([]);
  });

  it('once begun keeps the hands that are still to come, under the same UIDs, where its forecast has them', async () => {
    const clock = kitchen.clock.now();
    const shift = (planned: PlannedBatch, byMs: number): PlannedBatch => ({
      ...planned,
      ...{ startMs: planned.startMs + byMs, readyMs: planned.readyMs + byMs, readyLateMs: planned.readyLateMs + byMs },
      dueMs: planned.dueMs! + byMs,
      tasks: planned.tasks.map((t) => ({
        ...t,
        atMs: t.atMs + byMs,
        earliestMs: t.earliestMs + byMs,
        latestMs: t.latestMs + byMs,
      })),
    });
    const [first] = plannedBatches();
    const planned = shift(first!, clock - first!.startMs);
    await put(planned, 0);
    const batchId = ulid(clock);
    const started = { type: 'started', methodId: planned.methodId, choices: planned.choices, name: 'Thick' };
    kitchen.entries.append([entryOf(batchId, started as never, clock)]);
    await put({ ...planned, batchId }, 1);
    const before = eventsOf(await calendar());
    const souring = [...before].filter(([uid]) => uid.startsWith(planned.id) && uid.includes('-chill@'));
    expect(souring.length).toBe(1);
    const of = (events: typeof before) => events.get(souring[0]![0])!.event;
    expect(of(before).startDate.toJSDate().getTime()).toBeGreaterThan(clock + 3 * 60 * MIN);
    // It is put warm two hours late: what comes after is later, too, and says so in a later version.
    kitchen.clock.set({ kitchenMs: clock + 170 * MIN });
    kitchen.entries.append([entryOf(batchId, { type: 'step', stageId: 'warm' } as never, clock + 168 * MIN)]);
    const after = eventsOf(await calendar());
    expect(of(after).startDate.toJSDate().getTime()).toBeGreaterThan(
      of(before).startDate.toJSDate().getTime() + 60 * MIN,
    );
    expect(of(after).sequence).toBeGreaterThan(of(before).sequence);
    // Thrown away it has no hands any more, and nothing to hand on.
    kitchen.entries.append([entryOf(batchId, { type: 'discarded', reason: 'foul' } as never, clock + 169 * MIN)]);
    const gone = [...eventsOf(await calendar()).values()].map(({ component }) =>
      component.getFirstPropertyValue('status'),
    );
    expect(gone.length).toBeGreaterThan(2);
    expect(new Set(gone)).toEqual(new Set(['CANCELLED']));
  });

  it('names who does what, and gives each who helps a calendar of their own', async () => {
    const [first] = plannedBatches();
    const tasks = first!.tasks.map((task, i) => (i === 0 ? task : { ...task, who: 'Ines' }));
    await put({ ...first!, tasks }, 0);
    const all = eventsOf(await calendar());
    const own = eventsOf((await request(app).get(`${API}/plan.ics?who=Ines`)).text);
    expect(own.size).toBeGreaterThan(1);
    expect(own.size).toBeLessThan(all.size);
    for (const { event } of own.values()) expect(event.summary).toContain(', Ines: ');
    // One visit is of one of them: the first hands stand alone.
    expect(all.get(`${first!.id}-${tasks[1]!.stageId}@oat-crock`)!.event.summary).toContain(', Ines: ');
    expect(all.get(`${first!.id}-${tasks[0]!.stageId}@oat-crock`)!.event.summary).not.toContain('Ines');
    expect((await request(app).get(`${API}/plan.csv`)).text).toContain('Ines');
    expect((await request(app).get(`${API}/plan.ics?who=`)).status).toBe(422);
  });

  it('has hands of two in the calendar of each of them', async () => {
    const [first] = plannedBatches();
    const tasks = first!.tasks.map((task, i) => (i === 1 ? { ...task, who: 'Ines', with: 'Bo' } : task));
    await put({ ...first!, tasks }, 0);
    for (const who of ['Ines', 'Bo']) {
      const own = eventsOf((await request(app).get(`${API}/plan.ics?who=${who}`)).text);
      expect([...own.values()].map(({ event }) => event.summary)).toEqual([
        jasmine.stringContaining(', Ines and Bo: '),
      ]);
    }
    expect((await request(app).get(`${API}/plan.csv`)).text).toContain('Ines and Bo');
  });

  it('asks to be asked for again, and says nothing any more of what is long over', async () => {
    const [plannedBatch] = plannedBatches();
    await put(plannedBatch!, 0);
    const text = await calendar();
    expect(text).toContain('REFRESH-INTERVAL;VALUE=DURATION:PT1H');
    expect(text).toContain('X-PUBLISHED-TTL:PT1H');
    const edge = plannedBatch!.dueMs! + 30 * DAY_MIN * MIN;
    for (const [nowMs, events] of [
      [edge, true],
      [edge + 1, false],
    ] as const)
      expect(
        calendarOf([{ item: plannedBatch!, version: 1, goneMs: null }], nowMs, kitchen.words).includes('VEVENT'),
      ).toBe(events);
  });

  it('has hands for as long as they must stay', () => {
    const { tasks } = plannedBatches()[0]!;
    const { steps } = planned().makes[0]!.network;
    const heat = steps.findIndex((s) => s.stageId === 'heat');
    expect(steps[heat]!.attended).toBeTrue();
    expect(tasks[heat]!.minutes).toBeCloseTo(steps[heat]!.lasts.likely, 6);
  });

  it('is a table of its hands, and whole as JSON that can be put back', async () => {
    const [plannedBatch] = plannedBatches();
    await put(plannedBatch!, 0);
    await request(app).put(`${API}/orders/${order.id}`).set('if-none-match', '*').send(order);
    const table = (await request(app).get(`${API}/plan.csv`)).text.trimEnd().split('\r\n');
    expect(table.length).toBe(1 + plannedBatch!.tasks.length);
    expect(table[0]!.replaceAll('"', '')).toBe(
      'at,minutes,earliest,latest,make,part,for,stage,hands,who,ready,due,product_g,gear',
    );
    expect(table[1]).toContain('"Bakery; west quay, ""thick"""');
    const cells = (text: string) => text.replaceAll('"', '""');
    for (const { says } of plannedBatch!.tasks) expect(table.join('\n')).toContain(cells(english(says)));
    const whole = (await request(app).get(`${API}/plan.json`)).body;
    expect(whole).toEqual(
      jasmine.objectContaining({ oatCrock: 'plan', version: 1, orders: [order], plannedBatches: [plannedBatch] }),
    );
    expect((await put(whole.plannedBatches[0], 1)).status).toBe(200);
  });

  it('that is not one is refused by the field', async () => {
    const [plannedBatch] = plannedBatches();
    const answer = await put({ ...plannedBatch!, tasks: [{ ...plannedBatch!.tasks[0]!, atMs: -1 }] }, 0);
    expect(answer.body.errors[0].field).toBe('tasks.0.atMs');
  });
});
