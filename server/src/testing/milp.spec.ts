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
import { someModes, someWeeks } from '@oat-crock/core/testing';
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

  it('finds the same for weeks of real makes, and comes within three in a hundred for a fortnight of twenty', async () => {
    for (const [orders, days, seed, modes, within] of [
      [5, 7, 1, 40, 0],
      [6, 7, 2, 40, 0],
      [20, 14, 3, 40, 0.03],
    ] as const) {
      const instance = thinned(layOut(someWeeks(orders, days, seed)).instance, modes);
      const found = searchFor(instance, seededRandom(1), 120);
      lay(instance, found.picks);
      const milp = await solveMilp(instance, 60);
      expect(milp.optimal).toBeTrue();
      expect(found.cost).toBeGreaterThanOrEqual(milp.cost - 1e-4);
      expect(found.cost)
        .withContext(`${orders} orders`)
        .toBeLessThanOrEqual(milp.cost * (1 + within) + 1e-4);
      expect(found.bound).toBeLessThanOrEqual(milp.cost + 1e-4);
    }
  }, 240_000);
});
