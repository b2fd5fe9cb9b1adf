import {
  costOfChoice,
  emptyProfile,
  layOut,
  searchFor,
  seededRandom,
  UNMET,
  type Instance,
  type Picks,
} from '@oat-crock/core';
import { BEST_KNOWN, someModes, someWeeks, tightWeeks } from '@oat-crock/core/testing';
import { solveMilp, thinned } from './milp.js';

/** Puts every pick on an empty profile; throws where one finds no room. */
function lay({ jobs, ...rest }: Instance, picks: Picks): void {
  const profile = emptyProfile(rest);
  picks.forEach((pick, j) => {
    if (pick === UNMET) return;
    expect(profile.fits(jobs[j]!.modes[pick]!)).toBeTrue();
    profile.put(jobs[j]!.modes[pick]!);
  });
}

describe('placing, against a mixed-integer programme', () => {
  it('finds the same best cost for small made-up cases, shared gear and settings among them', async () => {
    for (let seed = 1; seed <= 60; seed++) {
      const like = { jobs: 2 + (seed % 5), modesEach: 12, slots: 40, resources: 1 + (seed % 3), settings: seed % 4 };
      const instance = someModes(like, seededRandom(seed));
      const found = searchFor(instance, seededRandom(1), 400);
      lay(instance, found.picks);
      expect(costOfChoice(instance, found.picks)).toBeCloseTo(found.cost, 6);
      const milp = await solveMilp(instance);
      expect(milp.optimal).toBeTrue();
      expect(found.cost).withContext(`seed ${seed}`).toBeCloseTo(milp.cost, 4);
      expect(found.bound).toBeLessThanOrEqual(milp.cost + 1e-6);
    }
  }, 120_000);

  it('finds the same for weeks of real makes', async () => {
    for (const [orders, days, seed, modes] of [
      [5, 7, 1, 40],
      [6, 7, 2, 40],
    ] as const) {
      const instance = thinned(layOut(someWeeks(orders, days, seed)).instance, modes);
      const found = searchFor(instance, seededRandom(1), 120);
      lay(instance, found.picks);
      const milp = await solveMilp(instance, 60);
      expect(milp.optimal).toBeTrue();
      expect(found.cost).withContext(`${orders} orders`).toBeCloseTo(milp.cost, 3);
      expect(found.bound).toBeLessThanOrEqual(milp.cost + 1e-4);
    }
  }, 120_000);

  it('leaves nothing out of tight weeks that may be met, and comes within three in a hundred of the best of all ways', () => {
    for (const name of ['11 orders, tight, 6', '11 orders, veryTight, 6', '16 orders, tight, 10']) {
      const { asked } = tightWeeks().find((week) => week.name === name)!;
      const { instance } = layOut(asked);
      const best = BEST_KNOWN[name]!;
      const { picks, cost, bound } = searchFor(instance, seededRandom(1), 50);
      lay(instance, picks);
      expect(best.proven).toBeTrue();
      expect(picks.filter((pick) => pick === UNMET).length)
        .withContext(name)
        .toBe(best.unmet);
      expect(cost).toBeGreaterThanOrEqual(best.cost - 1e-3);
      expect(cost)
        .withContext(name)
        .toBeLessThanOrEqual(1.03 * best.cost);
      expect(bound)
        .withContext(name)
        .toBeGreaterThanOrEqual(0.95 * best.cost);
    }
  }, 120_000);
});
