import type { Board } from './board.js';
import { UNMET, type Job, type Way } from './puzzle.js';

/** What a search through every way found. */
export interface Exact {
  /** Better than what was known: a way for each job; null where nothing better was found. */
  readonly picks: readonly number[] | null;
  readonly cost: number;
  /** True where every way was looked at, or shown to be no better. */
  readonly proven: boolean;
  /** How often it was looked whether a way fits. */
  readonly looks: number;
}

const isAlike = (a: Job, b: Job) => a.alike !== undefined && a.alike === b.alike;

/** Costs closer than this are the same. */
export const SAME = 1e-6;

/**
 * Depth-first branch and bound over the ways of some jobs beside what stands on a board already: at each node every job
 * that is still open costs at least the cheapest of its ways that still fits (Land & Doig 1960). The job that lost most
 * by what was placed is placed next.
 *
 * @param below only what costs less than this is looked for
 * @param mostLooks where it gives up, to be told by `proven`
 */
export function bestPicks(jobs: readonly Job[], board: Board, below: number, mostLooks: number): Exact {
  let looks = 0;
  const fits = (way: Way) => ++looks > 0 && board.fits(way);
  let best = below;
  let found: number[] | null = null;
  const picks = jobs.map(() => UNMET);
  const least = jobs.map(({ ways, unmetCost }) => Math.min(ways[0]?.cost ?? Infinity, unmetCost));

  /** The first way from a place on that fits; the number of ways where none is cheaper than to leave the job. */
  const firstFit = ({ ways, unmetCost }: Job, from: number): number => {
    let o = from;
    while (o < ways.length && ways[o]!.cost < unmetCost && !fits(ways[o]!)) o++;
    return o < ways.length && ways[o]!.cost < unmetCost ? o : ways.length;
  };
  const costAt = (job: Job, o: number) => (o < job.ways.length ? job.ways[o]!.cost : job.unmetCost);

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
    // Of jobs that are alike the first that is placed has the earliest way: the others look on from there.
    const lookFrom = (o: number) => otherFirsts.map((f, i) => (isAlike(jobs[others[i]!]!, job) ? Math.max(f, o) : f));
    const beside = rest - costs[at]!;
    for (let o = firsts[at]!; o < job.ways.length; o++) {
      const way = job.ways[o]!;
      if (way.cost >= job.unmetCost || spent + beside + way.cost >= best - SAME || looks > mostLooks) break;
      if (!fits(way)) continue;
      board.put(way);
      picks[j] = o;
      descend(others, lookFrom(o), spent + way.cost);
      board.take(way);
    }
    picks[j] = UNMET;
    if (spent + beside + job.unmetCost < best - SAME) descend(others, lookFrom(job.ways.length), spent + job.unmetCost);
  };

  descend(
    jobs.map((_, j) => j),
    jobs.map(() => 0),
    0,
  );
  return { picks: found, cost: best, proven: looks <= mostLooks, looks };
}
