import { english } from '@oat-crock/messages';
import { methodById } from '../methods/index.js';
import { seededRandom } from '../random/random.js';
import { EIGHT_PIECES, maker, piece, someWeeks } from '../testing/weeks.js';
import { alternatives, isEnough, likenessOf, type Alternative } from './alternatives.js';
import { LIFE_SPENT } from './mode.js';
import { moved } from './move.js';
import type { Order } from './orders.js';
import { layOut, planFor } from './plan.js';
import type { PlanAsked } from './planning-problem.js';
import { simulate } from './simulate.js';
import { standingOf, type KeptPlace } from './standing.js';
import { groupsOf } from './together.js';

const DAY = 1440;
const BETTER = { groups: [], others: 'where it is better' } as const;

const yogurt = (id: string, dueMin: number | null, more: Partial<Order> = {}): Order => ({
  id,
  name: id,
  method: methodById('strained-yogurt'),
  productG: 1000,
  dueMin,
  ...more,
});
const week = (orders: readonly Order[], more: Partial<PlanAsked> = {}): PlanAsked => ({
  ...{ orders, people: [maker(9)], gear: EIGHT_PIECES, horizonMin: 9 * DAY, seed: 1, together: BETTER },
  ...more,
});
const idsOf = ({ makes }: { readonly makes: ReturnType<typeof planFor>['makes'] }) =>
  makes.map((m) => m.shares.map((s) => s.orderId).join('+')).sort();
const laidIds = (asked: PlanAsked) =>
  layOut(asked).orders.map(({ id, shares }) => shares?.map((s) => s.orderId).join('+') ?? id);

describe('orders that are made as one', () => {
  const near = [yogurt('A', 4 * DAY), yogurt('B', 4 * DAY + 480), yogurt('C', 4.5 * DAY)];

  it('take the hands of one make, and each is met at its own time', () => {
    const apart = planFor(week(near, { together: { groups: [], others: 'never' } }), 60);
    const asked = week(near);
    const plan = planFor(asked, 60);
    expect(idsOf(plan)).toEqual(['A+B+C']);
    expect(plan.handsMin).toBeCloseTo(apart.handsMin / 3, 6);
    const [make] = plan.makes;
    expect(make!.network.productG).toBeGreaterThan(2950);
    expect(make!.mode.readyMin).toBeLessThan(4 * DAY);
    expect(english(make!.name)).toBe('A, B and C');
    const ages = [4, 4 + 1 / 3, 4.5].map((day) => 24 * day - make!.mode.readyMin / 60);
    expect(likenessOf(plan).meanAgeH).toBeCloseTo((ages[0]! + ages[1]! + ages[2]!) / 3, 6);
    const { byOrder } = simulate(layOut(asked), plan.makes);
    expect(byOrder['A']).toBeGreaterThan(0.85);
    expect(byOrder['B']).toBeGreaterThanOrEqual(byOrder['A']!);
    expect(byOrder['C']).toBeGreaterThanOrEqual(byOrder['B']!);
  });

  it('are of the same, and none that is to be made on its own', () => {
    expect(laidIds(week([near[0]!, yogurt('B', 4 * DAY, { choices: { texture: 'spreadable' } })]))).toEqual(['A', 'B']);
    expect(laidIds(week([near[0]!, yogurt('B', 4 * DAY, { method: methodById('quark') })]))).toEqual(['A', 'B']);
    expect(laidIds(week([near[0]!, yogurt('B', 4 * DAY, { alone: true })]))).toEqual(['A', 'B']);
    expect(laidIds(week([yogurt('A', 4 * DAY, { alone: true }), near[1]!, near[2]!]))).toEqual(['A', 'B+C']);
  });

  it('go into the vessels at once', () => {
    const many = ['A', 'B'].map((id) => yogurt(id, 4 * DAY, { method: methodById('scalded-yogurt'), productG: 5000 }));
    const small = [...EIGHT_PIECES.filter((g) => g.kind !== 'pot'), piece('pot', 8)];
    expect(laidIds(week(many))).toEqual(['A+B']);
    expect(laidIds(week(many, { gear: small }))).toEqual(['A', 'B']);
  });

  it('are as far apart as the hands that are saved are worth, and never further than it keeps', () => {
    const apart = (days: number, others: 'where it is better' | 'as far as they keep') => {
      const orders = [yogurt('A', 3 * DAY), yogurt('B', (3 + days) * DAY)];
      return laidIds(week(orders, { together: { groups: [], others }, horizonMin: 20 * DAY, people: [maker(20)] }));
    };
    const [make] = layOut(week([yogurt('A', 3 * DAY)])).wanted;
    const handsMin = make!.network.steps.reduce((sum, s) => sum + s.handsMin, 0);
    // A minute of hands is worth as much as it costs that one order is older by 1.2 hours.
    const worthDays = (1.2 * handsMin) / 24;
    expect(apart(worthDays - 0.02, 'where it is better')).toEqual(['A+B']);
    expect(apart(worthDays + 0.02, 'where it is better')).toEqual(['A', 'B']);
    const keptDays = LIFE_SPENT * make!.network.keepsDays - 0.5;
    expect(apart(keptDays - 0.02, 'as far as they keep')).toEqual(['A+B']);
    expect(apart(keptDays + 0.02, 'as far as they keep')).toEqual(['A', 'B']);
  });

  it('may be wanted some time: then they are made with what is wanted by a time', () => {
    const plan = planFor(week([yogurt('A', null), yogurt('B', 4 * DAY)]), 30);
    expect(idsOf(plan)).toEqual(['B+A']);
    expect(plan.makes[0]!.mode.readyMin).toBeLessThan(4 * DAY);
  });

  it('are too old where the last of it is, though the first is not', () => {
    const asked = week([near[0]!, yogurt('B', 8 * DAY)], { together: { groups: [['A', 'B']], others: 'never' } });
    const problem = layOut(asked);
    const plan = planFor(asked, 20);
    const [make] = plan.makes;
    const lastMin = 8 * DAY - LIFE_SPENT * DAY * make!.network.keepsDays;
    expect(moved(problem, plan.makes, make!, make!.mode.startMin, make!.mode.extension).breaks).toEqual([]);
    if (lastMin < make!.mode.readyMin - make!.mode.startMin) return;
    const early = moved(problem, plan.makes, make!, lastMin - (make!.mode.readyMin - make!.mode.startMin) - 60);
    expect(early.breaks.map((b) => b.is)).toContain('old');
  });
});

describe('makes of several orders that stand in a plan', () => {
  const orders = [yogurt('A', 4 * DAY), yogurt('B', 4 * DAY + 480), yogurt('C', 4.5 * DAY)];
  const place: KeptPlace = {
    ...{ orderId: 'A', part: 1, startMin: 2 * DAY + 600, extension: null, pinned: false },
    with: ['B', 'C'],
  };
  const standing = (left: readonly Order[]) =>
    standingOf(layOut(week(left, { together: { groups: groupsOf([place]), others: 'never' } })), [place]);

  it('stay where they are as the first of them is wanted no more, and another leaves', () => {
    expect(idsOf(standing(orders))).toEqual(['A+B+C']);
    const after = standing(orders.slice(1));
    expect(idsOf(after)).toEqual(['B+C']);
    expect(after.makes[0]!.mode.startMin).toBe(place.startMin);
    expect(after.unplaced).toEqual([]);
    const other = standing([orders[0]!, { ...orders[1]!, choices: { texture: 'spreadable' } }, orders[2]!]);
    expect(idsOf(other)).toEqual(['A+C']);
    expect(other.unplaced.map((u) => u.orderId)).toEqual(['B']);
    expect(idsOf(standing([]))).toEqual([]);
  });
});

describe('whole plans of orders that may be made as one', () => {
  const last = (asked: PlanAsked): Alternative => {
    let found: Alternative | null = null;
    for (const one of alternatives(asked, { usual: 20, most: 60 })) {
      if (one.preset.id !== 'even') break;
      found = one;
      if (isEnough(one.plan, one.problem, { usual: 20, most: 60 }) && one.plan.unmet.length === 0) break;
    }
    return found!;
  };

  it('make as one what they would leave out alone: one pot for two days of orders', () => {
    const gear = [piece('pot', 8), piece('thermostat', 8), piece('strainer', 8), piece('cold-shelf', 60)];
    const fresh = (id: string, dueMin: number) => yogurt(id, dueMin, { method: methodById('scalded-yogurt') });
    const orders = [2.3, 2.4, 2.6, 3, 3.3].map((day, i) => fresh(`${i}`, day * DAY));
    const alone = last(week(orders, { gear, together: { groups: [], others: 'never' } }));
    expect(alone.plan.unmet.length).toBeGreaterThan(0);
    const plan = last(week(orders, { gear })).plan;
    expect(plan.unmet).toEqual([]);
    expect(plan.makes.flatMap((m) => m.shares)).toHaveSize(5);
  });

  it('have each order in one make and no other, ready by the first of it and fresh for the last, in six drawn weeks', () => {
    let makes = 0;
    for (let seed = 1; seed <= 6; seed++) {
      const random = seededRandom(seed);
      const asked = { ...someWeeks(6, 7, seed), together: BETTER };
      const alike = {
        ...asked,
        orders: asked.orders.map((o) => ({ ...o, method: asked.orders[random() < 0.6 ? 0 : 1]!.method })),
      };
      const plan = planFor(alike, 15);
      makes += layOut(alike).orders.length;
      const placed = plan.makes.flatMap((m) => m.shares.map((s) => s.orderId));
      expect(
        placed.filter((id, i) => placed.indexOf(id) !== i && !plan.makes.some((m) => m.parts > 1 && m.orderId === id)),
      ).toEqual([]);
      for (const { shares, mode, network, parts } of plan.makes) {
        const wantedG = shares.reduce((sum, s) => sum + s.productG, 0);
        expect(network.productG * parts).toBeGreaterThan(0.97 * wantedG);
        for (const { dueMin } of shares) {
          expect(mode.readyMin).toBeLessThanOrEqual(dueMin!);
          expect(dueMin! - mode.readyMin).toBeLessThanOrEqual(LIFE_SPENT * DAY * network.keepsDays + 1e-6);
        }
      }
    }
    expect(makes).toBeLessThan(0.75 * 6 * 6);
  });
});
