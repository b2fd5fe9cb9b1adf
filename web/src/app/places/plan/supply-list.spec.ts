import type { Supply } from '@oat-crock/contract/api';
import type { StockLot } from '@oat-crock/core';
import { lotOfSupply } from '../../state/own-supplies';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import { GEAR, HOUR, idOf, NOW, openPlan, order, written } from '../../testing/plan-page';
import { comesAs, newSupply, supplyRows } from './supply-fields';

const DAY = 24 * HOUR;
const supply = (more: Partial<Supply> = {}): Supply => ({
  ...newSupply(idOf(900), NOW),
  name: 'Near meadow',
  massG: 4000,
  comes: { is: 'once', atMs: NOW + DAY },
  ...more,
});
const drafts = (page: Awaited<ReturnType<typeof openPlan>>, family: string) =>
  Object.values(page.store.selectSignal(recordsFeature.selectWriting)())
    .filter((w) => w.family === family)
    .map((w) => w.draft as unknown);

describe('milk that comes, in the plan', () => {
  it('begins nothing before it is there, and says how much of it is taken and what is left', async () => {
    const page = await openPlan({ orders: [order(1, { productG: 2000 })], supplies: [supply()] });
    const [batch] = page.plans.standing()!.plannedBatches;
    expect(batch!.startMs).toBeGreaterThanOrEqual(NOW + DAY);
    expect(page.text()).toMatch(/Tue 09:00: 2\.\d+ kg of 4\.00 kg taken/);
    expect(page.plans.standing()!.buys).toEqual([]);
  });

  it('that is too little leaves one out, and says what to buy by when for it', async () => {
    const page = await openPlan({
      orders: [order(1), order(2, { whom: 'the school', due: { is: 'once', atMs: NOW + 80 * HOUR } })],
      supplies: [supply()],
    });
    expect(page.text()).toMatch(/Milk is short by 2\.\d+ kg when it would begin: .* takes what comes\./);
    expect(page.text()).toContain('Not taken yet: Hands in working hours. What is in it holds;');
    expect(page.text()).toMatch(/Buy 2\.\d+ kg milk, by .* and Scalded yogurt for the (school|quay) can be made/);
  });

  it('names an order once, though several of its makes are left out', async () => {
    const page = await openPlan({ orders: [order(1, { productG: 20_000 })], supplies: [supply()] });
    const [shown] = page.plans.searching()!.found;
    expect(shown!.notMet.map((n) => n.occurrenceId)).toEqual([idOf(1)]);
  });

  it('says what goes off with some of it left', async () => {
    const page = await openPlan({
      orders: [order(1, { productG: 1000, due: { is: 'once', atMs: NOW + 6 * DAY } })],
      supplies: [
        supply({ massG: 9000, keepsDays: 2 }),
        supply({ id: idOf(901), comes: { is: 'once', atMs: NOW + 4 * DAY } }),
      ],
    });
    expect(page.text()).toMatch(/kg of Near meadow \(Tue 09:00\) is left when it goes off/);
  });

  it('that was to come is asked about: it stands in the larder then, and no more among what comes', async () => {
    const page = await openPlan({
      orders: [order(1)],
      supplies: [supply({ comes: { is: 'once', atMs: NOW - HOUR } })],
    });
    expect(page.text()).toContain('Mon 08:00: is it here?');
    // Until somebody says otherwise it is taken to be here.
    expect(page.plans.standing()!.notMet).toEqual([]);
    await page.click('It is here');
    await page.settled();
    const [lot] = drafts(page, 'lots') as StockLot[];
    expect([lot!.name, lot!.amount, lot!.kind, lot!.useBy]).toEqual(['Near meadow', 4000, 'milk', '2026-05-08']);
    expect(lot!.material.fatPct).toBe(4);
    expect((drafts(page, 'supplies')[0] as Supply).settled).toEqual([idOf(900)]);
  });

  it('is made into a lot that ends on the day it does', () => {
    const lot = lotOfSupply(supply({ keepsDays: 3, price: 1.5 }), 'lot', NOW);
    expect([lot.useBy, lot.price, lot.treatment, lot.species]).toEqual(['2026-05-07', 1.5, 'raw', 'cow']);
    expect(lot.material.lactosePct + lot.material.mineralsPct).toBeGreaterThan(5);
  });
});

describe('the form of milk that comes', () => {
  it('says what is wrong once, at its field', async () => {
    const nowhere = supply({ name: '', comes: { is: 'weekly', days: [], atH: 7, fromMs: NOW } });
    const page = await openPlan({ orders: [] });
    page.store.dispatch(RecordActions.edited({ family: 'supplies', draft: nowhere, overVersion: 0 }));
    const errors = ['comes.days', 'name'].map((field) => ({ field, message: `wrong: ${field}`, remedy: 'Mend it.' }));
    page.store.dispatch(RecordActions.refused({ id: nowhere.id, errors }));
    await page.fixture.whenStable();
    expect(page.text().match(/wrong: comes\.days/g)).toHaveSize(1);
    expect(page.text().match(/wrong: name/g)).toHaveSize(1);
  });

  const rows = (of: Supply, changed: Partial<Supply>[] = []) =>
    supplyRows(
      of,
      (c) => changed.push(c),
      () => NOW,
    );
  const ids = (of: Supply) => rows(of).map((r) => r.id.replace('supply-', ''));

  it('asks for a moment of what comes once, for days and an hour of what comes each week', () => {
    expect(ids(supply())).toContain('at');
    expect(ids(newSupply('a', NOW))).toEqual(jasmine.arrayContaining(['days', 'hour']));
  });

  it('keeps the day and the hour as it comes once, or each week, from now on', () => {
    const weekly = comesAs('weekly', { is: 'once', atMs: NOW + DAY }, NOW);
    expect(weekly).toEqual({ is: 'weekly', days: [2], atH: 9, fromMs: NOW });
    const once = comesAs('once', weekly, NOW);
    expect(once).toEqual({ is: 'once', atMs: NOW + DAY });
    expect(comesAs('once', once, NOW)).toBe(once);
  });

  it('takes what cream is like where it is cream', () => {
    const changed: Partial<Supply>[] = [];
    const [kind] = rows(supply(), changed);
    (kind as { set: (value: unknown) => void }).set('cream');
    expect(changed[0]).toEqual(jasmine.objectContaining({ kind: 'cream', fatPct: 36 }));
  });
});

describe('orders that are made as one, in the plan', () => {
  it('are begun together, each says so, and the make says what is whose', async () => {
    const big = GEAR.map((g) => (g.kind === 'thermostat' ? { ...g, holdsL: 12 } : g));
    const orders = [order(1, { productG: 2000 }), order(2, { whom: 'the school', productG: 1500 })];
    const page = await openPlan({ orders, gear: big });
    expect(page.text()).toMatch(/begin \w+ \d\d:\d\d, as one make with others/);
    const lane = page.lane(/for the quay and the school/)!;
    await page.press(lane, 'Enter');
    expect(page.text()).toMatch(/As one make: 2\.0\d kg for the quay \(.*\) and 1\.5\d kg for the school/);
    expect(await page.key('t')).toBeTrue();
    const [batch] = written(page);
    expect(written(page)).toHaveSize(1);
    expect(batch!.shares!.map((s) => s.occurrenceId)).toEqual([idOf(1), idOf(2)]);
  });

  it('are made apart where one is to be on its own', async () => {
    const big = GEAR.map((g) => (g.kind === 'thermostat' ? { ...g, holdsL: 12 } : g));
    const orders = [order(1, { productG: 2000, alone: true }), order(2, { whom: 'the school', productG: 1500 })];
    const page = await openPlan({ orders, gear: big });
    expect(page.text()).not.toContain('as one make');
    expect(page.plans.standing()!.plannedBatches).toHaveSize(2);
  });
});
