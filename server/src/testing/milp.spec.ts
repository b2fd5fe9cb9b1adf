import {
  costOfChoice,
  emptyBoard,
  layOut,
  searchFor,
  seededRandom,
  UNMET,
  type Puzzle,
  type Picks,
} from '@oat-crock/core';
import { someWays, someWeeks } from '@oat-crock/core/testing';
import { solveMilp, thinned } from './milp.js';

/** Puts every pick on an empty board; throws where one finds no room. */
function lay({ jobs, ...rest }: Puzzle, picks: Picks): void {
  const board = emptyBoard(rest);
  picks.forEach((pick, j) => {
    if (pick === UNMET) return;
    expect(board.fits(jobs[j]!.ways[pick]!)).toBeTrue();
    board.put(jobs[j]!.ways[pick]!);
  });
}

describe('placing, against a mixed-integer programme', () => {
  it('finds the same best cost for small made-up cases, shared gear and settings among them', async () => {
    for (let seed = 1; seed <= 60; seed++) {
      const like = { jobs: 2 + (seed % 5), waysEach: 12, slots: 40, resources: 1 + (seed % 3), settings: seed % 4 };
      const puzzle = someWays(like, seededRandom(seed));
      const found = searchFor(puzzle, seededRandom(1), 400);
      lay(puzzle, found.picks);
      expect(costOfChoice(puzzle, found.picks)).toBeCloseTo(found.cost, 6);
      const milp = await solveMilp(puzzle);
      expect(milp.optimal).toBeTrue();
      expect(found.cost).withContext(`seed ${seed}`).toBeCloseTo(milp.cost, 4);
      expect(found.bound).toBeLessThanOrEqual(milp.cost + 1e-6);
    }
  }, 120_000);

  it('finds the same for weeks of real makes, and comes within three in a hundred for a fortnight of twenty', async () => {
    for (const [orders, days, seed, ways, within] of [
      [5, 7, 1, 40, 0],
      [6, 7, 2, 40, 0],
      [20, 14, 3, 40, 0.03],
    ] as const) {
      const puzzle = thinned(layOut(someWeeks(orders, days, seed)).puzzle, ways);
      const found = searchFor(puzzle, seededRandom(1), 120);
      lay(puzzle, found.picks);
      const milp = await solveMilp(puzzle, 60);
      expect(milp.optimal).toBeTrue();
      expect(found.cost).toBeGreaterThanOrEqual(milp.cost - 1e-4);
      expect(found.cost)
        .withContext(`${orders} orders`)
        .toBeLessThanOrEqual(milp.cost * (1 + within) + 1e-4);
      expect(found.bound).toBeLessThanOrEqual(milp.cost + 1e-4);
    }
  }, 240_000);
});
