import { english } from '@oat-crock/messages';
import { methodById } from '../methods/index.js';
import { daily, EIGHT_PIECES, maker } from '../testing/weeks.js';
import { hoursOf, type Person } from './hours.js';
import type { Order } from './orders.js';
import { layOut, planFor } from './plan.js';
import type { PlanAsked } from './planning-problem.js';
import { simulate } from './simulate.js';

const DAY = 1440;
const yogurt = (id: string, dueMin: number, productG = 3000): Order => ({
  ...{ id, method: methodById('scalded-yogurt'), productG, dueMin },
});
/** Somebody who is there from one hour to another of each day. */
const there = (name: string, fromH: number, toH: number, more: Partial<Person> = {}): Person => ({
  ...{ name, asleep: [], works: null, away: daily(toH, fromH, 9) },
  ...more,
});
const asked = (people: readonly Person[], more: Partial<PlanAsked> = {}): PlanAsked => ({
  ...{ orders: [yogurt('A', 4 * DAY + 720)], people, gear: EIGHT_PIECES, horizonMin: 8 * DAY, seed: 1 },
  ...more,
});
const handsOf = (plan: ReturnType<typeof planFor>) =>
  plan.makes.flatMap(({ network, steps, hands }) =>
    network.steps.map((step, i) => ({ ...step, ...hands.steps[i]!, beginMin: steps[i]!.beginMin })),
  );

describe('who may do what', () => {
  it('is kept by the hours of each work: what only one does is done while that one is there', () => {
    const ada = there('Ada', 6, 12);
    const bo = there('Bo', 12, 22, { wishes: { hot: 'not' } });
    const hours = hoursOf([ada, bo], 8 * DAY);
    const [noon, night] = [DAY + 13 * 60, DAY + 23 * 60];
    expect(hours.nightMin(noon, noon + 30)).toBe(0);
    expect(hours.ofStep({ work: 'hot' }).nightMin(noon, noon + 30)).toBe(30);
    expect(hours.ofStep({ work: 'pots' }).nightMin(noon, noon + 30)).toBe(0);
    expect(hours.ofStep({ work: 'pots' }).nightMin(night, night + 30)).toBe(30);
    expect(hours.ofStep({ work: 'hot' }).nextWelcome(noon, 30)).toBe(2 * DAY + 360);
    for (const { work, who, beginMin } of handsOf(planFor(asked([ada, bo]), 40))) {
      if (work !== 'hot') continue;
      expect(who).toBe('Ada');
      expect(beginMin % DAY).toBeGreaterThanOrEqual(360);
      expect(beginMin % DAY).toBeLessThan(720);
    }
  });

  it('what nobody does is done by whoever is there, rather than not at all', () => {
    const none = there('Ada', 6, 22, { wishes: { hot: 'not', pots: 'not', curd: 'not', churn: 'not' } });
    const plan = planFor(asked([none]), 20);
    expect(plan.unmet).toEqual([]);
    expect(plan.nightHandsMin).toBe(0);
  });

  it('by wish is done by who would rather, else evenly by the day, and by nobody beyond what is enough for them', () => {
    const [ada, bo] = [there('Ada', 6, 22), there('Bo', 6, 22)];
    const shares = (people: readonly Person[]) => {
      const minutes = new Map<string, number>();
      for (const { who, handsMin } of handsOf(planFor(asked(people), 20)))
        minutes.set(who, (minutes.get(who) ?? 0) + handsMin);
      return people.map(({ name }) => minutes.get(name) ?? 0);
    };
    const [even, other] = shares([ada, bo]);
    expect(Math.abs(even! - other!)).toBeLessThan(25);
    const hot = handsOf(planFor(asked([ada, { ...bo, wishes: { hot: 'rather' } }]), 20)).filter(
      (h) => h.work === 'hot',
    );
    expect(new Set(hot.map((h) => h.who))).toEqual(new Set(['Bo']));
    const [most, little] = shares([ada, { ...bo, mostMin: 12 }]);
    expect(little!).toBeLessThanOrEqual(2 * 12);
    expect(most!).toBeGreaterThan(little!);
  });
});

describe('what two carry', () => {
  const [ada, bo] = [there('Ada', 6, 22), there('Bo', 10, 20)];

  it('is what is heavier than one lifts, to the gram', () => {
    const forTwo = (liftG: number) =>
      layOut(asked([ada, bo], { liftG }))
        .wanted[0]!.network.steps.filter((s) => s.forTwo)
        .map((s) => s.kind);
    expect(layOut(asked([ada, bo])).wanted[0]!.network.productG).toBeCloseTo(3000, -2);
    expect(forTwo(Infinity)).toEqual([]);
    expect(forTwo(2900)).toEqual(['cool', 'incubate', 'chill']);
    expect(forTwo(4000)).toEqual([]);
  });

  it('is done while both are there, by both, and nobody else waits with them', () => {
    const plan = planFor(asked([ada, bo], { liftG: 2500 }), 60);
    const two = handsOf(plan).filter((h) => h.forTwo);
    expect(two.length).toBeGreaterThan(1);
    expect(plan.nightHandsMin).toBe(0);
    for (const { beginMin, with: second, who } of two) {
      expect([who, second].sort()).toEqual(['Ada', 'Bo']);
      expect(beginMin % DAY).toBeGreaterThanOrEqual(10 * 60);
      expect(beginMin % DAY).toBeLessThan(20 * 60);
    }
    for (const { forTwo, with: second } of handsOf(plan)) if (!forTwo) expect(second).toBeUndefined();
    const problem = layOut(asked([ada, bo], { liftG: 2500 }));
    expect(simulate(problem, plan.makes).quietNights).toBeLessThan(1);
  });

  it('is done by one where there are no two', () => {
    const plan = planFor(asked([maker(8)], { liftG: 2500 }), 20);
    expect(plan.unmet).toEqual([]);
    expect(plan.nightHandsMin).toBe(planFor(asked([maker(8)]), 20).nightHandsMin);
    expect(handsOf(plan).every((h) => h.with === undefined)).toBeTrue();
  });
});

describe('hands of a day that are enough', () => {
  const two = (mostMin: number) =>
    asked([{ ...maker(8), mostMin }], {
      orders: [yogurt('A', 4 * DAY + 720), yogurt('B', 4 * DAY + 720)],
    });
  /** Minutes of hands by the day of the plan. */
  const byDay = (plan: ReturnType<typeof planFor>) => {
    const days = new Map<number, number>();
    for (const { beginMin, handsMin } of handsOf(plan)) {
      const day = Math.floor(beginMin / DAY);
      days.set(day, (days.get(day) ?? 0) + handsMin);
    }
    return [...days.values()];
  };

  it('are never more by plan, and spread what is wanted over more days', () => {
    const [many, few] = [two(600), two(75)].map((of) => planFor(of, 60));
    expect(many!.unmet).toEqual([]);
    expect(few!.unmet).toEqual([]);
    expect(Math.max(...byDay(few!))).toBeLessThanOrEqual(75.5);
    expect(byDay(few!).length).toBeGreaterThanOrEqual(byDay(many!).length);
  });

  it('leave one out where they are too few for all, and say so', () => {
    const { makes, unmet } = planFor(two(20), 40);
    expect(makes).toEqual([]);
    expect(english(unmet[0]!.why)).toMatch(/^Its hands are more than are enough for the day that begins in /);
    // With somebody besides who has as many as come, nothing is too much.
    const helped = { ...two(20), people: [{ ...maker(8), mostMin: 20 }, maker(8)] };
    expect(planFor(helped, 40).unmet).toEqual([]);
  });

  it('are less what is on already', () => {
    const on = { name: 'On', tasks: [{ atMin: 60, minutes: 30 }], demands: [] };
    const { instance, dayRow } = layOut({ ...two(75), committed: [on] });
    const { capacity } = instance.resources[dayRow!.resource]!;
    expect([capacity[0], capacity[1]]).toEqual([450, 750]);
    expect(layOut(asked([maker(8)])).dayRow).toBeNull();
  });
});
