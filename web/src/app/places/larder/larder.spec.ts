import { TestBed } from '@angular/core/testing';
import { USUAL_SETTINGS, type Kept } from '@oat-crock/contract/api';
import {
  HOB,
  METRIC,
  referenceStock,
  type Entry,
  type EntryBody,
  type Gear,
  type Lot,
  type StockLot,
} from '@oat-crock/core';
import { kitchenOf } from '@oat-crock/calendar';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import { measureIn } from '../../shared/ui/reader';
import { pageOf, type TestPage } from '../../testing/page';
import { BlendPanel } from './blend-panel';
import { BottleMeasure } from './bottle-measure';
import { dayOf } from '../../shared/ui/days';
import { differences } from './differences';
import { valueAt, withValue } from './fields';
import { LabelForm } from './label-form';
import { LarderPlace } from './larder';
import { MeasurePanel } from './measure-panel';
import { newGear, newLot, ofReference } from './new-records';
import { RecordForm } from './record-form';
import { RecordPanel } from './record-panel';
import { recordProblems } from '../../state/record-problems';

const BATCH = '01J00000000000000000000BAT';
const entry = (n: number, body: EntryBody): Entry => ({
  id: idOf(500 + n),
  batchId: BATCH,
  atMs: NOW,
  source: 'hand',
  body,
});
const started = () => entry(0, { type: 'started', methodId: 'strained-yogurt', choices: {}, name: 'Pot' });
const NOW = Date.UTC(2026, 4, 2, 9);
const DAY = 86_400_000;
const idOf = (n: number) => `01J00000000000000000000${String(n).padStart(3, '0')}`;
const day = (n: number) => dayOf(NOW + n * DAY);

function milk(n: number, more: Partial<StockLot> = {}): Lot {
  const draft = newLot(idOf(n), 'milk', NOW - DAY) as unknown as StockLot;
  return { ...draft, ...ofReference(referenceStock('whole')), amount: 8000, ...more } as Lot;
}
const kept = <T>(item: T, version = 1, goneMs: number | null = null): Kept<T> => ({ version, goneMs, item });
const tell = (page: TestPage<unknown>, lots: Kept<Lot>[], gear: Kept<Gear>[] = []) => {
  page.store.dispatch(RecordActions.received({ records: { lots, gear } }));
  return page.fixture.whenStable();
};
const names = (page: TestPage<unknown>, board: string) =>
  [...page.element.querySelectorAll(`[aria-label="${board}"] b`)].map((b) => b.textContent.trim());
const stateOf = (page: TestPage<unknown>) => page.store.selectSignal(recordsFeature.selectRecordsState)();

describe('the larder', () => {
  it('shows each lot on its board, what is to be used first leading, and what is left of it', async () => {
    const page = await pageOf(LarderPlace, [started()], NOW);
    const evening = milk(1, { name: 'Evening milk', useBy: day(5) });
    await tell(page, [kept(evening), kept(milk(2, { name: 'Near its date', useBy: day(1) }))]);
    expect(names(page, 'Cold')).toEqual(['Near its date', 'Evening milk']);
    expect(page.text()).toContain('8.00 kg, 3.6 %');
    expect(page.element.querySelector('.date.soon')!.textContent).toContain('3 May');
  });

  it('takes what makes took off what is left, and warns of a date that is past', async () => {
    const took = entry(1, { type: 'took', lotId: idOf(1), massG: 3000 });
    const page = await pageOf(LarderPlace, [started(), took], NOW);
    await tell(page, [kept(milk(1, { name: 'Evening milk', useBy: day(-1) }))]);
    expect(page.text()).toContain('5.00 kg');
    expect(page.element.querySelector('.date.past')).not.toBeNull();
    expect(page.text()).toContain('a day past its date');
    expect(page.element.querySelector('.side')!.textContent).not.toContain('Good for');
  });

  it('says what a lot near its date is good for', async () => {
    const page = await pageOf(LarderPlace, [], NOW);
    const cream = { ...milk(3, { name: 'Cream', useBy: day(0) }), kind: 'cream' as const };
    await tell(page, [kept({ ...cream, ...ofReference(referenceStock('cream-36')), name: 'Cream' } as Lot)]);
    const links = [...page.element.querySelectorAll<HTMLAnchorElement>('.ideas a')];
    expect(links.map((a) => a.textContent.trim())).toContain('Cultured butter');
    expect(links[0]!.search).toBe(`?of=${idOf(3)}`);
  });

  it('lists a new thing once, also where the news of it come before the answer', async () => {
    const page = await pageOf(LarderPlace, [], NOW);
    await tell(page, [kept(milk(1, { name: 'Evening milk' }))]);
    const draft = { ...milk(4, { name: 'New milk' }) };
    page.store.dispatch(RecordActions.edited({ family: 'lots', draft, overVersion: 0 }));
    await page.fixture.whenStable();
    expect(names(page, 'Cold')).toEqual(['Evening milk', 'New milk']);
    await tell(page, [kept(draft)]);
    expect(names(page, 'Cold').filter((name) => name === 'New milk')).toHaveSize(1);
  });

  it('leads out of an empty larder', async () => {
    const page = await pageOf(LarderPlace, [], NOW);
    expect(page.text()).toContain('Add the milk you have');
  });
});

describe('writing a record', () => {
  it('begins right by its own schema, whatever its kind', async () => {
    const kinds = [
      'milk',
      'cream',
      'powder',
      'base',
      'whey',
      'acid',
      'rennet',
      'calcium',
      'salt',
      'cloth',
      'other',
    ] as const;
    for (const kind of kinds)
      expect(await recordProblems('lots', newLot(idOf(1), kind, NOW)))
        .withContext(kind)
        .toEqual([]);
    for (const kind of ['pot', 'flask', 'hob', 'thermostat', 'lamp-oven'] as const) {
      expect(await recordProblems('gear', newGear(idOf(1), kind, 'It')))
        .withContext(kind)
        .toEqual([]);
    }
  });

  it('is kept while it is written, and put back when it is left as it was', async () => {
    const page = await pageOf(RecordPanel, [], NOW, { id: idOf(1) });
    await tell(page, [kept(milk(1, { name: 'Evening milk' }))]);
    const name = page.element.querySelector<HTMLInputElement>('#record-name')!;
    name.value = 'Morning milk';
    name.dispatchEvent(new Event('input'));
    await page.fixture.whenStable();
    expect(stateOf(page).writing[idOf(1)]!.draft.name).toBe('Morning milk');
    expect(page.element.querySelector('h1')!.textContent).toBe('Morning milk');
    await page.click('Leave it as it was');
    expect(page.element.querySelector('h1')!.textContent).toBe('Evening milk');
    expect(stateOf(page).writing).toEqual({});
  });

  it('counts anew when the amount is written', async () => {
    const page = await pageOf(RecordPanel, [], NOW, { id: idOf(1) });
    await tell(page, [kept(milk(1))]);
    const panel = page.fixture.componentInstance as unknown as { change: (d: object) => void; draft: () => object };
    panel.change({ ...panel.draft(), amount: 500 });
    expect(valueAt(stateOf(page).writing[idOf(1)]!.draft, 'countedMs')).toBe(NOW);
    panel.change({ ...panel.draft(), price: 9 });
    expect(valueAt(stateOf(page).writing[idOf(1)]!.draft, 'countedMs')).toBe(NOW);
  });

  it('shows both where somebody else was first, and saves over theirs only when told to', async () => {
    const page = await pageOf(RecordPanel, [], NOW, { id: idOf(1) });
    const first = milk(1, { name: 'Evening milk' });
    await tell(page, [kept(first)]);
    page.store.dispatch(
      RecordActions.edited({ family: 'lots', draft: { ...first, name: 'Mine' } as never, overVersion: 1 }),
    );
    const theirs = kept({ ...first, name: 'Theirs' } as Lot, 2);
    await tell(page, [theirs]);
    page.store.dispatch(RecordActions.conflicted({ family: 'lots', id: idOf(1), theirs }));
    await page.fixture.whenStable();
    const cells = [...page.element.querySelectorAll('.unlike td, .unlike th[scope=row]')].map((c) =>
      c.textContent.trim(),
    );
    expect(cells).toEqual(['', 'Name', 'Mine', 'Theirs']);
    await page.click('Keep yours');
    expect(stateOf(page).writing[idOf(1)]).toEqual(jasmine.objectContaining({ overVersion: 2, theirs: null }));
  });

  it('says what is wrong at its field, and at the foot what belongs to none', async () => {
    const draft = newLot(idOf(1), 'milk', NOW);
    const errors = [
      { field: 'price', message: 'price must be a number.', remedy: 'Give a number.' },
      { field: 'material.fatPct', message: 'fat is odd.', remedy: 'Look.' },
      { field: '', message: 'Away.', remedy: 'Again.' },
    ];
    const page = await pageOf(RecordForm, [], NOW, { family: 'lots', draft, errors });
    const alerts = [...page.element.querySelectorAll('[role=alert]')].map((a) => a.textContent.trim());
    expect(alerts).toEqual(['price must be a number. Give a number.', 'fat is odd. Look.', 'Away. Again.']);
  });

  it('is taken away with a way back', async () => {
    const page = await pageOf(LarderPlace, [], NOW, { id: idOf(1) });
    await tell(page, [kept(milk(1, { name: 'Evening milk' }))]);
    await page.click('Take it away');
    expect(page.element.querySelector('[role=status]')!.textContent).toContain('Evening milk is taken away.');
    let wanted = '';
    spyOn(page.store, 'dispatch').and.callFake(((action: { type: string }) => (wanted = action.type)) as never);
    await page.click('Bring it back');
    expect(wanted).toBe(RecordActions.restoreWanted.type);
    TestBed.resetTestingModule();
  });
});

describe('two versions of a record', () => {
  it('differ in the household’s units, a label’s figures in grams', () => {
    measureIn({ temperature: 'F', mass: 'oz', volume: 'us' });
    const [mine, theirs] = [
      milk(1),
      milk(1, { amount: 4000, material: { ...(milk(1) as StockLot).material, fatPct: 5 } }),
    ];
    const found = differences('lots', mine as never, theirs);
    expect(found).toContain({ label: 'There is', mine: '17.64 lb', theirs: '8.82 lb' });
    expect(found.find((d) => d.label === 'Fat')!.theirs).toBe('5 g');
    const pots = [{ ...newGear(idOf(2), 'pot', 'Pot'), holdsL: 4 }, newGear(idOf(2), 'pot', 'Pot')] as const;
    expect(differences('gear', pots[0] as never, pots[1])).toEqual([
      { label: 'To the brim it holds', mine: '4.23 qt', theirs: '5.28 qt' },
    ]);
    measureIn(METRIC);
  });

  it('differ in words, field by field', () => {
    const mine = milk(1, { name: 'A', price: 2, treatment: 'raw', homogenised: true });
    const theirs = milk(1, { name: 'A', price: 2.5, treatment: '72C-15s', homogenised: false });
    const found = differences('lots', mine as never, theirs);
    expect(found.map((d) => d.label)).toEqual(['It costs', 'It is', 'Homogenised']);
    expect(found[1]).toEqual({ label: 'It is', mine: 'Raw', theirs: 'Pasteurised, 72 °C 15 s' });
    expect(differences('lots', mine as never, mine)).toEqual([]);
  });
});

describe('what was measured of the kitchen', () => {
  const measured = (kind: Gear['kind'], learned: Gear['learned']): Gear => ({
    ...(newGear(idOf(9), kind, 'It') as Gear),
    learned,
  });
  const at = (value: number, atMs: number) => ({ value, sd: null, atMs });

  it('counts before what was typed, the newest first', () => {
    const gear = [
      measured('hob', { powerW: at(900, 1) }),
      measured('hob', { powerW: at(1200, 2) }),
      measured('cold-shelf', { holdsC: at(5.5, 1) }),
      measured('thermostat', { holdsC: at(42, 3) }),
    ];
    const kitchen = kitchenOf(USUAL_SETTINGS, gear);
    expect(kitchen.hobW * HOB.efficiency).toBeCloseTo(1200, 6);
    expect(kitchen.refrigeratorC).toBe(5.5);
    expect(kitchenOf(USUAL_SETTINGS, [])).toEqual(USUAL_SETTINGS);
  });

  it('is measured step by step: noted, fitted, drawn and kept', async () => {
    const under = {
      key: 'lossWPerK' as const,
      litres: 2,
      roomC: 20,
      noted: [70, 62, 50].map((tempC, i) => ({ tempC, atMs: NOW + [0, 30, 90][i]! * 60_000 })),
    };
    const gear = { ...measured('pot', {}), measuring: under };
    const page = await pageOf(MeasurePanel, [], NOW, { gear });
    const told: Gear[] = [];
    page.fixture.componentInstance.changed.subscribe((g) => told.push(g));
    expect(page.text()).toMatch(/Over the first hour it cools by 1\d\.\d °C/);
    expect(page.element.querySelectorAll('oc-plot circle').length).toBe(3);
    await page.click('Keep this figure');
    expect(told[0]!.measuring).toBeNull();
    expect(told[0]!.learned.lossWPerK!.value).toBeGreaterThan(0.5);
    await page.click('Strike 62.0 °C out');
    expect(told[1]!.measuring!.noted.map((n) => n.tempC)).toEqual([70, 50]);
  });

  it('says what is still missing, and begins where nothing was measured', async () => {
    const page = await pageOf(MeasurePanel, [], NOW, { gear: measured('thermostat', {}) });
    const told: Gear[] = [];
    page.fixture.componentInstance.changed.subscribe((g) => told.push(g));
    expect(page.text()).toContain('not measured yet');
    await page.click('Measure it');
    expect(told[0]!.measuring).toEqual(jasmine.objectContaining({ key: 'holdsC', noted: [] }));
    page.fixture.componentRef.setInput('gear', {
      ...told[0]!,
      measuring: { ...told[0]!.measuring!, noted: [{ atMs: NOW, tempC: 42 }] },
    });
    await page.fixture.whenStable();
    expect(page.text()).toContain('At least three temperatures are needed.');
  });

  it('keeps the room with what an oven’s lamp holds, and asks for it', async () => {
    const noted = [0, 2, 4, 6].map((h) => ({ atMs: NOW + h * 3_600_000, tempC: 39 }));
    const gear = { ...measured('lamp-oven', {}), measuring: { key: 'holdsC' as const, litres: 1, roomC: 19, noted } };
    const page = await pageOf(MeasurePanel, [], NOW, { gear });
    const told: Gear[] = [];
    page.fixture.componentInstance.changed.subscribe((g) => told.push(g));
    expect([...page.element.querySelectorAll('.asked input')].map((i) => i.id)).toEqual(['measure-room']);
    await page.click('Keep this figure');
    expect(told[0]!.learned.holdsC).toEqual(jasmine.objectContaining({ value: 39, roomC: 19 }));
  });

  it('takes the drop of a bottle as it was counted', async () => {
    const page = await pageOf(BottleMeasure, [], NOW, { draft: newLot(idOf(1), 'rennet', NOW) });
    const told: object[] = [];
    page.fixture.componentInstance.changed.subscribe((d) => told.push(d));
    expect(page.text()).toContain('24 drops to a mL.');
    await page.click('Take that');
    expect(valueAt(told[0]!, 'dropsPerMl')).toBe(24);
  });
});

describe('blending what there is', () => {
  it('meets a fat at least cost from what is left, and says how near it comes where it cannot', async () => {
    const page = await pageOf(BlendPanel, [], NOW);
    const cream = {
      ...newLot(idOf(2), 'cream', NOW - DAY),
      ...ofReference(referenceStock('cream-36')),
      name: 'Cream',
      amount: 500,
    };
    await tell(page, [kept(milk(1, { name: 'Milk', price: 1 })), kept(cream as unknown as Lot)]);
    expect(page.text()).toMatch(/3\.70 kg Milk.*296 g Cream.*6\.0 % fat/);
    const panel = page.fixture.componentInstance as unknown as { kg: { set: (v: number) => void } };
    panel.kg.set(20);
    await page.fixture.whenStable();
    expect(page.text()).toContain('There is not enough of it. The nearest:');
  });
});

describe('a label, typed as it is printed', () => {
  const whole = { fatPct: 3.6, proteinPct: 3.3, lactosePct: 4.7, mineralsPct: 0.72 };
  const fieldOf = (page: TestPage<LabelForm>, key: string) =>
    page.element.querySelector<HTMLInputElement>(`#label-${key}`)!.value;

  it('shows the same milk for 100 g and for a serving', async () => {
    const page = await pageOf(LabelForm, [], NOW, { material: whole });
    expect(['fatG', 'proteinG', 'sugarsG'].map((key) => fieldOf(page, key))).toEqual(['3.6 g', '3.3 g', '4.7 g']);
    const told: { fatPct: number }[] = [];
    page.fixture.componentInstance.changed.subscribe((m) => {
      told.push(m);
      page.fixture.componentRef.setInput('material', m);
    });
    const form = page.fixture.componentInstance as unknown as {
      per: (g: number) => void;
      type: (key: string, value: number) => void;
    };
    form.type('fatG', 4.2);
    expect(told.at(-1)!.fatPct).toBeCloseTo(4.2, 6);
    await page.fixture.whenStable();
    form.per(250);
    await page.fixture.whenStable();
    form.type('fatG', 10);
    expect(told.at(-1)!.fatPct).toBeCloseTo(4, 6);
    await page.fixture.whenStable();
    expect(page.text()).toContain('In 100 g: 4 g fat');
  });

  it('that cannot be says so, and tells nothing', async () => {
    const page = await pageOf(LabelForm, [], NOW, { material: whole });
    let told = 0;
    page.fixture.componentInstance.changed.subscribe(() => told++);
    (page.fixture.componentInstance as unknown as { type: (key: string, value: number) => void }).type('fatG', 99);
    await page.fixture.whenStable();
    expect(told).toBe(0);
    expect(page.element.querySelector('[role=alert]')!.textContent).toContain('do not fit into 100 g');
  });
});

describe('values by their path', () => {
  it('are read and changed in place, the rest left as it was', () => {
    const record = { id: 'a', material: { fatPct: 3, proteinPct: 4 }, price: 1 };
    expect(valueAt(record, 'material.fatPct')).toBe(3);
    expect(valueAt(record, 'nothing.there')).toBeUndefined();
    const changed = withValue(record, 'material.fatPct', 5);
    expect(changed).toEqual({ id: 'a', material: { fatPct: 5, proteinPct: 4 }, price: 1 });
    expect(record.material.fatPct).toBe(3);
    expect(withValue({ id: 'a' }, 'material.fatPct', 5) as object).toEqual({ id: 'a', material: { fatPct: 5 } });
  });
});
