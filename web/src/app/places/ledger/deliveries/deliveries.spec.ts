import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { USUAL_SETTINGS, type WantedOrder } from '@oat-crock/contract/api';
import type { Entry, EntryBody } from '@oat-crock/core';
import { Paper } from '../../../shared/paper/paper';
import { OwnOrders } from '../../../state/own-orders';
import { RecordActions, recordsFeature } from '../../../state/records.feature';
import { pageOf } from '../../../testing/page';
import { until } from '../../../testing/until';
import { Today } from '../../today/today';
import { InStock } from '../in-stock';
import { DeliveryRow } from './delivery-row';
import { Deliveries } from './deliveries';
import { type deliveryNote } from './delivery-note';

const NOW = Date.UTC(2026, 4, 5, 12);
const HOUR = 3_600_000;
const ORDER: WantedOrder = {
  id: '01J0000000000000000000ABCD',
  whom: 'the quay market',
  methodId: 'scalded-yogurt',
  choices: {},
  productG: 2400,
  due: { is: 'once', atMs: NOW + 20 * HOUR },
  note: 'Before the ferry.',
};

/** Makes of other tests have other ids: replays are kept by them. */
let logs = 0;

/** A yogurt that was finished two days ago in nine pots of 400 g. */
function made(n: number, useBy: string, ...more: readonly EntryBody[]): Entry[] {
  const log = String(++logs).padStart(4, '0');
  const bodies: readonly EntryBody[] = [
    { type: 'started', methodId: 'scalded-yogurt', choices: {}, name: `Pot ${n}` },
    { type: 'finished', productG: 3600, wheyG: null, heldBackG: null, score: null, pots: 9, useBy, openDays: 7 },
    ...more,
  ];
  return bodies.map((body, i) => ({
    id: `01J0000000000000000${log}${String(i).padStart(3, '0')}`,
    batchId: `01J0000000000000000000${log}`,
    atMs: NOW - 48 * HOUR + (i - 1) * HOUR,
    source: 'hand',
    body,
  }));
}
const told = (...orders: readonly WantedOrder[]) =>
  RecordActions.received({ records: { orders: orders.map((item) => ({ version: 1, goneMs: null, item })) } });
const FOR_IT = { type: 'issued', how: 'sold', to: ORDER.whom, occurrenceId: ORDER.id } as const;
const pageWith = (entries: readonly Entry[], ...orders: readonly WantedOrder[]) =>
  pageOf(Deliveries, entries, NOW, {}, [], [told(...orders)]);

describe('what is to be handed over', () => {
  it('is set apart of the lot to be eaten first, and ticked off pot by pot, a tick taken back', async () => {
    const page = await pageWith([...made(1, '2026-05-20'), ...made(2, '2026-05-12')], ORDER);
    expect(page.text()).toContain('6 pots here for it');
    expect(page.text()).toContain('Before the ferry.');
    expect(page.element.querySelectorAll('.lot').length).toBe(1);
    await page.click(/^Pot 1 of/);
    await page.click(/^Pot 2 of/);
    expect(page.written().map((e) => e.body)).toEqual([
      { ...FOR_IT, pots: 1 },
      { ...FOR_IT, pots: 1 },
    ]);
    expect(page.text()).toContain('2 pots handed over, 4 pots here for it');
    await page.click(/^Pot 1 of/);
    expect(page.written().at(-1)!.body).toEqual(jasmine.objectContaining({ type: 'correction', body: null }));
    await page.click(/^Hand over 5 pots of/);
    expect(page.text()).toContain('Done: 6 pots handed over.');
    // Of a line of several, a tick taken back leaves one less.
    await page.click(/^Pot 6 of/);
    expect(page.written().at(-1)!.body).toEqual(jasmine.objectContaining({ body: { ...FOR_IT, pots: 4 } }));
  });

  it('goes from another lot where none is set apart; nothing of a held lot is offered or taken', async () => {
    const held = made(3, '2026-05-20', { type: 'held', by: 'Ine', reason: 'smells of yeast' });
    const salted = { ...ORDER, choices: { targetPh: 4.9 } };
    const page = await pageWith([...made(1, '2026-05-20'), ...held], salted);
    expect(page.text()).toContain('2.40 kg missing');
    const row = page.element.querySelector('oc-delivery-row')!;
    expect(row.querySelectorAll('.lot').length).toBe(0);
    const orders = TestBed.inject(OwnOrders);
    expect(orders.wanted()[0]!.filling.fromStock).toEqual([]);
    expect(page.element.querySelector('oc-option-field')).not.toBeNull();
    expect(await pageWith(held, ORDER).then((alone) => alone.element.querySelector('oc-option-field'))).toBeNull();
  });

  it('is ticked off at the time it went, where that is said, and not before it was made', async () => {
    const page = await pageWith(made(1, '2026-05-20'), ORDER);
    await page.click('10 min ago');
    await page.click(/^Pot 1 of/);
    expect(page.written().at(-1)!.atMs).toBe(NOW - 10 * 60_000);
    const young = made(2, '2026-05-20').map((entry) => ({ ...entry, atMs: entry.atMs + 48 * HOUR - 60_000 }));
    const early = await pageWith(young, ORDER);
    await early.click('10 min ago');
    await early.click(/^Pot 1 of/);
    expect(early.written()).toEqual([]);
    expect(early.element.querySelector('oc-when-row [role="alert"], oc-when-row .problem')).not.toBeNull();
  });

  it('takes of another lot as much as is missing', async () => {
    const other = made(1, '2026-05-20');
    const page = await pageWith(other, { ...ORDER, choices: { targetPh: 4.9 } });
    const row = page.fixture.debugElement.query(By.directive(DeliveryRow)).componentInstance as DeliveryRow;
    (row as unknown as { chosen: { set: (id: string) => void } }).chosen.set(other[0]!.batchId);
    await page.fixture.whenStable();
    await page.click(/^Hand over 6 pots of/);
    expect(page.written()[0]!.body).toEqual({ ...FOR_IT, pots: 6 });
    expect(page.text()).toContain('Done: 6 pots handed over.');
  });

  it('counts on a make that is on, and on none that is held', async () => {
    const on = made(1, '2026-05-20').slice(0, 1);
    const some = { ...ORDER, due: { is: 'some time' } } as const;
    const coming = async (log: readonly Entry[]) => {
      await pageWith(log, some);
      return TestBed.inject(OwnOrders).wanted()[0]!.filling.coming.length;
    };
    expect(await coming(on)).toBe(1);
    const held: EntryBody = { type: 'held', by: 'Ine', reason: 'smells of yeast' };
    expect(await coming([...on, { ...on[0]!, id: `${on[0]!.id.slice(0, -1)}9`, body: held }])).toBe(0);
  });

  it('is settled by a word, kept with its order, and asked about no more', async () => {
    const page = await pageWith(made(1, '2026-05-20', { ...FOR_IT, pots: 3 }), ORDER);
    await page.click('Nothing more goes out');
    const [writing] = Object.values(page.store.selectSignal(recordsFeature.selectWriting)());
    expect((writing!.draft as WantedOrder).settled).toEqual([ORDER.id]);
    page.store.dispatch(told({ ...ORDER, settled: [ORDER.id] }));
    await page.fixture.whenStable();
    expect(page.text()).toContain('Nothing is to be handed over');
  });

  it('that was not handed over in time is asked about for days, then forgotten; some time is always', async () => {
    const due = (hours: number): WantedOrder => ({ ...ORDER, due: { is: 'once', atMs: NOW + hours * HOUR } });
    const textOf = async (order: WantedOrder) => (await pageWith([], order)).text();
    expect(await textOf(due(-30))).toContain('Not handed over yet');
    expect(await textOf(due(-80))).toContain('Nothing is to be handed over');
    expect(await textOf({ ...ORDER, due: { is: 'some time' } })).toContain('Some time');
  });

  it('is said on Today a day ahead, and what somebody gets who waits for it is for their order', async () => {
    const today = await pageOf(Today, made(1, '2026-05-20'), NOW, {}, [], [told(ORDER)]);
    expect(today.text()).toContain('Scalded yogurt for the quay market, 2.40 kg here for it.');
    const page = await pageOf(InStock, made(1, '2026-05-20'), NOW, {}, [], [told(ORDER)]);
    await page.click(/Pot 1/);
    const to = page.element.querySelector<HTMLInputElement>('oc-move-out input.type')!;
    to.value = 'The quay market';
    to.dispatchEvent(new Event('input'));
    await page.click('Sold');
    expect(page.written()[0]!.body).toEqual({ ...FOR_IT, to: 'The quay market', pots: 1 });
    await page.click('Eaten');
    expect(page.written()[1]!.body).toEqual({ type: 'issued', how: 'eaten', pots: 1 });
  });

  it('leaves a plan only what has still to be made', async () => {
    const page = await pageWith(
      made(1, '2026-05-20', { ...FOR_IT, pots: 2 }, { type: 'issued', how: 'eaten', pots: 6 }),
      ORDER,
    );
    const orders = TestBed.inject(OwnOrders);
    const occurrence = orders.wanted()[0]!.occurrence;
    expect(orders.toMake([occurrence]).map((o) => o.order.productG)).toEqual([1200]);
    page.store.dispatch(told({ ...ORDER, productG: 1300 }));
    expect(orders.toMake([orders.wanted()[0]!.occurrence])).toEqual([]);
  });

  it('has a note with each lot, its count and its last day, who made it and who gets it', async () => {
    const saved: [string, object][] = [];
    const paper = { save: (name: string, page: object) => Promise.resolve(void saved.push([name, page])) };
    const page = await pageOf(
      ...[Deliveries, made(1, '2026-05-20', { ...FOR_IT, pots: 6 }), NOW, {}],
      [{ provide: Paper, useValue: paper }],
      [told(ORDER)],
    );
    await page.click('Delivery note (PDF)');
    await until(() => saved.length > 0);
    const [[name, note]] = saved as [[string, ReturnType<typeof deliveryNote>]];
    expect(name).toBe('delivery-note-2026-05-03-abcd-the-quay-market');
    const words = JSON.stringify(note);
    for (const said of ['the quay market', '260503-', '6 pots', '2.40 kg in all', '20 May 2026', 'Before the ferry.'])
      expect(words).withContext(said).toContain(said);
    expect(words).toContain(`Keep at ${USUAL_SETTINGS.refrigeratorC.toFixed(1)}`);
  });
});
