import type { ResourceProfile } from './resource-profile.js';
import { UNMET, type Job, type Mode } from './instance.js';

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

const isAlike = (a: Job, b: Job) => a.alike !== undefined && a.alike === b.alike;

/** Costs closer than this are the same. */
export const SAME = 1e-6;

/**
 * Depth-first branch and bound over the modes of some jobs beside what stands on a resource profile already: at each node every job
 * that is still open costs at least the cheapest of its modes that still fits (Land & Doig 1960). The job that lost most
 * by what was placed is placed next.
 *
 * @param below only what costs less than this is looked for
 * @param mostLooks where it gives up, to be told by `proven`
 */
export function bestPicks(jobs: readonly Job[], profile: ResourceProfile, below: number, mostLooks: number): Exact {
  let looks = 0;
  const fits = (mode: Mode) => ++looks > 0 && profile.fits(mode);
  let best = below;
  let found: number[] | null = null;
  const picks = jobs.map(() => UNMET);
  const least = jobs.map(({ modes, unmetCost }) => Math.min(modes[0]?.cost ?? Infinity, unmetCost));

  /** The first mode from a place on that fits; the number of modes where none is cheaper than to leave the job. */
  const firstFit = ({ modes, unmetCost }: Job, from: number): number => {
    let o = from;
    while (o < modes.length && modes[o]!.cost < unmetCost && !fits(modes[o]!)) o++;
    return o < modes.length && modes[o]!.cost < unmetCost ? o : modes.length;
  };
  const costAt = (job: Job, o: number) => (o < job.modes.length ? job.modes[o]!.cost : job.unmetCost);

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
    for (let o = firsts[at]!; o < job.modes.length; o++) {
      const mode = job.modes[o]!;
      if (mode.cost >= job.unmetCost || spent + beside + mode.cost >= best - SAME || looks > mostLooks) break;
      if (!fits(mode)) continue;
      profile.put(mode);
      picks[j] = o;
      descend(others, lookFrom(o), spent + mode.cost);
      profile.take(mode);
    }
    picks[j] = UNMET;
    if (spent + beside + job.unmetCost < best - SAME)
      descend(others, lookFrom(job.modes.length), spent + job.unmetCost);
  };

  descend(
    jobs.map((_, j) => j),
    jobs.map(() => 0),
    0,
  );
  return { picks: found, cost: best, proven: looks <= mostLooks, looks };
}
