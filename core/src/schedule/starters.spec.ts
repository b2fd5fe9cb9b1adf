import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import { methodById } from '../methods/index.js';
import { EIGHT_PIECES, maker } from '../testing/weeks.js';
import { hoursOf } from './hours.js';
import type { Order } from './orders.js';
import { planFor } from './plan.js';
import { needOf, type StarterHere } from './starters.js';

const DAY = 1440;

describe('the starters of a plan', () => {
  const quay = (massG: number, activity: number): StarterHere => ({
    culture: 'thermophilic',
    massG,
    activity,
    lossPerDay: 0.045,
  });
  const hours = hoursOf([maker(10)], 10 * DAY);
  const order = (id: string, dueMin: number): Order => ({
    id,
    method: methodById('scalded-yogurt'),
    productG: 3000,
    dueMin,
  });
  const planWith = (starters: readonly StarterHere[], ...orders: Order[]) =>
    planFor({ orders, people: [maker(10)], gear: EIGHT_PIECES, starters, horizonMin: 10 * DAY, seed: 1 }, 40);

  it('are taken as they are while they are strong, fed by day before they are taken, or to be bought', () => {
    expect(needOf([quay(200, 1)], 'thermophilic', 80, DAY, hours).is).toBe('ready');
    expect(needOf([quay(200, 0.05)], 'thermophilic', 80, DAY, hours).is).toBe('buy');
    expect(needOf([], 'thermophilic', 80, DAY, hours).is).toBe('buy');
    const soon = needOf([quay(200, 0.45)], 'thermophilic', 80, 60, hours);
    expect(soon.is).toBe('more');
    expect((soon as { times: number }).times).toBeCloseTo(1 / 0.45, 1);
    expect(needOf([quay(100, 0.45)], 'thermophilic', 80, 60, hours).is).toBe('buy');
    fc.assert(
      fc.property(fc.integer({ min: 2 * DAY, max: 9 * DAY }), (atMin) => {
        const need = needOf([quay(30, 0.45)], 'thermophilic', 80, atMin, hours);
        if (need.is !== 'feed') return fail(`at ${atMin}: ${need.is}`);
        const { beginMin, ripeMin, milkG, starterG } = need.feed;
        expect(ripeMin).toBeLessThanOrEqual(atMin);
        expect(hours.nightMin(beginMin, beginMin + 10) + hours.nightMin(ripeMin, ripeMin + 5)).toBe(0);
        expect(milkG + starterG).toBeGreaterThan(80);
        expect(starterG).toBeLessThan(30);
      }),
      { numRuns: runs(60) },
    );
  });

  it('that are strong enough cost no feeding; tired ones are fed once for what follows', () => {
    expect(planWith([quay(500, 1)], order('A', 2 * DAY)).makes[0]!.feed).toBeNull();
    const [first, second] = planWith([quay(60, 0.4)], order('A', 3 * DAY), order('B', 4 * DAY))
      .makes.slice()
      .sort((a, b) => a.mode.startMin - b.mode.startMin);
    expect(first!.feed!.ripeMin).toBeLessThanOrEqual(first!.steps[first!.network.sown!.step]!.beginMin);
    expect(second!.feed).toBeNull();
    expect(planWith([], order('A', 3 * DAY)).makes[0]!.buysStarter).toBeTrue();
  });
});
