import {
  findMakes,
  methodById,
  referenceStock,
  scaleTo,
  makeSheet,
  METHODS,
  type Goal,
  type Lot,
  type Method,
  type Wanted,
} from '@oat-crock/core';
import type { MakeAsked } from '../../engine/engine-api';
import { Engine } from '../../engine/engine';
import { newGear, newLot, ofReference } from '../larder/new-records';
import { draftFeature } from '../../state/draft.feature';
import { RecordActions } from '../../state/records.feature';
import { START_MS } from '../../testing/followed';
import { pageOf, type TestPage } from '../../testing/page';
import { Finder } from './finder';
import { Methods } from './methods';

const FEW = { members: 20, seed: 1, fanPoints: 2 };
const AT_HAND = {
  provide: Engine,
  useValue: {
    find: (methods: readonly Method[], wanted: Wanted) => Promise.resolve(findMakes(methods, wanted)),
    sheet: ({ method, choices, stocks }: MakeAsked) => Promise.resolve(makeSheet(method, choices, FEW, { stocks })),
    quieter: () => Promise.resolve({ nightHands: 0, begin: null, choices: [] }),
    scale: ({ method, choices, stocks }: MakeAsked, goal: Goal) =>
      Promise.resolve(scaleTo(method, choices, goal, { stocks })),
  },
};
const ID = '01J0000000000000000000000A';
const cream = {
  ...newLot(ID, 'cream', START_MS),
  ...ofReference(referenceStock('cream-36')),
  name: 'Cream',
  amount: 3000,
} as unknown as Lot;
const pot = { ...newGear('01J0000000000000000000000B', 'pot', 'Wide pot'), holdsL: 7 };

/** The larder is told, and what hangs on it is drawn. */
async function settled(page: TestPage<unknown>): Promise<void> {
  for (let i = 0; i < 3; i++) {
    await page.fixture.whenStable();
    await new Promise((done) => setTimeout(done, 160));
  }
}
async function withLarder(page: TestPage<unknown>): Promise<void> {
  page.store.dispatch(
    RecordActions.received({
      records: { lots: [{ version: 1, goneMs: null, item: cream }], gear: [{ version: 1, goneMs: null, item: pot }] },
    }),
  );
  await settled(page);
}
const names = (page: TestPage<unknown>) => [...page.element.querySelectorAll('ol b')].map((b) => b.textContent.trim());

describe('what to make', () => {
  it('is every make until something is said, then what does, and below it what does not', async () => {
    const page = await pageOf(Finder, [], START_MS, {}, [AT_HAND]);
    await settled(page);
    expect(names(page).length).toBe(METHODS.filter((m) => !m.gives).length);
    const finder = page.fixture.componentInstance as unknown as { withinH: { set: (h: number) => void } };
    finder.withinH.set(9);
    await settled(page);
    expect(names(page)).toEqual(['Smooth acid curd', 'Soft curd by acid and heat']);
    expect(page.text()).toContain('These would not do');
    expect(page.element.querySelector('.not')!.textContent).toContain('It is not ready in 9 h.');
  });

  it('marks what has hands in the night', async () => {
    const night = {
      find: (methods: readonly Method[], wanted: Wanted) =>
        Promise.resolve(findMakes(methods, wanted).map((f, i) => ({ ...f, nightHands: i }))),
    };
    const page = await pageOf(Finder, [], START_MS, {}, [{ provide: Engine, useValue: night }]);
    await settled(page);
    const marks = [...page.element.querySelectorAll('ol li')].map(
      (li) => li.querySelector('em')?.textContent.trim() ?? '',
    );
    expect(marks.filter((m) => m === '').length).toBe(1);
    expect(marks).toContain('hands once in the night');
    expect(marks).toContain('hands 3 times in the night');
  });

  it('of a lot is decided for it when it is taken', async () => {
    const page = await pageOf(Finder, [], START_MS, {}, [AT_HAND]);
    await withLarder(page);
    const finder = page.fixture.componentInstance as unknown as { lotId: { set: (id: string) => void } };
    finder.lotId.set(ID);
    await settled(page);
    expect(names(page)).toContain('Cultured butter');
    await page.click(/^Cultured butter/);
    const draft = page.store.selectSignal(draftFeature.selectDrafts)()['cultured-butter']!;
    expect(draft.choices['cream']).toBe(`lot:${ID}`);
    expect(draft.choices['massG']).toBe(3000);
    expect(draft.choices['vesselL']).toBe(7);
  });
});

describe('a line that says what there is', () => {
  it('fills the fields in, which may be changed again; what is struck from it leaves them', async () => {
    const page = await pageOf(Finder, [], START_MS, {}, [AT_HAND]);
    await withLarder(page);
    const line = page.element.querySelector('textarea')!;
    const type = async (text: string) => {
      line.value = text;
      line.dispatchEvent(new Event('input'));
      await settled(page);
    };
    const hours = () => page.element.querySelector<HTMLInputElement>('#find-hours')!.value;
    const warm = () => page.element.querySelector<HTMLInputElement>('input[type=checkbox]')!;
    await type('1 kg cream, 40 h, no thermostat');
    expect(page.text()).toContain('Read as: 1.00 kg of Cream; ready within 40 h; without a thermostat.');
    expect([hours(), warm().checked]).toEqual(['40 h', false]);
    expect(page.text()).toContain('Cream, 3.00 kg');
    expect(names(page)).toContain('Cultured butter');

    warm().click();
    await type('1 kg cream, no thermostat');
    expect([hours(), warm().checked]).withContext('what was changed by hand stays').toEqual(['', true]);
    await type('butter');
    expect(names(page)).toContain('Cultured butter');
    expect(names(page)).not.toContain('Scalded yogurt');
    expect(page.text()).toContain('Anything');
  });
});

describe('deciding with what one has', () => {
  const open = (methodId: string, more: object = {}) => pageOf(Methods, [], START_MS, { methodId, ...more }, [AT_HAND]);
  const start = (page: TestPage<unknown>) =>
    [...page.element.querySelectorAll('button')].find((b) => b.textContent.includes('Start this make'))!;

  it('of a lot in the address works at once: chosen, used up, in a pot that holds it', async () => {
    const page = await open('cultured-butter', { of: ID });
    await withLarder(page);
    expect(page.text()).toContain('3.00 kg');
    expect(start(page).disabled).toBeFalse();
    await page.click('Start this make');
    const [started, took] = page.written();
    expect(started!.body).toEqual(jasmine.objectContaining({ type: 'started', methodId: 'cultured-butter' }));
    expect(took!.body).toEqual({ type: 'took', lotId: ID, massG: 3000 });
  });

  it('scales to a product, and offers the pot of one’s own that it then needs', async () => {
    const page = await open('strained-yogurt');
    await withLarder(page);
    const bar = page.element.querySelector('oc-scale-bar')!;
    expect(bar.textContent).toContain('Fill the pot');
    const typed = bar.querySelector('input')!;
    expect(typed.value).toMatch(/kg$/);
    await page.click('Fill the pot');
    await settled(page);
    expect(page.element.querySelector('.amounts b')!.textContent).toBe('4.41 kg');
    await page.click('Wide pot');
    await settled(page);
    expect(start(page).disabled).toBeFalse();
    await page.click('Fill the pot');
    await settled(page);
    expect(page.element.querySelector('.amounts b')!.textContent).toBe('6.18 kg');
  });

  it('puts what was chosen beside what is chosen now, and says where they differ', async () => {
    const page = await open('scalded-yogurt');
    await settled(page);
    await page.click('Compare');
    expect(page.text()).toContain('Change a choice at the left');
    const key = methodById('scalded-yogurt').groups[0]!.choices.find((c) => c.key === 'fatPct')!;
    const decision = (
      page.fixture.componentInstance as unknown as { decision: { choose: (k: string, v: number) => void } }
    ).decision;
    decision.choose(key.key, 8);
    await settled(page);
    const chosen = [...page.element.querySelectorAll('oc-compare-view .chosen')].map((r) => r.textContent.trim());
    expect(chosen.length).toBe(3);
    expect(chosen[0]).toMatch(/As the milk comes\s*Milk and cream/);
    expect(chosen[2]).toMatch(/Fat wanted\s*none\s*8 %/);
    expect(page.text()).toContain('Cream, 36 % fat');
    // Only what differs, and the curves that do.
    const told = page.element.querySelector('oc-compare-view')!;
    expect([...told.querySelectorAll('tbody th')].map((t) => t.textContent)).not.toContain('Starter, 4 days old');
    expect(told.querySelectorAll('oc-overlay').length).toBeGreaterThan(0);
    expect(told.querySelector('oc-overlay svg')!.getAttribute('aria-label')).toMatch(/in the end: A .*, B /);
  });

  it('keeps what is chosen as a method of one’s own', async () => {
    const page = await open('scalded-yogurt');
    await settled(page);
    await page.click('Keep as your own');
    const name = page.element.querySelector<HTMLInputElement>('#own-name')!;
    expect(name.value).toBe('Scalded yogurt, our way');
    name.value = ' ';
    name.dispatchEvent(new Event('input'));
    await page.fixture.whenStable();
    const keep = [...page.element.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Keep it')!;
    expect(keep.disabled).toBeTrue();
    await page.click('Leave it');
    expect(page.element.querySelector('#own-name')).toBeNull();
  });
});
