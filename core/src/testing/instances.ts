import type { Random } from '../random/random.js';
import { mergedUses, type Job, type Instance, type Mode } from '../schedule/instance.js';

/** What a made-up instance is like. */
export interface InstanceLike {
  readonly jobs: number;
  readonly modesEach: number;
  readonly slots: number;
  readonly resources: number;
  /** Of resources that are shared, so many settings. */
  readonly settings?: number;
}

/** So many jobs, of which some are the same as the one before. */
function withTwins(jobs: number, random: Random, make: (j: number) => Job): readonly Job[] {
  const made: Job[] = [];
  for (let j = 0; j < jobs; j++) made.push(j > 0 && random() < 0.3 ? made[j - 1]! : make(j));
  return made;
}

/** A made-up instance: jobs that each may stand at several times, on hands that are scarce and on gear that holds one or several. */
export function someModes({ jobs, modesEach, slots, resources, settings = 0 }: InstanceLike, random: Random): Instance {
  const whole = (n: number) => Math.floor(random() * n);
  const capacities = Array.from({ length: resources }, () => 1 + whole(3));
  return {
    slots,
    resources: capacities.map((most, r) => ({
      id: `r${r}`,
      capacity: Int32Array.from({ length: slots }, () => (random() < 0.9 ? most : 0)),
    })),
    jobs: withTwins(jobs, random, (j) => {
      const setting = settings > 0 ? 1 + whole(settings) : 0;
      const parts = Array.from({ length: 1 + whole(3) }, () => ({
        resource: whole(resources),
        after: whole(4),
        lasts: 1 + whole(6),
        units: 1 + whole(2),
      }));
      const modes = Array.from({ length: 1 + whole(modesEach) }, (): Mode => {
        const start = whole(Math.max(1, slots - 10));
        const uses = mergedUses(
          parts.map(({ resource, after, lasts, units }) => ({
            resource,
            from: start + after,
            to: Math.min(slots, start + after + lasts),
            units,
            setting: resource === 0 ? setting : 0,
          })),
        );
        return { cost: Math.round(1000 * random()) / 10, uses };
      });
      return { modes: modes.sort((a, b) => a.cost - b.cost), unmetCost: 150 + whole(200), alike: j };
    }),
  };
}
