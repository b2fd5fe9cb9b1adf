import { UNMET } from './instance.js';
import { packedProfile, type PackedInstance, type PackedJob } from './packed-instance.js';

/** What a search through every mode found. */
export interface Exact {
  /** Better than what was known: a mode for each job; null where nothing better was found. */
  readonly picks: readonly number[] | null;
  readonly cost: number;
  /** True where every mode was looked at, or shown to be no better. */
  readonly proven: boolean;
  /** How often it was looked whether a mode fits. */
  readonly looks: number;
}

const isAlike = (a: PackedJob, b: PackedJob) => a.alike !== undefined && a.alike === b.alike;

/** Costs closer than this are the same. */
export const SAME = 1e-6;

/**
 * Depth-first branch and bound over the modes of all jobs: at each node every job that is still open costs at least the cheapest
 * of its modes that still fits (Land & Doig 1960). The job that lost most by what was placed is placed next.
 *
 * @param below only what costs less than this is looked for
 * @param mostLooks where it gives up, to be told by `proven`
 */
export function bestPicks(instance: PackedInstance, below: number, mostLooks: number): Exact {
  const { jobs } = instance;
  const profile = packedProfile(instance);
  let looks = 0;
  let best = below;
  let found: number[] | null = null;
  const picks = jobs.map(() => UNMET);
  const least = jobs.map(({ costs, unmetCost }) => Math.min(costs[0] ?? Infinity, unmetCost));

  /** The first mode from a place on that fits; the number of modes where none is cheaper than to leave the job. */
  const firstFit = (job: PackedJob, from: number): number => {
    const { costs, unmetCost } = job;
    for (let mode = from; mode < costs.length && costs[mode]! < unmetCost; mode++) {
      looks++;
      if (profile.fits(job, mode)) return mode;
    }
    return costs.length;
  };
  const costAt = ({ costs, unmetCost }: PackedJob, mode: number) => costs[mode] ?? unmetCost;

  const descend = (open: readonly number[], froms: readonly number[], spent: number): void => {
    if (looks > mostLooks) return;
    const firsts = open.map((j, i) => firstFit(jobs[j]!, froms[i]!));
    const costs = open.map((j, i) => costAt(jobs[j]!, firsts[i]!));
    const rest = costs.reduce((a, b) => a + b, 0);
    if (spent + rest >= best - SAME) return;
    if (open.length === 0) {
      best = spent;
      found = [...picks];
      return;
    }
    let at = 0;
    for (let i = 1; i < open.length; i++) {
      if (costs[i]! - least[open[i]!]! > costs[at]! - least[open[at]!]! + SAME) at = i;
    }
    const j = open[at]!;
    const job = jobs[j]!;
    const others = open.filter((_, i) => i !== at);
    const otherFirsts = firsts.filter((_, i) => i !== at);
    // Of jobs that are alike the first that is placed has the earliest mode: the others look on from there.
    const lookFrom = (o: number) => otherFirsts.map((f, i) => (isAlike(jobs[others[i]!]!, job) ? Math.max(f, o) : f));
    const beside = rest - costs[at]!;
    for (let o = firsts[at]!; o < job.costs.length; o++) {
      const cost = job.costs[o]!;
      if (cost >= job.unmetCost || spent + beside + cost >= best - SAME || looks > mostLooks) break;
      looks++;
      if (!profile.fits(job, o)) continue;
      profile.put(job, o);
      picks[j] = o;
      descend(others, lookFrom(o), spent + cost);
      profile.take(job, o);
    }
    picks[j] = UNMET;
    if (spent + beside + job.unmetCost < best - SAME)
      descend(others, lookFrom(job.costs.length), spent + job.unmetCost);
  };

  descend(
    jobs.map((_, j) => j),
    jobs.map(() => 0),
    0,
  );
  return { picks: found, cost: best, proven: looks <= mostLooks, looks };
}
