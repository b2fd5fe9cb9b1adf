import { english } from '@oat-crock/messages';
import { holding, resourcesOf } from './resources.js';
import { hoursOf, type Person, type Stretch } from './hours.js';
import { lowerBound } from './bound.js';
import { lotKindOf, neededBy } from './materials.js';
import { gearResourcesOf } from './gear-resources.js';
import { needOf, type StarterHere } from './starters.js';
import type { Instance, Use } from './instance.js';
import { supposed } from './supposed.js';
import { methodById } from '../methods/index.js';
import { EIGHT_PIECES, maker } from '../testing/weeks.js';
import { networkOf } from './network.js';
import { lineOwner } from '../learn/owners.js';
import type { Pooled } from '../learn/pooled.js';
import type { Known } from '../learn/recall.js';
import { planFor } from './plan.js';
import { walk } from './timeline.js';

/** Somebody awake only within some stretches of a day of so many minutes. */
function awakeIn(stretches: readonly Stretch[], horizonMin: number): Person {
  const edges = [0, ...stretches.flatMap((s) => [s.fromMin, s.toMin]), horizonMin];
  const asleep = Array.from({ length: edges.length / 2 }, (_, i) => ({
    fromMin: edges[2 * i]!,
    toMin: edges[2 * i + 1]!,
  }));
  return { name: 'Ana', asleep, away: [], works: null };
}

describe('hours', () => {
  const hours = hoursOf(
    [
      awakeIn(
        [
          { fromMin: 0, toMin: 60 },
          { fromMin: 100, toMin: 110 },
        ],
        300,
      ),
    ],
    300,
  );

  it('a stretch of waking just as long as the hands serves them, a minute less does not', () => {
    expect(hours.lastWelcome(200, 60)).toBe(0);
    expect(hours.lastWelcome(200, 61)).toBeNull();
    expect(hours.nextWelcome(0, 60)).toBe(0);
    expect(hours.nextWelcome(0, 61)).toBeNull();
    expect(hours.nextWelcome(61, 10)).toBe(100);
    expect(hours.nextWelcome(61, 11)).toBeNull();
  });

  it('what is longer than the last stretch is done in the one before, never in the night between', () => {
    expect(hours.lastWelcome(108, 20)).toBe(40);
    expect(hours.lastWelcome(108, 10)).toBe(100);
    expect(hours.lastWelcome(99, 10)).toBe(50);
  });

  it('nights are counted to the minute', () => {
    expect([hours.nightMin(0, 60), hours.nightMin(60, 100), hours.nightMin(59, 101)]).toEqual([0, 40, 40]);
  });
});

describe('what a resource holds', () => {
  const use = (more: Partial<Use>): Use => ({ resource: 0, from: 2, to: 4, units: 1, setting: 0, ...more });

  it('is held from its first slot to before its last', () => {
    const all = [{ uses: [use({})] }];
    expect([1, 2, 3, 4].map((slot) => holding(all, 0, slot).length)).toEqual([0, 1, 1, 0]);
    expect(holding(all, 1, 2)).toEqual([]);
  });

  it('is never less than nothing, whatever is on already', () => {
    const gearResources = gearResourcesOf([{ kind: 'pot', holdsL: 5, count: 1, name: 'Pot' }]);
    const pot = gearResources.findIndex((r) => r.gear.kind === 'pot');
    const demand = { gear: 'pot' as const, litres: 4, keepC: null, fromMin: 0, toMin: 120 };
    const on = (count: number) => Array.from({ length: count }, () => ({ name: 'x', tasks: [], demands: [demand] }));
    const capacityWith = (count: number) =>
      resourcesOf(hoursOf([], 600), gearResources, 40, on(count) as never).resources[pot]!.capacity[0];
    expect([capacityWith(0), capacityWith(1), capacityWith(2)]).toEqual([1, 0, 0]);
  });
});

describe('the lower bound', () => {
  /** Two jobs that want the one slot there is of a box; the later slot costs more. */
  const clash = (units: number): Instance => ({
    slots: 2,
    resources: [{ id: 'box', capacity: Int32Array.from([1, 1]), setting: new Int32Array(2) }],
    jobs: [0, 1].map(() => ({
      unmetCost: 100,
      modes: [0, 1].map((slot) => ({
        cost: 1 + 4 * slot,
        uses: [{ resource: 0, from: slot, to: slot + 1, units, setting: 0 }],
      })),
    })),
  });

  it('comes to what the best choice costs where two want the same, and to the sum where nobody is in the way', () => {
    expect(lowerBound(clash(1), 6, 400).cost).toBeGreaterThan(5.9);
    expect(lowerBound(clash(1), 6, 400).cost).toBeLessThanOrEqual(6 + 1e-9);
    expect(lowerBound(clash(0), 2, 400).cost).toBeCloseTo(2, 9);
  });

  it('is that of parts of ways where no whole one fits: half of each slot, and one job left out', () => {
    const { cost } = lowerBound(clash(2), 200, 2000);
    expect(cost).toBeLessThanOrEqual(0.5 * 1 + 0.5 * 5 + 100 + 1e-9);
    expect(cost).toBeGreaterThan(102.9);
  });

  it('says what it rises by when a way is taken, nothing for the cheapest', () => {
    const { rises } = lowerBound(clash(0), 2, 50);
    expect([...rises[0]!].map((r) => Math.round(1e6 * r) / 1e6)).toEqual([0, 4]);
  });
});

describe('starters at the edge', () => {
  const quay = (massG: number, activity: number): StarterHere => ({
    culture: 'thermophilic',
    massG,
    activity,
    lossPerDay: 0.045,
  });
  const always = hoursOf([], 10 * 1440);
  const grains = (activity: number): StarterHere => ({
    culture: 'kefir-grains',
    massG: 100,
    activity,
    lossPerDay: 0.02,
  });

  it('of two that are tired the stronger is fed, in whatever order they stand', () => {
    const [weak, strong] = [quay(30, 0.2), quay(30, 0.45)];
    const feeds = [[strong], [weak, strong], [strong, weak]].map((own) =>
      needOf(own, 'thermophilic', 80, 3000, always),
    );
    expect(feeds[0]!.is).toBe('feed');
    expect(feeds[1]).toEqual(feeds[0]!);
    expect(feeds[2]).toEqual(feeds[0]!);
  });

  it('of two that make up for it by their amount the stronger is taken', () => {
    const [weak, strong] = [quay(500, 0.4), quay(500, 0.45)];
    const need = needOf([weak, strong], 'thermophilic', 80, 0, always);
    expect(need).toEqual({ is: 'more', times: 1 / 0.45, from: strong });
  });

  it('grains of a tenth of their vigour are given up, of a little more they serve', () => {
    expect(needOf([grains(0.1)], 'kefir-grains', 80, 0, always).is).toBe('buy');
    expect(needOf([grains(0.1001)], 'kefir-grains', 80, 0, always).is).toBe('ready');
    expect(needOf([grains(1)], 'kefir-grains', 101, 0, always).is).toBe('buy');
  });

  it('a feeding that just fits between now and the make is planned, a quarter of an hour less and it is not', () => {
    const own = [quay(30, 0.45)];
    const far = needOf(own, 'thermophilic', 80, 3000, always);
    if (far.is !== 'feed') return fail(far.is);
    const ripensMin = far.feed.ripeMin - far.feed.beginMin;
    expect(needOf(own, 'thermophilic', 80, ripensMin + 30, always)).toEqual(
      jasmine.objectContaining({ is: 'feed', feed: jasmine.objectContaining({ beginMin: 0, ripeMin: ripensMin }) }),
    );
    expect(needOf(own, 'thermophilic', 80, ripensMin + 15, always).is).not.toBe('feed');
    const { milkG, starterG } = far.feed;
    expect(milkG + starterG).toBeCloseTo(80 * 1.05 + 30, 9);
    expect(starterG / milkG).toBeCloseTo(0.03, 9);
  });
});

describe('materials', () => {
  it('come out of the lots of their kind: acid by its price, what is priced otherwise out of none', () => {
    const amount = { stockId: null, outOf: null, massG: 1, what: '', volumeMl: 1, measure: null, lotId: null };
    expect(lotKindOf({ ...amount, pricedAs: 'acid' })).toBe('acid');
    expect(lotKindOf({ ...amount, pricedAs: 'butter' })).toBeNull();
    expect(lotKindOf({ ...amount, pricedAs: 'milk', outOf: 'culture' })).toBeNull();
    expect(lotKindOf({ ...amount, pricedAs: 'own', outOf: 'salt' })).toBe('salt');
    expect(lotKindOf({ ...amount, pricedAs: 'cream', stockId: 'lot:1' })).toBe('cream');
  });

  it('of a plan are taken to the last half gram of a lot, and not begun before they come', () => {
    const order = { id: 'A', method: methodById('scalded-yogurt'), productG: 3000, dueMin: 4 * 1440 };
    const week = { orders: [order], people: [maker(7)], gear: EIGHT_PIECES, horizonMin: 7 * 1440, seed: 1 };
    const { makes } = planFor(week, 20);
    const lots = [0.5, 100_000].map((leftG, i) => ({ id: `L${i}`, kind: 'milk' as const, leftG, untilMin: null }));
    const milk = neededBy(makes, lots as never).find((n) => english(n.what).includes('milk'))!;
    expect(milk.from.map((f) => f.massG)[0]).toBe(0.5);
    expect(milk.shortG).toBeCloseTo(0, 9);
    const late = supposed(week, makes, { is: 'comes late', what: 'milk', byMin: -makes[0]!.mode.startMin });
    expect(late.orders[0]!.fromMin).toBe(0);
  });
});

describe('a make of a kitchen that has taught', () => {
  const slow: Pooled = {
    known: [{ of: lineOwner('Q'), score: 'pace', mean: -1.2, sd: 0.2, makes: 6 }],
    covariance: [0.04],
  };
  const soursMin = (known?: Known) => {
    const { steps } = networkOf(methodById('scalded-yogurt'), {}, known ? { known } : {});
    return steps.find((s) => s.stageId === 'warm')!.lasts;
  };

  it('takes as long as its own line has taken, in the likely case and in a bad one', () => {
    const usual = soursMin();
    const ofLine = soursMin({ learned: slow, lines: { thermophilic: 'Q' } });
    expect(ofLine.likely / usual.likely).toBeGreaterThan(1.2);
    // A line that is known is slower in a bad case, too, but strays less.
    expect(ofLine.late / usual.late).toBeGreaterThan(1.08);
    expect(ofLine.late / ofLine.likely).toBeLessThan(0.95 * (usual.late / usual.likely));
    expect(soursMin({ learned: slow, lines: { thermophilic: 'R' } }).likely).toBeCloseTo(usual.likely, 6);
    expect(soursMin({ learned: slow, line: 'Q' })).toEqual(ofLine);
  });
});

describe('a make step by step', () => {
  it('each step lasts as long as it takes, and as much longer or shorter as it was moved', () => {
    const { steps } = networkOf(methodById('strained-yogurt'), {});
    for (const startMin of [0, 10 * 60, 17 * 60]) {
      for (const { beginMin, endMin, movedMin, lasts } of walk(
        { steps },
        startMin,
        hoursOf([maker(10)], 10 * 1440),
      )!.map((walked, i) => ({ ...walked, lasts: steps[i]!.lasts.likely }))) {
        expect(endMin - beginMin).toBeCloseTo(lasts + movedMin, 9);
      }
    }
  });

  it('is made in the smallest pot that holds its milk with a fifth of room', () => {
    const order = { id: 'A', method: methodById('scalded-yogurt'), productG: 4150, dueMin: 4 * 1440 };
    const pots = [4, 5, 6.5].map((holdsL) => ({ kind: 'pot' as const, holdsL, count: 1, name: `${holdsL} L` }));
    const gear = [...EIGHT_PIECES.filter((g) => g.kind !== 'pot'), ...pots];
    const week = { orders: [order], people: [maker(7)], gear, horizonMin: 7 * 1440, seed: 1 };
    const { choices } = planFor(week, 10).makes[0]!.network;
    // 4.2 kg would go into the pot of 5 L, to the rim.
    expect(Math.round(Number(choices['massG']) / 100)).toBe(42);
    expect(choices['vesselL']).toBe(6.5);
  });
});

describe('what is left out', () => {
  const DAY = 1440;
  const why = (productG: number, ...more: readonly { readonly id: string; readonly productG: number }[]) => {
    const orders = [{ id: 'A', productG }, ...more].map((order) => ({
      ...order,
      ...{ name: order.id, method: methodById('scalded-yogurt'), dueMin: 2 * DAY },
    }));
    const gear = EIGHT_PIECES.filter((g) => g.kind !== 'pot' || g.holdsL === 8);
    return planFor({ orders, people: [maker(4)], gear, horizonMin: 4 * DAY, seed: 1 }, 10).unmet.map((u) =>
      english(u.why),
    );
  };

  it('of an order that takes many makes is in its own way, and says so; what another has is named', () => {
    expect(why(3000)).toEqual([]);
    expect(why(40_000)[0]).toMatch(/^It is so much that it takes \d makes, and they do not all find the .* in time\.$/);
    const others = ['B', 'C', 'D', 'E', 'F', 'G', 'H'].map((id) => ({ id, productG: 6000 }));
    expect(why(6000, ...others).join(' ')).not.toContain('so much that it takes');
    expect(why(6000, ...others).join(' ')).not.toContain(' in 0 min');
  });
});
