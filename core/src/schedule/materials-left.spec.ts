import { english } from '@oat-crock/messages';
import { methodById } from '../methods/index.js';
import { EIGHT_PIECES, maker } from '../testing/weeks.js';
import { lotsLeft, neededBy, toBuy } from './materials.js';
import type { Order } from './orders.js';
import { planFor } from './plan.js';

const DAY = 1440;

describe('what makes leave over', () => {
  const strained: Order = {
    id: 'S',
    name: 'S',
    method: methodById('strained-yogurt'),
    productG: 3000,
    dueMin: 4 * DAY,
  };
  const curd = (dueMin: number): Order => ({
    ...{ id: 'C', name: 'C', method: methodById('acid-heat-curd'), productG: 150, dueMin },
    choices: { milk: 'sweet-whey', blendBy: 'milk' },
  });
  const planned = (...orders: Order[]) =>
    planFor({ orders, people: [maker(9)], gear: EIGHT_PIECES, horizonMin: 9 * DAY, seed: 1 }, 30).makes;
  /** The same, were the whey of the first as sour as said. */
  const leaving = (makes: ReturnType<typeof planned>, ph: number) =>
    makes.map((make) => {
      const leaves = make.network.leaves.map((left) => ({ ...left, ph, keepsDays: 4 }));
      return { ...make, network: { ...make.network, leaves } };
    });
  const wheyTo = (makes: ReturnType<typeof planned>) =>
    neededBy(makes, lotsLeft(makes)).find((n) => n.make.orderId === 'C' && /whey/i.test(english(n.what)))!;

  it('of a strained yogurt is acid whey, named after it, and there once it is done', () => {
    const makes = planned(strained);
    const [whey] = lotsLeft(makes);
    expect(whey!.leftG).toBeGreaterThan(2500);
    expect(english(whey!.name)).toBe('acid whey of S');
    expect(whey!.fromMin).toBe(makes[0]!.mode.readyMin);
    expect(english(whey!.sort!)).toMatch(/^Acid whey/);
  });

  it('feeds a later make that asks for it, not one that begins before it is there, and only by its sort', () => {
    const later = planned(strained, curd(6 * DAY));
    const sweet = wheyTo(leaving(later, 6.4));
    expect(sweet.from.map((f) => f.lotId)).toEqual(['left of S 1 whey']);
    expect(sweet.from[0]!.massG + sweet.shortG).toBeCloseTo(sweet.massG, 6);
    expect(wheyTo(leaving(later, 4.4)).from).toEqual([]);
    expect(wheyTo(leaving(planned(strained, curd(2 * DAY)), 6.4)).from).toEqual([]);
    const sour = leaving(later, 4.4);
    expect(toBuy(neededBy(sour, lotsLeft(sour))).map((b) => english(b.what))).toContain('Sweet whey, of rennet cheese');
  });
});
