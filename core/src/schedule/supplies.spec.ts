import { english } from '@oat-crock/messages';
import fc from 'fast-check';
import { referenceStock } from '../materials/reference-materials.js';
import { methodById } from '../methods/index.js';
import { runs } from '../testing/runs.js';
import { EIGHT_PIECES, maker } from '../testing/weeks.js';
import { neededBy } from './materials.js';
import { moved } from './move.js';
import type { Order } from './orders.js';
import { layOut, planFor } from './plan.js';
import type { PlanAsked } from './planning-problem.js';
import { supposed } from './supposed.js';
import { weighedOf, windowsOf, type PlanSupply } from './supplies.js';

const DAY = 1440;
const can = (id: string, massG: number, fromMin: number, days: number | null = 4): PlanSupply => ({
  ...{ id, name: id, kind: 'milk', massG, fromMin },
  untilMin: days === null ? null : fromMin + days * DAY,
});
const yogurt = (id: string, dueMin: number, productG = 4000): Order => ({
  ...{ id, name: id, method: methodById('scalded-yogurt'), productG, dueMin },
});
const week = (orders: readonly Order[], supplies: readonly PlanSupply[], more: Partial<PlanAsked> = {}): PlanAsked => ({
  ...{ orders, supplies, people: [maker(9)], gear: EIGHT_PIECES, horizonMin: 9 * DAY, seed: 1 },
  ...more,
});
const lotsOf = (supplies: readonly PlanSupply[]) =>
  supplies.map(({ id, kind, massG, fromMin, untilMin }) => ({ id, kind, name: id, leftG: massG, fromMin, untilMin }));

describe('windows of what comes', () => {
  /** Whether what is wanted at some minutes can be had, by giving each to the can that goes off first. */
  const canBeHad = (supplies: readonly PlanSupply[], wanted: readonly (readonly [number, number])[]) => {
    const left = new Map(supplies.map((s) => [s.id, s.massG]));
    return [...wanted]
      .sort((a, b) => a[0] - b[0])
      .every(([atMin, massG]) => {
        let open = massG;
        const there = supplies.filter((s) => s.fromMin <= atMin && s.untilMin! >= atMin);
        for (const { id } of there.sort((a, b) => a.untilMin! - b.untilMin!)) {
          const takes = Math.min(open, left.get(id)!);
          left.set(id, left.get(id)! - takes);
          open -= takes;
        }
        return open <= 0;
      });
  };

  it('allow just what can be had, where each can goes off before those that come after it', () => {
    const cans = fc
      .array(fc.record({ massG: fc.integer({ min: 1, max: 9 }), gapMin: fc.integer({ min: 1, max: 9 }) }), {
        minLength: 1,
        maxLength: 5,
      })
      .chain((some) => fc.integer({ min: 1, max: 12 }).map((keepsMin) => ({ some, keepsMin })));
    const wants = fc.array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 1, max: 6 })), { maxLength: 6 });
    fc.assert(
      fc.property(cans, wants, ({ some, keepsMin }, wanted) => {
        let atMin = 0;
        const supplies = some.map(({ massG, gapMin }, i): PlanSupply => {
          atMin += gapMin;
          return { ...{ id: `${i}`, name: '', kind: 'milk', massG, fromMin: atMin }, untilMin: atMin + keepsMin };
        });
        const allowed = windowsOf(supplies, Infinity).every(
          ({ afterMin, beforeMin, massG }) =>
            wanted.reduce((sum, [at, takes]) => (at > afterMin && at < beforeMin ? sum + takes : sum), 0) <= massG,
        );
        expect(allowed).toBe(canBeHad(supplies, wanted));
      }),
      { numRuns: runs(400) },
    );
  });

  it('that hold more than all that is wanted bind nobody, and are left out', () => {
    const cans = [can('Mon', 14_000, 0), can('Thu', 14_000, 3 * DAY)];
    expect(windowsOf(cans, 14_000).map((w) => w.massG)).toEqual([0, 0]);
    expect(windowsOf(cans, 14_001).length).toBeGreaterThan(2);
    expect(windowsOf(cans, 28_000).some((w) => w.massG === 28_000)).toBeFalse();
  });
});

describe('a plan of milk that comes when it comes', () => {
  it('begins nothing before its milk is there, or after it has gone off', () => {
    const cans = [can('Mon', 14_000, 2 * DAY + 420, 2)];
    for (const dueMin of [4 * DAY, 7 * DAY]) {
      const { makes, unmet } = planFor(week([yogurt('A', dueMin)], cans), 20);
      if (dueMin === 4 * DAY) expect(unmet).toEqual([]);
      for (const { mode } of makes) {
        expect(mode.startMin).toBeGreaterThanOrEqual(2 * DAY + 420);
        expect(mode.startMin).toBeLessThanOrEqual(4 * DAY + 420);
      }
    }
    expect(planFor(week([yogurt('A', 2 * DAY)], cans), 20).unmet).toHaveSize(1);
  });

  it('never weighs in more than there is, and says of what it costs: which order, how much to buy, by when', () => {
    const cans = [can('Mon', 9000, 0), can('Thu', 5000, 3 * DAY)];
    const orders = [yogurt('A', 2 * DAY), yogurt('B', 2.5 * DAY), yogurt('C', 5 * DAY), yogurt('D', 5.5 * DAY)];
    const { makes, unmet } = planFor(week(orders, cans), 60);
    const takes = neededBy(makes, lotsOf(cans));
    for (const { shortG } of takes.filter(({ from }) => from.length > 0)) expect(shortG).toBeLessThan(30);
    expect(makes).toHaveSize(3);
    expect(unmet).toHaveSize(1);
    const [left] = unmet;
    expect(english(left!.why)).toMatch(/^Milk is short by \d\.\d+ kg when it would begin: .* takes? what comes\.$/);
    expect(english(left!.remedy)).toMatch(/^Buy \d\.\d+ kg of milk within /);
    // Bought as it says, all of it is met.
    const { massG, byMin } = left!.buys!;
    const bought = planFor(week(orders, [...cans, can('bought', massG + 40, Math.max(0, byMin - 60))]), 60);
    expect(bought.unmet).toEqual([]);
  });

  it('of a kind of which none is named takes as much as is wanted', () => {
    const cream = { ...can('cream', 100, 0), kind: 'cream' } as const;
    const { unmet } = planFor(week([yogurt('A', 3 * DAY)], [cream]), 10);
    expect(unmet).toEqual([]);
  });

  it('tells of a make that is moved to where its milk is not, what lacks', () => {
    const asked = week([yogurt('A', 3 * DAY), yogurt('B', 5 * DAY)], [can('Mon', 5000, 0), can('Thu', 5000, 3 * DAY)]);
    const problem = layOut(asked);
    const { makes } = planFor(asked, 40);
    expect(makes).toHaveSize(2);
    const [first, second] = [...makes].sort((a, b) => a.mode.startMin - b.mode.startMin);
    const { breaks, repair } = moved(problem, makes, second!, first!.mode.startMin - 480);
    expect(breaks.map((b) => b.is)).toContain('short');
    expect(english(breaks.find((b) => b.is === 'short')!.says)).toMatch(/of milk too little for it: A takes the rest/);
    expect(repair!.startMin).toBeGreaterThanOrEqual(3 * DAY);
  });

  it('with a can a day late, or not at all, is another plan', () => {
    const asked = week([yogurt('A', 5 * DAY)], [can('Thu', 5000, 3 * DAY)]);
    const start = (of: PlanAsked) => planFor(of, 20).makes[0]?.mode.startMin;
    expect(start(asked)!).toBeLessThan(4 * DAY);
    const late = (byMin: number | null) => supposed(asked, [], { is: 'can late', supplyId: 'Thu', byMin });
    expect(start(late(DAY))!).toBeGreaterThanOrEqual(4 * DAY);
    expect(start(late(null))).toBeUndefined();
    expect(start(supposed(asked, [], { is: 'can late', supplyId: 'Mon', byMin: null }))).toBe(start(asked)!);
  });

  it('is of the milk that comes: a fatter one asks for less cream, and the make does not name its can', () => {
    const milk = { ...referenceStock('whole'), id: 'lot:farm', kind: 'milk', name: 'Farm milk', fatPct: 4.4 } as const;
    const order = { ...yogurt('A', 4 * DAY), choices: { fatPct: 6, blendBy: 'fat' } };
    const creamG = (of: PlanAsked) => {
      const [make] = planFor(of, 10).makes;
      expect(make!.network.choices['milk']).not.toBe('lot:farm');
      return make!.network.amounts.filter((a) => a.pricedAs === 'cream').reduce((sum, a) => sum + a.massG, 0);
    };
    const usual = week([order], []);
    const farm = { ...usual, milk };
    expect(creamG(farm)).toBeLessThan(0.8 * creamG(usual));
    const network = planFor(farm, 10).makes[0]!.network;
    expect(weighedOf(network, 'milk', [can('Mon', 9000, 0)])).toBeGreaterThan(3000);
  });

  it('reckons the milk of feedings with it', () => {
    const starters = [{ culture: 'thermophilic', massG: 12, activity: 1, lossPerDay: 0.045 }] as const;
    const asked = (massG: number) => week([yogurt('A', 4 * DAY)], [can('Mon', massG, 0)], { starters });
    const [make] = planFor(asked(9000), 20).makes;
    const ownG = weighedOf(make!.network, 'milk', [can('Mon', 1, 0)]);
    const feedG = make!.feed!.milkG;
    expect(feedG).toBeGreaterThan(60);
    expect(planFor(asked(ownG + feedG + 25), 20).makes).toHaveSize(1);
    expect(planFor(asked(ownG + feedG - 25), 20).makes.filter((m) => m.feed)).toEqual([]);
  });
});
