import fc from 'fast-check';
import { seededRandom } from '../random/random.js';
import { someModes } from '../testing/instances.js';
import { runs } from '../testing/runs.js';
import { bounding } from './bound.js';
import { costOfChoice, UNMET, type Instance } from './instance.js';
import { packed, packedProfile, withModes } from './packed-instance.js';
import { emptyProfile } from './resource-profile.js';
import { ruinAndRecreate } from './ruin-recreate.js';

const made = fc.record({ seed: fc.integer({ min: 0, max: 1e6 }), settings: fc.integer({ min: 0, max: 3 }) });
const instanceOf = ({ seed, settings }: { seed: number; settings: number }): Instance =>
  someModes({ jobs: 5, modesEach: 14, slots: 61, resources: 3, settings }, seededRandom(seed));

describe('an instance laid out flat', () => {
  it('says of every mode whether it fits as slot by slot it does, whatever is put and taken', () => {
    fc.assert(
      fc.property(made, (like) => {
        const instance = instanceOf(like);
        const random = seededRandom(like.seed + 1);
        const flat = packed(instance);
        const [plain, quick] = [emptyProfile(instance), packedProfile(flat)];
        const on: [number, number][] = [];
        for (let i = 0; i < 120; i++) {
          const j = Math.floor(random() * instance.jobs.length);
          const { modes } = instance.jobs[j]!;
          const m = Math.floor(random() * modes.length);
          const fits = plain.fits(modes[m]!);
          expect(quick.fits(flat.jobs[j]!, m)).toBe(fits);
          if (fits && random() < 0.7) {
            plain.put(modes[m]!);
            quick.put(flat.jobs[j]!, m);
            on.push([j, m]);
          } else if (on.length > 0) {
            const [k, mode] = on.splice(Math.floor(random() * on.length), 1)[0]!;
            plain.take(instance.jobs[k]!.modes[mode]!);
            quick.take(flat.jobs[k]!, mode);
          }
        }
      }),
      { numRuns: runs(80) },
    );
  });

  it('with some of its modes is what those alone would have been', () => {
    const instance = instanceOf({ seed: 5, settings: 2 });
    const kept = instance.jobs.map(({ modes }) => Int32Array.from(modes.keys()).filter((m) => m % 3 !== 1));
    const jobs = instance.jobs.map((job, j) => ({ ...job, modes: [...kept[j]!].map((m) => job.modes[m]!) }));
    expect(withModes(packed(instance), kept)).toEqual(packed({ ...instance, jobs }));
  });
});

describe('ruin and recreate', () => {
  const from = (instance: Instance) => new Int32Array(instance.jobs.length).fill(UNMET);

  it('never overdraws a resource nor mixes settings, and its cost is what its picks cost', () => {
    fc.assert(
      fc.property(made, (like) => {
        const instance = instanceOf(like);
        const search = ruinAndRecreate(packed(instance), seededRandom(like.seed), from(instance));
        let last = Infinity;
        for (let i = 0; i < 6; i++) {
          search.step(40);
          const { picks, cost } = search.best();
          expect(cost).toBeLessThanOrEqual(last);
          expect(cost).toBeCloseTo(costOfChoice(instance, [...picks]), 6);
          const profile = emptyProfile(instance);
          picks.forEach((pick, j) => {
            if (pick === UNMET) return;
            expect(profile.fits(instance.jobs[j]!.modes[pick]!)).toBeTrue();
            profile.put(instance.jobs[j]!.modes[pick]!);
          });
          last = cost;
        }
      }),
      { numRuns: runs(60) },
    );
  });

  it('is the same for the same seed, and does nothing where there is nothing', () => {
    const instance = instanceOf({ seed: 11, settings: 2 });
    const run = (seed: number) => {
      const search = ruinAndRecreate(packed(instance), seededRandom(seed), from(instance));
      search.step(300);
      return [...search.best().picks];
    };
    expect(run(3)).toEqual(run(3));
    const none = ruinAndRecreate(packed({ ...instance, jobs: [] }), seededRandom(1), new Int32Array(0));
    none.step(10);
    expect(none.best().cost).toBe(0);
  });

  it('finds room for a job that only another’s dear second choice makes, which cheapest first never does', () => {
    const use = (from: number, to: number) => [{ resource: 0, from, to, units: 1, setting: 0 }];
    const mode = (cost: number, first: number, last: number) => ({ cost, uses: use(first, last) });
    // The first blocks the middle that the second must have, unless it takes the end at fifty times the price.
    const instance: Instance = {
      slots: 16,
      resources: [{ id: 'pot', capacity: new Int32Array(16).fill(1) }],
      jobs: [
        { unmetCost: 1e5, modes: [mode(1, 4, 8), mode(50, 12, 16)] },
        { unmetCost: 1e5, modes: [mode(2, 3, 7), mode(3, 4, 9), mode(4, 6, 10)] },
      ],
    };
    const search = ruinAndRecreate(packed(instance), seededRandom(2), Int32Array.from([0, UNMET]));
    search.step(2000);
    expect(search.best().cost).toBe(52);
  });
});

describe('the bound, sought further', () => {
  it('only rises, stays below what is known, and stops where it has come to it', () => {
    fc.assert(
      fc.property(made, (like) => {
        const instance = instanceOf(like);
        const search = ruinAndRecreate(packed(instance), seededRandom(1), new Int32Array(5).fill(UNMET));
        search.step(400);
        const known = search.best().cost;
        const bound = bounding(packed(instance));
        let last = -Infinity;
        for (let i = 0; i < 5; i++) {
          const { cost } = bound.advance(30, known);
          expect(cost).toBeGreaterThanOrEqual(last);
          expect(cost).toBeLessThanOrEqual(known + 1e-6);
          last = cost;
        }
        if (known - last < 1e-7) expect(bound.isOver()).toBeTrue();
      }),
      { numRuns: runs(40) },
    );
  });
});
