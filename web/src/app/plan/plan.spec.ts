import { TestBed } from '@angular/core/testing';
import { USUAL_SETTINGS, type Kept, type PlannedPour, type WantedOrder } from '@oat-crock/contract/wire';
import type { Gear, Lot } from '@oat-crock/core';
import { cultured } from '@oat-crock/core/testing';
import { newGear } from '../larder/new-records';
import { PlaceKeys } from '../shell/place-keys';
import { HouseholdActions } from '../state/household.feature';
import { LarderActions, larderFeature } from '../state/larder.feature';
import { planFeature } from '../state/plan.feature';
import { pageOf, type TestPage } from '../testing/page';
import { PlanCard } from '../today/plan-card';
import { planHands } from '../today/plan-hands';
import { PlanDesk } from './plan-desk';
import { PlanKeeper } from './plan-keeper';
import { Planner } from './planner';
import { plannerEngine } from './planner-engine';
import { PlanPlace } from './plan';
import { PourMover } from './pour-mover';
import { plannedPour } from './testing';

const HOUR = 3_600_000;
/** A Monday, at nine. */
const NOW = new Date(2026, 4, 4, 9).getTime();
const idOf = (n: number) => `01J00000000000000000000${String(n).padStart(3, '0')}`;
const kept = <T>(item: T, version = 1): Kept<T> => ({ version, goneMs: null, item });

const order = (n: number, more: Partial<WantedOrder> = {}): WantedOrder => ({
  id: idOf(n),
  whom: 'the quay',
  methodId: 'scalded-yogurt',
  choices: {},
  productG: 3000,
  due: { is: 'once', atMs: NOW + 72 * HOUR },
  note: '',
  ...more,
});
const piece = (n: number, kind: Gear['kind'], name: string, holdsL: number | null): Gear => ({
  ...newGear(idOf(500 + n), kind, name),
  holdsL,
});
const GEAR = [
  piece(1, 'pot', 'Tall pot', 8),
  piece(2, 'pot', 'Old pot', 8),
  piece(3, 'thermostat', 'Small box', 5),
  piece(4, 'strainer', 'Sieve', 5),
  piece(5, 'cold-shelf', 'Shelf', 100),
];

/** The planner beside the page rather than in a worker: what it answers is the same. */
const BESIDE = {
  provide: Planner,
  useValue: {
    stand: (...asked: Parameters<typeof plannerEngine.stand>) => Promise.resolve(plannerEngine.stand(...asked)),
    move: (...asked: Parameters<typeof plannerEngine.move>) => Promise.resolve(plannerEngine.move(...asked)),
    search: (...asked: Parameters<typeof plannerEngine.search>) => plannerEngine.search(...asked),
    stop: () => plannerEngine.stop(),
  },
};

interface Kitchen {
  readonly orders: readonly WantedOrder[];
  readonly pours?: readonly PlannedPour[];
  readonly gear?: readonly Gear[];
}

async function open({ orders, pours = [], gear = GEAR }: Kitchen) {
  const told = [
    HouseholdActions.told({ household: { version: 1, settings: USUAL_SETTINGS } }),
    LarderActions.told({
      larder: { orders: orders.map((o) => kept(o)), gear: gear.map((g) => kept(g)), pours: pours.map((p) => kept(p)) },
    }),
  ];
  const page = await pageOf(PlanPlace, [], NOW, {}, [BESIDE], told);
  const desk = TestBed.inject(PlanDesk);
  const settled = async () => {
    for (let i = 0; i < 400; i++) {
      await new Promise((done) => setTimeout(done, 10));
      await page.fixture.whenStable();
      const busy = desk.working() || desk.mending() || desk.searching()?.running;
      if (i > 5 && !busy && desk.standing()) return;
    }
    throw new Error('the plan was never laid out');
  };
  await settled();
  const key = async (name: string) => {
    const did = TestBed.inject(PlaceKeys).act(name);
    await settled();
    return did;
  };
  const lane = (name: RegExp) =>
    [...page.element.querySelectorAll<SVGGElement>('oc-plan-lanes [role=button]')].find((g) =>
      name.test(g.getAttribute('aria-label') ?? ''),
    );
  const press = async (on: Element, name: string, shiftKey = false) => {
    on.dispatchEvent(new KeyboardEvent('keydown', { key: name, shiftKey, bubbles: true }));
    await settled();
  };
  return { ...page, desk, settled, key, lane, press };
}

const written = (page: Pick<TestPage<unknown>, 'store'>) =>
  Object.values(page.store.selectSignal(larderFeature.selectWriting)())
    .filter((w) => w.family === 'pours')
    .map((w) => w.draft as PlannedPour);

describe('the Plan place', () => {
  it('with nothing wanted says what it is for', async () => {
    const { text } = await open({ orders: [] });
    expect(text()).toContain('Say what you want to have, how much of it and when.');
    expect(text()).toContain('Nothing is wanted and nothing is on.');
  });

  it('plans what was never planned at once, shows it, and holds it once it is taken', async () => {
    const page = await open({ orders: [order(1), order(2, { whom: 'the school' })] });
    expect(page.text()).toContain('Not taken yet: Hands in working hours. All of it holds.');
    expect(page.lane(/for the quay/)!.getAttribute('aria-label')).toMatch(/begin \w+ \d\d:\d\d, ready .+, wanted/);
    expect(page.text()).toContain('Whole plans');
    expect(await page.key('t')).toBeTrue();
    const pours = written(page);
    expect(pours.length).toBe(2);
    for (const pour of pours) {
      expect(pour.readyLateMs).toBeLessThanOrEqual(pour.dueMs!);
      expect(pour.course.length).toBeGreaterThan(10);
      expect(pour.hands.every((h) => h.earliestMs <= h.atMs && h.atMs <= h.latestMs)).toBeTrue();
    }
    expect(page.text()).toContain('Taken.');
    expect(await page.key('u')).toBeTrue();
    expect(page.store.selectSignal(planFeature.selectBefore)()).toBeNull();
    expect(await page.key('u')).toBeFalse();
  });

  it('says why something cannot be made, and what would help', async () => {
    const { text } = await open({ orders: [order(1)], gear: [GEAR[0]!] });
    expect(text()).toContain('It wants a thermostat, and the larder has none.');
    const gone = await open({ orders: [order(1, { methodId: '01J00000000000000000000MTH' })] });
    expect(gone.text()).toContain('its method is no longer there. Choose another.');
    const soon = await open({ orders: [order(1, { due: { is: 'once', atMs: NOW + 3 * HOUR } })] });
    expect(soon.text()).toMatch(/It takes \d+ h.* nine times in ten/);
  });

  it('proposes the least that must move where a make was not begun in time', async () => {
    const first = await open({ orders: [order(1)] });
    await first.key('t');
    const [pour] = written(first);
    const late = { ...pour!, startMs: NOW - 2 * HOUR };
    const page = await open({ orders: [order(1)], pours: [late] });
    expect(page.text()).toMatch(/The plan no longer holds\..*was to be begun 2 h.* ago/);
    expect(page.desk.mend()!.pours.length).toBe(1);
    const broken = page.lane(/Scalded yogurt/)!;
    expect(broken.classList).toContain('troubled');
  });

  it('takes away what is planned of nothing that is wanted any more', async () => {
    const page = await open({ orders: [], pours: [plannedPour({ id: idOf(7), startMs: NOW + HOUR })] });
    expect(page.text()).toContain('Quark is planned, and not wanted any more, or its day is over.');
    await page.click('Take it away');
    await page.settled();
    expect(TestBed.inject(PlanKeeper).pours()).toEqual([]);
    expect(await page.key('u')).toBeTrue();
    expect(written(page).map((p) => p.id)).toEqual([idOf(7)]);
  });

  it('says that hands have shifted where the household sleeps otherwise than it did', async () => {
    const first = await open({ orders: [order(1)] });
    await first.key('t');
    const [pour] = written(first);
    const hands = pour!.hands.map((h) => ({ ...h, atMs: h.atMs - HOUR }));
    const page = await open({ orders: [order(1)], pours: [{ ...pour!, hands }] });
    expect(page.text()).toContain('come at another time than when it was taken');
    await page.click('Keep it so');
    await page.settled();
    expect(written(page)[0]!.hands).toEqual(pour!.hands);
  });

  it('puts what is newly wanted beside what is planned, with one key', async () => {
    const first = await open({ orders: [order(1)] });
    await first.key('t');
    const page = await open({ orders: [order(1), order(2, { whom: 'the bakery' })], pours: written(first) });
    expect(page.text()).toContain('One thing is wanted that is not in the plan yet.');
    expect(await page.key('r')).toBeTrue();
    const pours = written(page);
    expect(pours.some((p) => p.whom === 'the bakery')).toBeTrue();
    expect(page.text()).toContain('Moved.');
  });

  it('moves a make by keys: checked as it moves, put with Enter, left with Escape', async () => {
    const page = await open({ orders: [order(1)] });
    await page.key('t');
    const at = () => /begin (\w+ \d\d:\d\d)/.exec(page.lane(/Scalded/)!.getAttribute('aria-label')!)![1];
    const before = at();
    await page.press(page.lane(/Scalded/)!, 'ArrowLeft');
    expect(page.element.querySelector('.told')!.textContent).toMatch(/ready/);
    expect(at()).not.toBe(before);
    await page.press(page.lane(/Scalded/)!, 'Escape');
    expect(at()).toBe(before);
    await page.press(page.lane(/Scalded/)!, 'ArrowLeft', true);
    await page.press(page.lane(/Scalded/)!, 'Enter');
    expect(at()).not.toBe(before);
    expect(page.text()).toContain('Not taken yet: Scalded yogurt is moved.');
    expect(page.lane(/Scalded/)!.getAttribute('aria-label')).toContain('pinned');
    await page.click('Put it back');
    await page.settled();
    expect(at()).toBe(before);
  });

  it('moves one of its hands within its give, and no further', async () => {
    const page = await open({ orders: [order(1)] });
    await page.key('t');
    await page.press(page.lane(/Scalded/)!, 'h');
    const hands = () => page.element.querySelectorAll('oc-pour-panel .hands li');
    expect([...hands()].some((li) => li.classList.contains('gripped'))).toBeTrue();
    const lastOf = (pour: PlannedPour) => pour.hands.filter((h) => h.minutes > 0).at(-1)!;
    const before = lastOf(page.desk.standing()!.pours[0]!);
    const mover = page.fixture.debugElement.injector.get(PourMover);
    const later = [...page.element.querySelectorAll<HTMLElement>('.nudge button')].at(-1)!;
    later.click();
    await page.settled();
    const once = lastOf(mover.moving()!.told!.pour);
    expect(once.atMs - before.atMs).toBeCloseTo(15 * 60_000, -4);
    for (let i = 0; i < 300; i++) later.click();
    await page.settled();
    const most = lastOf(mover.moving()!.told!.pour);
    expect(most.atMs).toBeGreaterThan(once.atMs);
    expect(most.atMs).toBeLessThanOrEqual(before.latestMs + 60_000);
    await page.click(/^Put it here/);
    await page.settled();
    expect(page.desk.standing()!.pours[0]!.held!.forMin).toBeGreaterThan(0);
  });

  it('lists hands by day and what is to be bought by when', async () => {
    const page = await open({ orders: [order(1)] });
    await page.key('t');
    await page.click('Hands by day');
    const list = page.element.querySelector('oc-hands-list')!;
    expect(list.textContent).toMatch(/\d+ min of hands|\d h/);
    expect(list.textContent).toContain('Handed on: 3.0');
    expect(page.element.querySelector('oc-buy-list')!.textContent).toMatch(/Buy 3\.\d+ kg whole milk.*, by/s);
  });

  it('wants something by its form, and keeps what is written until it is right', async () => {
    const page = await open({ orders: [] });
    await page.click('Want something');
    const form = page.element.querySelector('oc-order-form')!;
    const whom = form.querySelector<HTMLInputElement>('#order-whom')!;
    whom.value = 'the lighthouse';
    whom.dispatchEvent(new Event('input'));
    await page.fixture.whenStable();
    const drafts = Object.values(page.store.selectSignal(larderFeature.selectWriting)());
    expect(drafts.map((w) => [w.family, (w.draft as WantedOrder).whom])).toEqual([['orders', 'the lighthouse']]);
    page.store.dispatch(
      LarderActions.refused({
        id: drafts[0]!.draft.id,
        errors: [{ field: 'productG', message: 'That is too much.', remedy: 'Want less.' }],
      }),
    );
    await page.fixture.whenStable();
    expect(form.textContent).toContain('That is too much. Want less.');
    await page.click('Forget it');
    expect(page.element.querySelector('oc-order-form')).toBeNull();
  });
});

describe('the keeper of a plan', () => {
  async function keeper(pours: readonly PlannedPour[]) {
    const page = await pageOf(PlanCard, [], NOW, { hand: { pour: plannedPour(), is: 'begin', atMs: NOW } });
    page.store.dispatch(LarderActions.told({ larder: { pours: pours.map((p) => kept(p)) } }));
    return { ...page, keeper: TestBed.inject(PlanKeeper) };
  }
  const [a, b] = [plannedPour({ id: idOf(1) }), plannedPour({ id: idOf(2) })];

  it('writes what has changed alone, and what is written counts at once', async () => {
    const { store, keeper: own } = await keeper([a, b]);
    own.keep([a, { ...b, startMs: NOW }], [a, b]);
    expect(written({ store }).map((p) => p.id)).toEqual([b.id]);
    expect(own.pours().find((p) => p.id === b.id)!.startMs).toBe(NOW);
  });

  it('takes away what is planned no longer, and says what could not be kept', async () => {
    const { store, keeper: own } = await keeper([a, b]);
    own.keep([b], [a, b]);
    expect(own.pours().map((p) => p.id)).toEqual([b.id]);
    own.keep([{ ...b, startMs: NOW }], [b]);
    store.dispatch(LarderActions.overtaken({ id: b.id, theirs: kept(b, 2) }));
    expect(own.notKept().map((w) => w.draft.id)).toEqual([b.id]);
    own.again();
    expect(own.notKept()).toEqual([]);
  });

  it('lets go of the course of what is begun, as its batch shows how it goes', async () => {
    const { store, keeper: own } = await keeper([a]);
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
  const fed = plannedPour({ id: idOf(1), startMs: NOW + 10 * HOUR, feed: feed as PlannedPour['feed'] });

  it('are what is to be begun and what is to be fed for it, within a day', () => {
    const far = plannedPour({ id: idOf(2), startMs: NOW + 30 * HOUR });
    expect(planHands([far, fed], NOW).map((h) => [h.pour.id, h.is])).toEqual([
      [idOf(1), 'feed'],
      [idOf(1), 'begin'],
    ]);
    // A feeding that is over by an hour is no news; a make that was not begun is.
    expect(planHands([fed], NOW + 12 * HOUR).map((h) => h.is)).toEqual(['begin']);
  });

  it('lead to the sheet, and to its beginning once it is near', async () => {
    const page = await pageOf(PlanCard, [], NOW, { hand: { pour: fed, is: 'begin', atMs: fed.startMs } });
    expect(page.element.querySelector('a.press')!.textContent.trim()).toBe('Its sheet');
    const near = await pageOf(PlanCard, [], fed.startMs - HOUR / 4, {
      hand: { pour: fed, is: 'begin', atMs: fed.startMs },
    });
    expect(near.element.querySelector('a.press')!.textContent.trim()).toBe('Begin it');
    const feeding = await pageOf(PlanCard, [], NOW, { hand: { pour: fed, is: 'feed', atMs: feed.beginMs } });
    expect(feeding.text()).toContain('Feed its culture: 4 g into 120 g of scalded milk at 24 °C.');
  });

  it('begin the feeding that was planned, out of the strongest jar there is enough of', async () => {
    const jar = (n: number, amount: number, days: number) =>
      cultured(idOf(n), NOW / (24 * HOUR) - days, { culture: 'mesophilic', origin: 'pot', name: `Jar ${n}`, amount });
    const jars = [jar(21, 100, 16), jar(22, 90, 3), jar(23, 2, 0)];
    const told = [LarderActions.told({ larder: { lots: jars.map((l) => kept<Lot>(l)) } })];
    const page = await pageOf(PlanCard, [], NOW, { hand: { pour: fed, is: 'feed', atMs: feed.beginMs } }, [], told);
    await page.click(/^Feed it now/);
    const bodies = page.written().map((e) => e.body);
    expect(bodies.some((b) => b.type === 'started' && b.methodId === 'starter-feeding')).toBeTrue();
    expect(bodies.find((b) => b.type === 'took')).toEqual({ type: 'took', lotId: idOf(22), massG: 4 });
  });
});
