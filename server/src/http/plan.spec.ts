import { occurrencesOf, personOver } from '@oat-crock/calendar';
import { poursOf, sittingsOf, type PlannedPour, type WantedOrder } from '@oat-crock/contract';
import { methodById, planFor, type Plan } from '@oat-crock/core';
import { EIGHT_PIECES } from '@oat-crock/core/testing';
import ICAL from 'ical.js';
import type { Express } from 'express';
import request from 'supertest';
import { ulid } from 'ulid';
import type { Kitchen } from '../kitchen.js';
import { testKitchen } from '../testing/kitchen.js';

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
      starters: [{ culture: 'thermophilic', massG: 60, vigour: 0.4, lossPerDay: 0.045 }],
      horizonMin: 7 * DAY_MIN,
      seed: 1,
    },
    20,
  );
}
const pours = (before: readonly PlannedPour[] = [], fromMin = 0) =>
  poursOf(planned(fromMin), occurrences, START, before, () => ulid());

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
  ({ kitchen, app } = testKitchen());
});
afterEach(() => {
  kitchen.events.close();
  kitchen.db.close();
});

const put = (pour: PlannedPour, over: number) =>
  request(app)
    .put(`${API}/pours/${pour.id}`)
    .set(over === 0 ? 'if-none-match' : 'if-match', over === 0 ? '*' : `"${over}"`)
    .send(pour);
const calendar = async () => (await request(app).get(`${API}/plan.ics`)).text;

describe('a plan that was taken', () => {
  it('keeps each make by its order, day and part: moved, it is the same make', () => {
    const [first] = pours();
    const [later] = pours([first!], 600);
    expect(later!.id).toBe(first!.id);
    expect(later!.startMs).toBeGreaterThanOrEqual(START + 600 * MIN);
    const marks = { isPinned: () => true, accepted: () => ['night'] as const };
    const [put] = poursOf(planned(), occurrences, START, [first!], () => ulid(), marks);
    expect([put!.id, put!.pinned, put!.accepted]).toEqual([first!.id, true, ['night']]);
    expect(later!.occurrenceId).toBe(order.id);
    for (const { atMs, earliestMs, latestMs } of first!.hands) {
      expect(earliestMs).toBeLessThanOrEqual(atMs + 1);
      expect(latestMs).toBeGreaterThanOrEqual(atMs - 1);
    }
  });

  it('puts hands that follow each other into one visit, and loses none', () => {
    const { hands } = pours()[0]!;
    const sittings = sittingsOf(hands);
    expect(sittings.flatMap((s) => s.hands)).toEqual([...hands]);
    expect(sittings.length).toBeLessThan(hands.length);
    sittings.forEach((s, i) => i > 0 && expect(s.fromMs - sittings[i - 1]!.untilMs).toBeGreaterThan(30 * MIN));
  });

  it('is a calendar that a second parser reads: visits with alarms, the feeding, when it is handed on', async () => {
    const [pour] = pours();
    expect((await put(pour!, 0)).status).toBe(201);
    const text = await calendar();
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBeTrue();
    const events = eventsOf(text);
    const visits = sittingsOf(pour!.hands);
    expect(pour!.feed).not.toBeNull();
    expect(events.size).toBe(visits.length + 2 + 1);
    for (const { fromMs, hands } of visits) {
      const { event, component } = events.get(`${pour!.id}-${hands[0]!.stageId}@oat-crock`)!;
      expect(event.startDate.toJSDate().getTime()).toBe(Math.floor(fromMs / 1000) * 1000);
      expect(event.summary).toContain(WHOM);
      expect(event.description).toContain(hands[0]!.says);
      const [alarm] = component.getAllSubcomponents('valarm');
      expect(alarm!.getFirstPropertyValue('action')).toBe('DISPLAY');
      expect(String(alarm!.getFirstPropertyValue('trigger'))).toBe('-PT10M');
    }
    const due = events.get(`${pour!.id}-due@oat-crock`)!;
    expect(due.event.startDate.toJSDate().getTime()).toBe(pour!.dueMs!);
    expect(due.component.getAllSubcomponents('valarm')).toEqual([]);
  });

  it('moved or taken away says so under the same UIDs, in a later version', async () => {
    const [pour] = pours();
    await put(pour!, 0);
    const before = eventsOf(await calendar());
    await put(pours([pour!], 600)[0]!, 1);
    const after = eventsOf(await calendar());
    const uid = `${pour!.id}-${pour!.hands[0]!.stageId}@oat-crock`;
    expect(before.get(uid)!.event.sequence).toBe(0);
    expect(after.get(uid)!.event.sequence).toBe(1);
    await request(app).delete(`${API}/pours/${pour!.id}`).set('if-match', '"2"');
    const gone = [...eventsOf(await calendar()).values()];
    expect(gone.every(({ component }) => component.getFirstPropertyValue('status') === 'CANCELLED')).toBeTrue();
    expect((await request(app).get(`${API}/plan.json`)).body.pours).toEqual([]);
  });

  it('once begun is no more in the calendar, as the make itself has its hands', async () => {
    const [pour] = pours();
    await put({ ...pour!, batchId: ulid() }, 0);
    expect(eventsOf(await calendar()).size).toBe(0);
  });

  it('is a table of its hands, and whole as JSON that can be put back', async () => {
    const [pour] = pours();
    await put(pour!, 0);
    await request(app).put(`${API}/orders/${order.id}`).set('if-none-match', '*').send(order);
    const table = (await request(app).get(`${API}/plan.csv`)).text.trimEnd().split('\r\n');
    expect(table.length).toBe(1 + pour!.hands.length);
    expect(table[0]).toBe('at,minutes,earliest,latest,make,part,for,stage,hands,ready,due,product_g,gear');
    expect(table[1]).toContain('"Bakery; west quay, ""thick"""');
    const whole = (await request(app).get(`${API}/plan.json`)).body;
    expect(whole).toEqual(jasmine.objectContaining({ oatCrock: 'plan', version: 1, orders: [order], pours: [pour] }));
    expect((await put(whole.pours[0], 1)).status).toBe(200);
  });

  it('that is not one is refused by the field', async () => {
    const [pour] = pours();
    const answer = await put({ ...pour!, hands: [{ ...pour!.hands[0]!, atMs: -1 }] }, 0);
    expect(answer.body.errors[0].field).toBe('hands.0.atMs');
  });
});
