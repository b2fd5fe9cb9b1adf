import { TestBed } from '@angular/core/testing';
import type { PlannedBatch, WantedOrder } from '@oat-crock/contract/api';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import { planFeature } from '../../state/plan.feature';
import { PlanRecords } from '../../state/plan-records';
import { GEAR, HOUR, idOf, NOW, openPlan, order, written } from '../../testing/plan-page';
import { BatchMover } from './batch-mover';
import { samplePlannedBatch } from '../../testing/planned';

describe('the Plan place', () => {
  it('with nothing wanted says what it is for', async () => {
    const { text } = await openPlan({ orders: [] });
    expect(text()).toContain('Say what you want to have, how much of it and when.');
    expect(text()).toContain('Nothing is wanted and nothing is on.');
  });

  it('plans what was never planned at once, shows it, and holds it once it is taken', async () => {
    const page = await openPlan({ orders: [order(1), order(2, { whom: 'the school' })] });
    expect(page.text()).toContain('Not taken yet: Hands in working hours. All of it holds.');
    expect(page.lane(/for the quay/)!.getAttribute('aria-label')).toMatch(/begin \w+ \d\d:\d\d, ready .+, wanted/);
    expect(page.text()).toContain('Whole plans');
    expect(await page.key('t')).toBeTrue();
    const plannedBatches = written(page);
    expect(plannedBatches.length).toBe(2);
    for (const plannedBatch of plannedBatches) {
      expect(plannedBatch.readyLateMs).toBeLessThanOrEqual(plannedBatch.dueMs!);
      expect(plannedBatch.course.length).toBeGreaterThan(10);
      expect(plannedBatch.tasks.every((h) => h.earliestMs <= h.atMs && h.atMs <= h.latestMs)).toBeTrue();
    }
    expect(page.text()).toContain('Taken.');
    expect(await page.key('u')).toBeTrue();
    expect(page.store.selectSignal(planFeature.selectBefore)()).toBeNull();
    expect(await page.key('u')).toBeFalse();
  });

  it('says why something cannot be made, and what would help', async () => {
    const { text } = await openPlan({ orders: [order(1, { productG: 400_000 })], gear: [GEAR[0]!] });
    expect(text()).toMatch(/more than 6 makes|kg of milk/);
    // Without a box it is kept warm another way, and says so.
    const wrapped = await openPlan({ orders: [order(1)], gear: [GEAR[0]!] });
    expect(wrapped.text()).toContain('as there is no thermostat: sour in ');
    const gone = await openPlan({ orders: [order(1, { methodId: '01J00000000000000000000MTH' })] });
    expect(gone.text()).toContain('Its method is no longer there. Choose another.');
    const soon = await openPlan({ orders: [order(1, { due: { is: 'once', atMs: NOW + 3 * HOUR } })] });
    expect(soon.text()).toMatch(/It takes \d+ h.* nine times in ten/);
  });

  it('proposes the least that must move where a make was not begun in time', async () => {
    const first = await openPlan({ orders: [order(1)] });
    await first.key('t');
    const [plannedBatch] = written(first);
    const late = { ...plannedBatch!, startMs: NOW - 2 * HOUR };
    const page = await openPlan({ orders: [order(1)], plannedBatches: [late] });
    expect(page.text()).toMatch(/The plan no longer holds\..*was to be begun 2 h.* ago/);
    expect(page.plans.mend()!.plannedBatches.length).toBe(1);
    const broken = page.lane(/Scalded yogurt/)!;
    expect(broken.classList).toContain('troubled');
  });

  it('takes away what is planned of nothing that is wanted any more', async () => {
    const page = await openPlan({
      orders: [],
      plannedBatches: [samplePlannedBatch({ id: idOf(7), startMs: NOW + HOUR })],
    });
    expect(page.text()).toContain('Quark is planned, and not wanted any more, or its day is over.');
    await page.click('Take it away');
    await page.settled();
    expect(TestBed.inject(PlanRecords).plannedBatches()).toEqual([]);
    expect(await page.key('u')).toBeTrue();
    expect(written(page).map((p) => p.id)).toEqual([idOf(7)]);
  });

  it('says that hands have shifted where the household sleeps otherwise than it did', async () => {
    const first = await openPlan({ orders: [order(1)] });
    await first.key('t');
    const [plannedBatch] = written(first);
    const tasks = plannedBatch!.tasks.map((h) => ({ ...h, atMs: h.atMs - HOUR }));
    const page = await openPlan({ orders: [order(1)], plannedBatches: [{ ...plannedBatch!, tasks }] });
    expect(page.text()).toContain('come at another time than when it was taken');
    await page.click('Keep it so');
    await page.settled();
    expect(written(page)[0]!.tasks).toEqual(plannedBatch!.tasks);
  });

  it('puts what is newly wanted beside what is planned, with one key', async () => {
    const first = await openPlan({ orders: [order(1)] });
    await first.key('t');
    const page = await openPlan({
      orders: [order(1), order(2, { whom: 'the bakery' })],
      plannedBatches: written(first),
    });
    expect(page.text()).toContain('One thing is wanted that is not in the plan yet.');
    expect(await page.key('r')).toBeTrue();
    const plannedBatches = written(page);
    expect(plannedBatches.some((p) => p.whom === 'the bakery')).toBeTrue();
    expect(page.text()).toContain('Moved.');
  });

  it('moves a make by keys: checked as it moves, put with Enter, left with Escape', async () => {
    const page = await openPlan({ orders: [order(1)] });
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

  it('goes along with what keys move past the days that are shown, and leaves it where it was', async () => {
    const page = await openPlan({ orders: [order(1)] });
    await page.key('t');
    const at = () => /begin (\w+ \d\d:\d\d)/.exec(page.lane(/Scalded/)!.getAttribute('aria-label')!)![1];
    const before = at();
    for (let i = 0; i < 30; i++) await page.press(page.lane(/Scalded/)!, 'ArrowRight', true);
    const [far, shown] = [at(), page.element.textContent];
    expect(far).not.toBe(before);
    await page.key('escape');
    expect(at()).toBe(before);
    expect(shown).not.toBe(page.element.textContent);
  });

  it('is not put where it can never be: why is said, with the nearest that holds, and nothing has moved', async () => {
    const page = await openPlan({ orders: [order(1)] });
    await page.key('t');
    const at = () => /begin (\w+ \d\d:\d\d)/.exec(page.lane(/Scalded/)!.getAttribute('aria-label')!)![1];
    const before = at();
    // Past the moment at which it is wanted.
    for (let i = 0; i < 6; i++) await page.press(page.lane(/Scalded/)!, 'ArrowRight', true);
    await page.press(page.lane(/Scalded/)!, 'Enter');
    expect(at()).toBe(before);
    expect(page.text()).toContain('It was not put there, as it cannot be:');
    expect(page.text()).toMatch(/It is ready \d.* after it is wanted\./);
    expect(page.plans.draft()).toBeNull();
    await page.click(/^Begin it .* the nearest/);
    await page.settled();
    expect(page.text()).not.toContain('It was not put there');
    expect(page.plans.draft()).not.toBeNull();
  });

  it('moves one of its hands within its give, and no further', async () => {
    const page = await openPlan({ orders: [order(1)] });
    await page.key('t');
    await page.press(page.lane(/Scalded/)!, 'h');
    const tasks = () => page.element.querySelectorAll('oc-planned-batch-panel .hands li');
    expect([...tasks()].some((li) => li.classList.contains('gripped'))).toBeTrue();
    const lastOf = (plannedBatch: PlannedBatch) => plannedBatch.tasks.filter((h) => h.minutes > 0).at(-1)!;
    const before = lastOf(page.plans.standing()!.plannedBatches[0]!);
    const mover = page.fixture.debugElement.injector.get(BatchMover);
    const later = [...page.element.querySelectorAll<HTMLElement>('.nudge button')].at(-1)!;
    later.click();
    await page.settled();
    const once = lastOf(mover.moving()!.told!.plannedBatch);
    expect(once.atMs - before.atMs).toBeCloseTo(15 * 60_000, -4);
    for (let i = 0; i < 300; i++) later.click();
    await page.settled();
    const most = lastOf(mover.moving()!.told!.plannedBatch);
    expect(most.atMs).toBeGreaterThan(once.atMs);
    expect(most.atMs).toBeLessThanOrEqual(before.latestMs + 60_000);
    await page.key('escape');
    [...page.element.querySelectorAll<HTMLElement>('.nudge button')].at(-1)!.click();
    await page.settled();
    await page.click(/^Put it here/);
    await page.settled();
    expect(page.plans.standing()!.plannedBatches[0]!.extension!.forMin).toBeGreaterThan(0);
  });

  it('lists hands by day and what is to be bought by when', async () => {
    const page = await openPlan({ orders: [order(1)] });
    await page.key('t');
    await page.click('Hands by day');
    const list = page.element.querySelector('oc-tasks-list')!;
    expect(list.textContent).toMatch(/\d+ min of hands|\d h/);
    expect(list.textContent).toContain('Handed on: 3.0');
    expect(page.element.querySelector('oc-buy-list')!.textContent).toMatch(/Buy 3\.\d+ kg whole milk.*, by/s);
  });

  it('wants something by its form, and keeps what is written until it is right', async () => {
    const page = await openPlan({ orders: [] });
    await page.click('Want something');
    const form = page.element.querySelector('oc-order-form')!;
    const whom = form.querySelector<HTMLInputElement>('#order-whom')!;
    whom.value = 'the lighthouse';
    whom.dispatchEvent(new Event('input'));
    await page.fixture.whenStable();
    const drafts = Object.values(page.store.selectSignal(recordsFeature.selectWriting)());
    expect(drafts.map((w) => [w.family, (w.draft as WantedOrder).whom])).toEqual([['orders', 'the lighthouse']]);
    page.store.dispatch(
      RecordActions.refused({
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
