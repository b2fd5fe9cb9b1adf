import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import { seededRandom } from '../random/random.js';
import { someModes } from '../testing/instances.js';
import { emptyProfile } from './resource-profile.js';
import { lowerBound } from './bound.js';
import { bestPicks } from './exact.js';
import { packed } from './packed-instance.js';
import { costOfChoice, mergedUses, UNMET, type Picks, type Instance, type Use } from './instance.js';
import { search, searchFor, type Searched } from './search.js';

/** The cheapest of all choices, by trying each. */
function byTryingAll(instance: Instance): number {
  const profile = emptyProfile(instance);
  const from = (j: number, spent: number): number => {
    const job = instance.jobs[j];
    if (!job) return spent;
    const without = from(j + 1, spent + job.unmetCost);
    return job.modes.reduce((best, mode) => {
      if (!profile.fits(mode)) return best;
      profile.put(mode);
      const cost = from(j + 1, spent + mode.cost);
      profile.take(mode);
      return Math.min(best, cost);
    }, without);
  };
  return from(0, 0);
}

/** How much of a resource some picks take in a slot. */
const takenIn = ({ jobs }: Instance, picks: Picks, resource: number, slot: number): number =>
  picks.reduce((sum, pick, j) => {
    const uses = pick === UNMET ? [] : jobs[j]!.modes[pick]!.uses;
    return (
      sum + uses.reduce((own, u) => (u.resource === resource && u.from <= slot && u.to > slot ? own + u.units : own), 0)
    );
  }, 0);

/** The first rounds of a search. */
function* someRounds(rounds: Generator<Searched, void, void>, most: number): Generator<Searched, void, void> {
  for (const round of rounds) {
    yield round;
    if (round.round >= most) return;
  }
}

const made = fc.record({
  seed: fc.integer({ min: 0, max: 1e6 }),
  jobs: fc.integer({ min: 1, max: 4 }),
  settings: fc.integer({ min: 0, max: 2 }),
});
const instanceOf = ({ seed, jobs, settings }: { seed: number; jobs: number; settings: number }) =>
  someModes({ jobs, modesEach: 6, slots: 24, resources: 2, settings }, seededRandom(seed));

describe('placing jobs on scarce resources', () => {
  it('finds what trying everything finds, and never overdraws a resource', () => {
    fc.assert(
      fc.property(made, (like) => {
        const instance = instanceOf(like);
        const found = searchFor(instance, seededRandom(1), 300);
        expect(found.cost).toBeCloseTo(byTryingAll(instance), 6);
        expect(costOfChoice(instance, found.picks)).toBeCloseTo(found.cost, 6);
        instance.resources.forEach(({ capacity }, r) => {
          for (let t = 0; t < instance.slots; t++)
            expect(takenIn(instance, found.picks, r, t)).toBeLessThanOrEqual(Math.max(0, capacity[t]!));
        });
      }),
      { numRuns: runs(150) },
    );
  });

  it('is bounded from below by the prices of its resources, and by no way left out for being too dear', () => {
    fc.assert(
      fc.property(made, (like) => {
        const instance = instanceOf(like);
        const best = byTryingAll(instance);
        const { cost, rises } = lowerBound(instance, best, 60);
        expect(cost).toBeLessThanOrEqual(best + 1e-6);
        const exact = bestPicks(packed(instance), Infinity, 1e6);
        exact.picks!.forEach((pick, j) => {
          if (pick !== UNMET) expect(cost + rises[j]![pick]!).toBeLessThanOrEqual(best + 1e-6);
        });
      }),
      { numRuns: runs(100) },
    );
  });

  it('gets no worse from round to round, nor its bound lower, and is the same for the same seed', () => {
    fc.assert(
      fc.property(made, (like) => {
        const instance = someModes({ jobs: 8, modesEach: 10, slots: 30, resources: 2 }, seededRandom(like.seed));
        const rounds = [...someRounds(search(instance, seededRandom(7)), 40)];
        rounds.forEach(({ cost, bound }, i) => {
          expect(bound).toBeLessThanOrEqual(cost + 1e-6);
          if (i === 0) return;
          expect(cost).toBeLessThanOrEqual(rounds[i - 1]!.cost + 1e-5);
          expect(bound).toBeGreaterThanOrEqual(rounds[i - 1]!.bound - 1e-5);
        });
        const again = [...someRounds(search(instance, seededRandom(7)), 40)];
        expect(again.map((r) => r.picks)).toEqual(rounds.map((r) => r.picks));
      }),
      { numRuns: runs(40) },
    );
  });

  it('takes jobs that are alike as one as good as another, and loses nothing by it', () => {
    fc.assert(
      fc.property(made, (like) => {
        const { jobs, ...rest } = instanceOf({ ...like, jobs: 2 });
        const twins: Instance = { ...rest, jobs: [jobs[0]!, jobs[0]!, jobs[1]!, jobs[1]!] };
        const apart = { ...twins, jobs: twins.jobs.map((job, j) => ({ ...job, alike: j })) };
        const best = byTryingAll(twins);
        for (const instance of [twins, apart]) {
          const exact = bestPicks(packed(instance), Infinity, 1e6);
          expect(exact.proven).toBeTrue();
          expect(exact.cost).toBeCloseTo(best, 6);
        }
      }),
      { numRuns: runs(60) },
    );
  });

  it('keeps two settings out of one warm box, and lets equal ones share it', () => {
    const use = (setting: number): Use => ({ resource: 0, from: 2, to: 5, units: 3, setting });
    const profile = emptyProfile({ resources: [{ id: 'box', capacity: new Int32Array(8).fill(6) }], slots: 8 });
    profile.put({ cost: 0, uses: [use(43)] });
    expect(profile.fits({ cost: 0, uses: [use(43)] })).toBeTrue();
    expect(profile.clash({ cost: 0, uses: [use(45)] })!.slot).toBe(2);
    profile.take({ cost: 0, uses: [use(43)] });
    expect(profile.fits({ cost: 0, uses: [use(45)] })).toBeTrue();
  });

  it('puts uses that overlap together, so that their units add up', () => {
    const use = (from: number, to: number, units: number): Use => ({ resource: 0, from, to, units, setting: 0 });
    expect(mergedUses([use(0, 4, 1), use(2, 6, 2), use(9, 9, 5)])).toEqual([use(0, 2, 1), use(2, 4, 3), use(4, 6, 2)]);
  });
});
