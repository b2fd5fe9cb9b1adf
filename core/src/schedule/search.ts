import type { Random } from '../random/random.js';
import { bounding, type Bound } from './bound.js';
import { bestPicks, SAME } from './exact.js';
import { UNMET, type Instance, type Picks } from './instance.js';
import { packed, packedProfile, withModes, type PackedInstance } from './packed-instance.js';
import { ruinAndRecreate, type Improving } from './ruin-recreate.js';

/** How far a search has come. */
export interface Searched {
  readonly picks: Picks;
  readonly cost: number;
  /** No choice costs less than this. */
  readonly bound: number;
  /** True where the choice is shown to be the best there is. */
  readonly proven: boolean;
  readonly round: number;
}

/** Steps of ruin and recreate in a round, and rounds of the bound at a time. */
const STEPS = 100;
const BOUND_ROUNDS = 100;
/** Looks at the whole: at once, and within a better bound. */
const QUICK_LOOKS = 20_000;
const WHOLE_LOOKS = 120_000;
/** The bound is sought a little further, and the whole tried within it, first in this round and then each time after twice as many. */
const FIRST_BOUND = 6;
const BOUND_LATER = 2;
/** With so few of its modes left it is worth beginning anew among them. */
const MUCH_LESS = 0.8;

/** What is searched in, the best that is known, and what none is below. */
interface Standing {
  /** Modes that may still be part of a better choice, by their places among all of them. */
  readonly kept: readonly Int32Array[];
  /** The mode of each job by its place among all of them, or none. */
  readonly picks: Int32Array;
  readonly cost: number;
  readonly bound: number;
}

/**
 * Looks for the best choice, and gives what it has after every round: greedily first, then whole where that can be proven at once,
 * else by ruin and recreate, among fewer and fewer modes as the bound rules them out. May be stopped after any round.
 */
export function* search(instance: Instance, random: Random): Generator<Searched, void, void> {
  const all = packed(instance);
  let standing = begun(all);
  const told = (round: number): Searched => {
    const { picks, cost, bound } = standing;
    return { picks: [...picks], cost, bound: Math.min(bound, cost), proven: cost <= bound + SAME, round };
  };
  const over = () => standing.cost <= standing.bound + SAME;
  yield told(0);
  if (over()) return;
  standing = whole(standing, all, QUICK_LOOKS);
  yield told(1);

  const fitting = standing.kept;
  const prices = bounding(withModes(all, fitting));
  let among = standing.kept;
  let improving = improvingFrom(standing, all, random);
  let nextBound: number = FIRST_BOUND;
  for (let round = 2; !over(); round++) {
    improving.step(STEPS);
    standing = withBest(standing, among, improving);
    if (round === nextBound) {
      nextBound *= BOUND_LATER;
      const { cost } = standing;
      standing = whole(ruledOut(standing, all, fitting, prices.advance(BOUND_ROUNDS, cost)), all, WHOLE_LOOKS);
      if (standing.cost < cost - SAME || modesIn(standing.kept) < MUCH_LESS * modesIn(among)) {
        among = standing.kept;
        improving = improvingFrom(standing, all, random);
      }
    }
    yield told(round);
  }
}

/** Searches for so many rounds at most. */
export function searchFor(instance: Instance, random: Random, rounds: number): Searched {
  let last: Searched | null = null;
  for (const found of search(instance, random)) {
    last = found;
    if (found.round >= rounds) break;
  }
  return last!;
}

/** Modes that fit nowhere left out; one job after the other placed, that with the fewest modes first, each as cheaply as it can. */
function begun(all: PackedInstance): Standing {
  const { jobs } = all;
  const profile = packedProfile(all);
  const kept = jobs.map((job) =>
    Int32Array.from(job.costs.keys()).filter((m) => job.costs[m]! < job.unmetCost && profile.fits(job, m)),
  );
  const picks = new Int32Array(jobs.length).fill(UNMET);
  const order = jobs.map((_, j) => j).sort((a, b) => kept[a]!.length - kept[b]!.length || a - b);
  for (const j of order) {
    const mode = kept[j]!.find((m) => profile.fits(jobs[j]!, m));
    if (mode === undefined) continue;
    picks[j] = mode;
    profile.put(jobs[j]!, mode);
  }
  const cheapest = kept.map((modes, j) => (modes.length > 0 ? jobs[j]!.costs[modes[0]!]! : Infinity));
  const bound = jobs.reduce((sum, { unmetCost }, j) => sum + Math.min(unmetCost, cheapest[j]!), 0);
  const cost = jobs.reduce((sum, { costs, unmetCost }, j) => sum + (costs[picks[j]!] ?? unmetCost), 0);
  return { kept, picks, cost, bound };
}

/** Picks among some modes, as picks among all of them. */
const amongAll = (picks: ArrayLike<number>, kept: readonly Int32Array[]) =>
  Int32Array.from(kept, (modes, j) => (picks[j] === UNMET ? UNMET : modes[picks[j]!]!));

/** All jobs at once, with so many looks; where that ends, what was found is the best there is. */
function whole(standing: Standing, all: PackedInstance, looks: number): Standing {
  const { kept, cost, picks } = standing;
  const exact = bestPicks(withModes(all, kept), cost, looks);
  const best = exact.picks ? exact.cost : cost;
  return {
    kept,
    picks: exact.picks ? amongAll(exact.picks, kept) : picks,
    cost: best,
    bound: exact.proven ? best : standing.bound,
  };
}

/** Without the modes that the bound shows to be too dear for anything better (fixing by reduced cost). */
function ruledOut(
  { picks, cost, bound }: Standing,
  { jobs }: PackedInstance,
  fitting: readonly Int32Array[],
  better: Bound,
): Standing {
  // What is chosen stays, also for jobs that are alike: they go on having the same modes.
  const isTaken = (j: number, mode: number) =>
    picks.some((pick, k) => pick === mode && (k === j || (jobs[k]!.alike ?? NaN) === jobs[j]!.alike));
  const kept = fitting.map((modes, j) =>
    modes.filter((mode, m) => better.cost + better.rises[j]![m]! < cost - SAME || isTaken(j, mode)),
  );
  return { kept, picks, cost, bound: Math.max(bound, better.cost) };
}

const modesIn = (kept: readonly Int32Array[]) => kept.reduce((sum, modes) => sum + modes.length, 0);

/** Goes on from what stands, among its modes. */
const improvingFrom = ({ kept, picks }: Standing, all: PackedInstance, random: Random): Improving =>
  ruinAndRecreate(
    withModes(all, kept),
    random,
    Int32Array.from(picks, (pick, j) => kept[j]!.indexOf(pick)),
  );

/** With the best that was found, where that is better. */
function withBest(standing: Standing, among: readonly Int32Array[], improving: Improving): Standing {
  const { picks, cost } = improving.best();
  return cost >= standing.cost - SAME ? standing : { ...standing, cost, picks: amongAll(picks, among) };
}
