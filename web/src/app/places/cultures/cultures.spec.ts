import type { Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { type Store } from '@ngrx/store';
import type { Kept } from '@oat-crock/contract/api';
import {
  divided,
  initialChoices,
  makeSheet,
  methodById,
  movedTo,
  type CultureLot,
  type Entry,
  type EntryBody,
  type Lot,
} from '@oat-crock/core';
import { cultured } from '@oat-crock/core/testing';
import { Engine } from '../../engine/engine';
import type { MakeAsked } from '../../engine/engine-api';
import { ClockActions } from '../../state/clock.feature';
import { DraftActions } from '../../state/draft.feature';
import { cultureFills } from '../methods/culture-fills';
import { Methods } from '../methods/methods';
import { LogActions } from '../../state/log.feature';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import { ApiClient } from '../../state/api-client';
import { entriesUntil, START_MS } from '../../testing/followed';
import { pageOf, type TestPage } from '../../testing/page';
import { type FinishForm } from '../make/finish-form';
import { Make } from '../make/make';
import { Today } from '../today/today';
import { ChainTool } from './chain-tool';
import { readCulturesFile } from './culture-file';
import { moveWords } from './culture-words';
import { CulturePanel } from './culture-panel';
import { CulturesPlace } from './cultures';
import { type LineDrift } from './line-drift';
import { NewCulture } from './new-culture';
import { OwnCultures } from '../../state/own-cultures';
import { ParkTool } from './park-tool';

const DAY = 86_400_000;
const MIN = 60_000;
const ID = '01J00000000000000000000BTC';
const AWAY = [{ provide: ApiClient, useValue: { batch: () => Promise.reject(new Error('away')) } }];

/** A jar in the cold, so many days old when the tests begin. */
function living(id: string, ageDays: number, more: Partial<CultureLot> = {}): CultureLot {
  const start = { origin: 'pot', generation: 0, name: `Jar ${id}` } as const;
  return cultured(`01J0000000000000000000${id}`, START_MS / DAY - ageDays, { ...start, ...more });
}

const JAR = living('AAAA', 2);
const OLD = living('BBBB', 8, { origin: 'held back', parents: [JAR.id], generation: 1 });
const GRAINS = living('FFFF', 1, {
  form: 'grains',
  culture: 'kefir-grains',
  stays: [{ store: 'room', fromMs: START_MS - DAY }],
});
const CUBES = living('CCCC', 20, { name: 'Cubes', stays: [{ store: 'frozen', fromMs: START_MS - 20 * DAY }] });

async function open<T>(
  component: Type<T>,
  lots: readonly CultureLot[],
  inputs = {},
  more: readonly (readonly [number, EntryBody])[] = [],
  nowMs = START_MS,
): Promise<TestPage<T>> {
  const entries = more.length > 0 ? entriesUntil(1250, ...more) : [];
  const page = await pageOf(component, entries, nowMs, inputs, AWAY);
  tell(page.store, lots);
  await page.fixture.whenStable();
  return page;
}

function tell(store: Store, lots: readonly CultureLot[]): void {
  const kept = lots.map((item): Kept<Lot> => ({ version: 1, goneMs: null, item }));
  store.dispatch(RecordActions.received({ records: { lots: kept } }));
}

/** Cultures as they are being written. */
const writing = ({ store }: TestPage<unknown>) =>
  Object.values(store.selectSignal(recordsFeature.selectWriting)()).map((w) => w.draft as unknown as CultureLot);

describe('Cultures', () => {
  beforeEach(() => ['oat-crock.records.writing', 'oat-crock.finishing'].forEach((key) => localStorage.removeItem(key)));

  it('of an empty household lead to a first one', async () => {
    expect((await open(CulturesPlace, [])).text()).toContain('Nothing lives here yet');
  });

  it('are buds on their stem with a name, a generation and a strength; what wants something leads', async () => {
    const page = await open(CulturesPlace, [JAR, OLD, CUBES]);
    const buds = [...page.element.querySelectorAll('.bud')].map((b) => b.getAttribute('aria-label')!);
    expect(buds.some((b) => /^Jar AAAA, generation 0, .*: 100 g, \d+ % of a fresh one’s strength/.test(b))).toBeTrue();
    expect(page.element.querySelectorAll('.bud.frozen').length).toBe(1);
    expect(page.element.querySelectorAll('oc-stem-drawing .line').length).toBe(2);
    const wants = page.element.querySelector('.wants')!.textContent.replace(/\s+/g, ' ');
    expect(wants).toContain('Jar AAAA');
    expect(wants).toMatch(/Older of its line: 100 g at \d+ %/);
    expect(page.element.querySelector('.reserve')!.textContent).toContain('Cubes');
  });

  it('that a make held back are taken in with one touch', async () => {
    const end = [1260, { type: 'finished', productG: 1700, wheyG: 2200, heldBackG: 120, score: null }] as const;
    const page = await open(CulturesPlace, [JAR], {}, [end], START_MS + 1300 * MIN);
    expect(page.text()).toContain('120 g of Pot');
    await page.click('Take it in');
    const [taken] = writing(page);
    expect([taken!.amount, taken!.origin, taken!.from, taken!.generation]).toEqual([120, 'held back', ID, 2]);
  });

  it('begin with what they are, in a jar of a name', async () => {
    const page = await open(NewCulture, []);
    const form = page.fixture.componentInstance as unknown as { begin: (o: string) => void; add: () => Promise<void> };
    form.begin('grains');
    await form.add();
    expect(writing(page)).toEqual([]);
    await page.fixture.whenStable();
    expect(page.element.querySelector('[role=alert]')).not.toBeNull();
    const name = page.element.querySelector<HTMLInputElement>('#new-name')!;
    name.value = 'Grains';
    name.dispatchEvent(new Event('input'));
    await form.add();
    expect(writing(page)[0]).toEqual(
      jasmine.objectContaining({ name: 'Grains', culture: 'kefir-grains', form: 'grains', parents: [], amount: 60 }),
    );
  });

  it('as capsules are counted, and offered where a base is soured by them', async () => {
    const page = await open(NewCulture, []);
    const form = page.fixture.componentInstance as unknown as { begin: (o: string) => void; add: () => Promise<void> };
    form.begin('capsule');
    await page.fixture.whenStable();
    expect(page.element.querySelector<HTMLInputElement>('#new-mass')!.value).toBe('30 capsules');
    const name = page.element.querySelector<HTMLInputElement>('#new-name')!;
    name.value = 'Capsules';
    name.dispatchEvent(new Event('input'));
    await form.add();
    const [capsules] = writing(page);
    expect(capsules!.amount).toBeCloseTo(12, 9);
    const place = await open(CulturesPlace, [capsules!, JAR]);
    expect(place.text()).toContain(': 30 capsules');
    const dues = place.fixture.debugElement.injector.get(OwnCultures).dues();
    const fills = cultureFills(methodById('plant-yogurt'), {}, dues, START_MS);
    expect(fills.map((f) => [f.lot.name, f.choices])).toEqual([['Capsules', { ageDays: 1, store: 'cold' }]]);
  });

  it('are moved, divided, mixed and given up, each as a change that can be traced', async () => {
    const page = await open(CulturePanel, [JAR, OLD], { lot: JAR });
    expect(page.text()).toMatch(/Feed it by/);
    await page.click('Freeze it');
    expect(
      writing(page)
        .at(-1)!
        .stays.map((s) => s.store),
    ).toEqual(['cold', 'frozen']);
    await page.click('Divide it off');
    const part = writing(page).find((lot) => lot.origin === 'divided')!;
    expect([part.parents, part.amount]).toEqual([[JAR.id], 50]);
    await page.click('Mix them');
    expect(page.text()).toContain('Choose what it is mixed with.');
    const panel = page.fixture.componentInstance as unknown as { mixWith: { set: (id: string) => void } };
    panel.mixWith.set(OLD.id);
    await page.click('Mix them');
    expect(writing(page).find((lot) => lot.origin === 'mixed')!.parents).toEqual([JAR.id, OLD.id]);
    await page.click('Give it up');
    expect(writing(page).find((lot) => lot.id === JAR.id)!.retiredMs).not.toBeNull();
  });

  it('that were given up are taken up again; a jar is called what one likes, but something', async () => {
    const page = await open(CulturePanel, [OLD], { lot: { ...OLD, retiredMs: START_MS - DAY } });
    await page.click('Take it up again');
    expect(writing(page)[0]!.retiredMs).toBeNull();
    const name = page.element.querySelector<HTMLInputElement>('input.name')!;
    for (const typed of ['  ', ' Top shelf ']) {
      name.value = typed;
      name.dispatchEvent(new Event('change'));
    }
    expect(writing(page).at(-1)!.name).toBe('Top shelf');
  });

  it('are moved in words of their own: thawed, rested, woken', () => {
    const words = (lot: CultureLot) => (['cold', 'frozen', 'room'] as const).map((store) => moveWords(lot, store));
    expect(words(JAR)).toEqual(['Into the cold', 'Freeze it', 'Into the room']);
    expect(words(CUBES)[0]).toBe('Thaw it in the cold');
    expect(words(GRAINS)).toEqual(['Rest them in the cold', 'Freeze them', 'Wake them in the room']);
  });

  it('drift sharper before one’s eyes, and are begun again by the school that is chosen for the line', async () => {
    const marks = { sourness: 4, thickness: 3, smoothness: 4, taste: 4 };
    const end = { type: 'finished', productG: 1700, wheyG: 2200, heldBackG: 120, score: marks } as const;
    const page = await open(CulturePanel, [JAR, OLD], { lot: OLD }, [
      [1, { type: 'took', lotId: JAR.id, massG: 20 }],
      [1260, end],
    ]);
    const plot = page.element.querySelector('oc-generation-plot svg')!;
    expect(plot.getAttribute('aria-label')).toBe('Generation 0: 4 of 5');
    expect(page.text()).toContain('one outgrows the others');
    const drift = page.fixture.debugElement.query((e) => e.name === 'oc-line-drift').componentInstance as LineDrift & {
      keepBy: (school: string) => void;
    };
    drift.keepBy('taste');
    expect(writing(page)[0]).toEqual(jasmine.objectContaining({ id: JAR.id, beginAgain: 'taste' }));
  });

  it('of grains say how they grew, and part with what is spare', async () => {
    const batchId = '01J00000000000000000000KEF';
    const page = await open(CulturePanel, [GRAINS], { lot: GRAINS });
    expect(page.text()).toContain('Grains grow by 5 to 15 % a batch');
    const line = (id: string, body: EntryBody): Entry => ({ id, batchId, atMs: START_MS, source: 'hand', body });
    const entries = [
      line('01J0000000000000000000KEF1', {
        type: 'started',
        methodId: 'grain-kefir',
        name: 'Kefir',
        choices: { massG: 300 },
      }),
      line('01J0000000000000000000KEF2', { type: 'took', lotId: GRAINS.id, massG: 10 }),
      line('01J0000000000000000000KEF3', {
        type: 'finished',
        productG: 290,
        wheyG: null,
        heldBackG: 11,
        score: null,
      }),
    ];
    page.store.dispatch(LogActions.arrived({ entries: entries.map((e, seq) => ({ ...e, seq: 9000 + seq })) }));
    await page.fixture.whenStable();
    expect(page.text()).toContain('They grew by 10 % a batch over one batch, from 10 g to 11 g.');
    await page.click(/^Divide off the spare/);
    const part = writing(page).find((lot) => lot.origin === 'divided')!;
    expect(part.amount).toBeGreaterThan(40);
    expect(part.stays.at(-1)!.store).toBe('cold');
  });

  it('are fed in one touch, as a make that takes of them', async () => {
    const page = await open(CulturePanel, [OLD], { lot: OLD });
    await page.click('Feed it now');
    const [started, took] = page.written().map((e) => e.body);
    expect(started).toEqual(jasmine.objectContaining({ type: 'started', methodId: 'starter-feeding' }));
    expect(took).toEqual(jasmine.objectContaining({ type: 'took', lotId: OLD.id }));
  });

  it('give a chain by the clock, and say what brings each over a time away', async () => {
    const chain = await open(ChainTool, [JAR, OLD]);
    expect(chain.text()).toMatch(/g of it into .* of scalded milk at 42\.0 °C; ripe by/);
    expect(chain.text()).toContain('If it breaks: Jar BBBB would do');
    await chain.click('Begin its first step');
    expect(chain.written()[0]!.body).toEqual(jasmine.objectContaining({ methodId: 'starter-feeding' }));
    const park = await open(ParkTool, [JAR, CUBES]);
    expect(park.text()).toMatch(/Jar AAAA ?Feed it/);
    expect((await open(ChainTool, [])).text()).toContain('Nothing that lives in milk');
  });

  it('on Today are those that want something, and stay where they are well', async () => {
    const tired = await open(Today, [OLD], {}, [[1251, { type: 'note', text: 'x' }]]);
    const card = tired.element.querySelector('oc-feed-card')!;
    expect(card.textContent).toContain('Jar BBBB');
    expect(card.textContent).toMatch(/Now.*% in \d+ g of scalded milk/s);
    const well = await open(Today, [living('DDDD', 1)], {}, [[1251, { type: 'note', text: 'x' }]]);
    expect(well.element.querySelector('oc-feed-card')).toBeNull();
    const spent = await open(Today, [living('EEEE', 40)], {}, [[1251, { type: 'note', text: 'x' }]]);
    expect(spent.element.querySelector('oc-feed-card')).toBeNull();
    expect(spent.element.querySelector('aside')!.textContent).toContain('begin the line again');
  });

  it('as starters of a sheet bring their vigour and say how long it takes; what would not do is named with its reason', async () => {
    const page = await open(CulturesPlace, [JAR, OLD, living('EEEE', 1, { culture: 'mesophilic' })]);
    const dues = page.fixture.debugElement.injector.get(OwnCultures).dues();
    const choices = { dosePct: 2.5, keeper: 'thermostat', keepC: 43, targetPh: 4.5 };
    const fills = cultureFills(methodById('scalded-yogurt'), choices, dues, START_MS);
    expect(fills.map((f) => [f.lot.name, f.refused !== undefined])).toEqual([
      ['Jar AAAA', false],
      ['Jar BBBB', false],
      ['Jar EEEE', true],
    ]);
    expect(fills[2]!.refused).toMatch(/^At 43 °C it does not grow/);
    expect(fills[2]!.choices).toEqual({});
    expect(fills[0]!.label).toMatch(/^Jar AAAA, \d+ %: about \d h/);
    expect(fills[0]!.choices).toEqual(
      jasmine.objectContaining({ ageDays: 2, generation: 0, store: 'cold', vigourPct: 100 }),
    );
    expect(cultureFills(methodById('acid-heat-curd'), {}, dues, START_MS)).toEqual([]);
  });

  it('that a make is to be started with do not have its sheet worked out again while nothing of it changes', async () => {
    const asked: MakeAsked[] = [];
    const engine = {
      sheet: (make: MakeAsked) => {
        asked.push(make);
        return Promise.resolve(makeSheet(make.method, make.choices, { members: 40, seed: 1, fanPoints: 4 }));
      },
    };
    const methodId = 'scalded-yogurt';
    const page = await pageOf(Methods, [], START_MS, { methodId }, [{ provide: Engine, useValue: engine }]);
    tell(page.store, [JAR, OLD]);
    const dues = TestBed.inject(OwnCultures).dues();
    const [fill] = cultureFills(methodById(methodId), initialChoices(methodById(methodId)), dues, START_MS);
    page.store.dispatch(
      DraftActions.filled({ methodId, choices: fill!.choices, thing: { beside: fill!.beside, id: fill!.id } }),
    );
    const later = async (kitchenMs: number) => {
      page.store.dispatch(ClockActions.received({ clock: { rate: 0, realMs: 0, kitchenMs, adjustable: true } }));
      await page.fixture.whenStable();
      return asked.length;
    };
    const before = await later(START_MS + 1000);
    expect(asked.at(-1)!.choices).toEqual(jasmine.objectContaining(fill!.choices));
    for (let i = 2; i < 8; i++) expect(await later(START_MS + i * 1000)).toBe(before);
    expect(await later(START_MS + 20 * MIN))
      .withContext('a quarter of an hour on')
      .toBe(before + 1);
  });

  it('get what a make held back when it is finished, unless somebody does not want it', async () => {
    const page = await open(
      Make,
      [JAR],
      { batchId: ID },
      [[1, { type: 'took', lotId: JAR.id, massG: 20 }]],
      START_MS + 1250 * MIN,
    );
    const form = page.fixture.debugElement.query((e) => e.name === 'oc-finish-form').componentInstance as FinishForm & {
      productG: { set: (g: number) => void };
      finish: () => Promise<void>;
      change: (part: { noCulture: boolean }) => void;
    };
    form.productG.set(1650);
    await page.fixture.whenStable();
    expect(page.text()).toMatch(/\d+ g among the cultures Jar AAAA, generation 1/);
    form.change({ noCulture: true });
    await form.finish();
    expect(writing(page)).toEqual([]);
    form.change({ noCulture: false });
    await form.finish();
    expect(writing(page)[0]).toEqual(jasmine.objectContaining({ parents: [JAR.id], generation: 1, from: ID }));
  });

  it('are read from their open file, or the file is said to be wrong', async () => {
    const [rest, part] = divided(JAR, 100, { id: CUBES.id, massG: 30, store: 'frozen', name: 'P' }, START_MS);
    const file = { oatCrock: 'cultures', version: 1, cultures: [rest, movedTo(part, 'cold', START_MS + 1)] };
    const read = await readCulturesFile(JSON.stringify(file));
    expect(read.ok && read.cultures.map((c) => c.amount)).toEqual([70, 30]);
    expect(await readCulturesFile('soup')).toEqual({ ok: false, wrong: jasmine.stringContaining('not JSON') as never });
    const wrong = await readCulturesFile(JSON.stringify({ ...file, cultures: [{ ...rest, generation: -1 }] }));
    expect(!wrong.ok && wrong.wrong).toContain('generation');
  });
});
