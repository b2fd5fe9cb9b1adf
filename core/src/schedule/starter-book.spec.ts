import fc from 'fast-check';
import { methodById } from '../methods/index.js';
import { runs } from '../testing/runs.js';
import { EIGHT_PIECES, maker } from '../testing/weeks.js';
import { hoursOf } from './hours.js';
import type { Order } from './orders.js';
import { layOut, planFor } from './plan.js';
import type { PlanAsked } from './planning-problem.js';
import { starterBook, type Taker } from './starter-book.js';
import { needOf, type StarterHere } from './starters.js';

const DAY = 1440;
const hours = hoursOf([maker(10)], 10 * DAY);
const jar = (massG: number, activity = 1): StarterHere => ({
  ...{ culture: 'thermophilic', massG, activity, lossPerDay: 0.045 },
});
const taker = (atMin: number, takesG: number, givesG = 0): Taker => ({
  ...{ culture: 'thermophilic', takesG, atMin, beginMin: atMin - 60, givesG, givesAtMin: atMin + 300 },
});

describe('the starter of a plan as a stock', () => {
  it('is given out once: a jar of 150 g gives no 350 g', () => {
    const at = [2 * DAY, 2 * DAY + 60, 2 * DAY + 120, 2 * DAY + 180].map((m) => taker(m + 600, 90));
    const book = starterBook(at, [jar(150)], hours);
    const asItIs = book.filter(({ feed, times, buys }) => !feed && times === 1 && !buys);
    const fed = book.flatMap(({ feed }) => feed ?? []);
    // The first has it as it is; the others have one feeding between them.
    expect(asItIs.length).toBe(3);
    expect(fed).toHaveSize(1);
    expect(fed[0]!.milkG + fed[0]!.starterG).toBeGreaterThan(3 * 90);
    expect(fed[0]!.starterG).toBeLessThan(60);
  });

  it('is what an earlier make holds back, as much of it as that is, and not before it is there', () => {
    const first = taker(3 * DAY, 100, 150);
    const says = (second: Taker) => {
      const { feed, buys } = starterBook([first, second], [jar(120)], hours)[1]!;
      return feed ? 'fed' : buys ? 'bought' : 'as it is';
    };
    expect(says(taker(4 * DAY, 150))).toBe('as it is');
    expect(says(taker(4 * DAY, 151))).toBe('fed');
    expect(says(taker(3 * DAY + 300, 100))).toBe('as it is');
    expect(says(taker(3 * DAY + 299, 100))).not.toBe('as it is');
  });

  it('is used up oldest first, while it is strong enough', () => {
    const [old, young] = [jar(100, 0.7), jar(100, 1)];
    const need = (atMin: number) => needOf([young, old], 'thermophilic', 90, atMin, hours);
    expect(need(0)).toEqual({ is: 'ready', from: old });
    // After four days the older is below half its strength.
    expect(need(4 * DAY)).toEqual({ is: 'ready', from: young });
  });

  it('of grains is in one pot at a time: a second needs grains of its own, or waits for them', () => {
    const grains: StarterHere = { culture: 'kefir-grains', massG: 100, activity: 1, lossPerDay: 0.02 };
    const kefir = (atMin: number): Taker => ({ ...taker(atMin, 80, 85), culture: 'kefir-grains' });
    const buys = (second: number) => starterBook([kefir(DAY), kefir(second)], [grains], hours).map((t) => t.buys);
    expect(buys(DAY + 299)).toEqual([false, true]);
    expect(buys(DAY + 300)).toEqual([false, false]);
  });

  it('of a culture that nobody told of is as each make wants it', () => {
    expect(starterBook([taker(DAY, 90), null], null, hours).map((t) => [t.feed, t.buys])).toEqual([
      [null, false],
      [null, false],
    ]);
  });

  it('never gives more than there is, whatever is asked of it', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            at: fc.integer({ min: 60, max: 9 * DAY }),
            takesG: fc.integer({ min: 10, max: 300 }),
            givesG: fc.constantFrom(0, 50, 200),
          }),
          { maxLength: 12 },
        ),
        fc.array(fc.record({ massG: fc.integer({ min: 0, max: 400 }), activity: fc.constantFrom(0.2, 0.4, 0.6, 1) }), {
          maxLength: 3,
        }),
        (asked, jars) => {
          const takers = asked.map(({ at, takesG, givesG }) => taker(at, takesG, givesG));
          const here = jars.map(({ massG, activity }) => jar(massG, activity));
          const book = starterBook(takers, here, hours);
          let left = here.reduce((sum, j) => sum + j.massG, 0) + takers.reduce((sum, t) => sum + t.givesG, 0);
          let fedG = 0;
          book.forEach(({ feed, times, buys }, i) => {
            if (feed) {
              left -= feed.starterG;
              fedG += feed.milkG + feed.starterG;
            }
            if (buys) return;
            fedG -= takers[i]!.takesG * (feed ? 1 : times);
          });
          // What is taken comes out of jars or feedings, and out of nothing else.
          expect(left + fedG).toBeGreaterThan(-1e-6);
        },
      ),
      { numRuns: runs(200) },
    );
  });
});

describe('a plan by what starter there is', () => {
  const order = (id: string, dueMin: number): Order => ({
    id,
    method: methodById('scalded-yogurt'),
    productG: 4000,
    dueMin,
  });
  const asked = (starters: readonly StarterHere[], ...orders: Order[]): PlanAsked => ({
    ...{ orders, people: [maker(10)], gear: EIGHT_PIECES, starters, horizonMin: 10 * DAY, seed: 1 },
  });

  it('gives two that are wanted at one time what there is for one, and feeds for the other, by day and before it', () => {
    const plan = planFor(asked([jar(150)], order('A', 4 * DAY), order('B', 4 * DAY)), 40);
    const takes = plan.makes.map((m) => m.network.sown!.massG);
    expect(takes[0]! + takes[1]!).toBeGreaterThan(150);
    const fed = plan.makes.filter((m) => m.feed);
    expect(fed).toHaveSize(1);
    expect(plan.makes.some((m) => m.buysStarter)).toBeFalse();
    const { beginMin, ripeMin } = fed[0]!.feed!;
    expect(ripeMin).toBeLessThanOrEqual(fed[0]!.mode.startMin);
    expect(hours.nightMin(beginMin, beginMin + 10) + hours.nightMin(ripeMin, ripeMin + 5)).toBe(0);
    expect(
      planFor(asked([jar(500)], order('A', 4 * DAY), order('B', 4 * DAY)), 40).makes.some((m) => m.feed),
    ).toBeFalse();
  });

  it('bulks a spoonful up in time, and says what is to be bought where there is no time', () => {
    const [late] = planFor(asked([jar(12)], order('A', 4 * DAY)), 20).makes;
    expect(late!.feed!.starterG).toBeLessThan(12);
    expect(late!.feed!.milkG + late!.feed!.starterG).toBeGreaterThan(late!.network.sown!.massG);
    const [soon] = planFor(asked([jar(12)], order('A', DAY)), 20).makes;
    expect(soon!.buysStarter).toBeTrue();
  });

  it('reckons with what those before leave as each is laid out', () => {
    const { wanted } = layOut(asked([jar(150)], order('B', 4 * DAY), order('A', 3 * DAY)));
    const [b, a] = wanted.map(({ placing }) => placing.starters!.reduce((sum, s) => sum + s.massG, 0));
    expect(a).toBe(150);
    // Of the jar what the first leaves, and what it holds back.
    expect(b).not.toBe(150);
  });
});
