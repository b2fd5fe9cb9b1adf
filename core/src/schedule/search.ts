import type { Random } from '../random/random.js';
import { emptyProfile, type ResourceProfile } from './resource-profile.js';
import { lowerBound } from './bound.js';
import { bestPicks, SAME } from './exact.js';
import { UNMET, type Job, type Picks, type Instance, type Mode } from './instance.js';

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

/** Rounds of the bound, looks at the whole and at a part, and how many jobs are placed anew at once. */
const BOUND_ROUNDS = 120;
const QUICK_LOOKS = 20_000;
const WHOLE_LOOKS = 120_000;
const PART_LOOKS = 8_000;
const PART = { least: 3, most: 7 } as const;
/** The bound is sought, and the whole tried within it, first after so many rounds, then each time after three times as many. */
const FIRST_WHOLE = 8;
/** With so few jobs the bound comes at once, and need not be sought for long. */
const FEW = { jobs: 6, boundRounds: 40 } as const;
const WHOLE_LATER = 3;

/** The mode each job was given, or null where it was left out. */
type Chosen = readonly (Mode | null)[];

/** What is searched in: modes that may still be part of a better choice, the best that is known, and what none is below. */
interface Standing {
  readonly jobs: readonly Job[];
  readonly chosen: Chosen;
  readonly cost: number;
  readonly bound: number;
}

/**
 * Looks for the best choice, and gives what it has after every round: greedily first, then whole where that can be
 * proven, else by taking a few jobs out of the plan and placing them anew as well as they can be (large neighbourhood search,
 * Shaw 1998), among fewer and fewer modes as the bound rules them out. May be stopped after any round.
 */
export function* search(instance: Instance, random: Random): Generator<Searched, void, void> {
  let standing = begun(instance);
  const told = (round: number): Searched => {
    const { chosen, cost, bound } = standing;
    const picks = chosen.map((mode, j) => (mode ? instance.jobs[j]!.modes.indexOf(mode) : UNMET));
    return { picks, cost, bound: Math.min(bound, cost), proven: cost <= bound + SAME, round };
  };
  const over = () => standing.cost <= standing.bound + SAME;
  yield told(0);
  if (over()) return;

  standing = whole(standing, instance, QUICK_LOOKS);
  yield told(1);
  let nextWhole: number = instance.jobs.length <= FEW.jobs ? 2 : FIRST_WHOLE;
  for (let round = 2; !over(); round++) {
    if (round === nextWhole) {
      nextWhole *= WHOLE_LATER;
      standing = whole(ruledOut(standing, instance), instance, WHOLE_LOOKS);
    } else standing = placedAnew(standing, instance, somePart(standing, instance, random));
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
function begun(instance: Instance): Standing {
  const empty = emptyProfile(instance);
  const jobs = instance.jobs.map((job) => ({
    ...job,
    modes: job.modes.filter((mode) => mode.cost < job.unmetCost && empty.fits(mode)),
  }));
  const profile = emptyProfile(instance);
  const chosen: (Mode | null)[] = jobs.map(() => null);
  const order = jobs.map((_, j) => j).sort((a, b) => jobs[a]!.modes.length - jobs[b]!.modes.length || a - b);
  for (const j of order) {
    const mode = jobs[j]!.modes.find((w) => profile.fits(w));
    if (!mode) continue;
    chosen[j] = mode;
    profile.put(mode);
  }
  const bound = jobs.reduce((sum, { modes, unmetCost }) => sum + Math.min(unmetCost, modes[0]?.cost ?? Infinity), 0);
  return { jobs, chosen, cost: costOf(jobs, chosen), bound };
}

const costOf = (jobs: readonly Job[], chosen: Chosen) =>
  chosen.reduce((sum, mode, j) => sum + (mode?.cost ?? jobs[j]!.unmetCost), 0);

function profileOf(instance: Instance, chosen: Chosen): ResourceProfile {
  const profile = emptyProfile(instance);
  for (const mode of chosen) if (mode) profile.put(mode);
  return profile;
}

/** All jobs at once, with so many looks; where that ends, what was found is the best there is. */
function whole(standing: Standing, instance: Instance, looks: number): Standing {
  const { jobs, cost } = standing;
  const exact = bestPicks(jobs, emptyProfile(instance), cost, looks);
  const chosen = exact.picks?.map((pick, j) => (pick === UNMET ? null : jobs[j]!.modes[pick]!)) ?? standing.chosen;
  const best = exact.picks ? exact.cost : cost;
  return { ...standing, chosen, cost: best, bound: exact.proven ? best : standing.bound };
}

/** A better bound, and without the modes that it shows to be too dear for anything better (fixing by reduced cost). */
function ruledOut({ jobs, chosen, cost, bound }: Standing, instance: Instance): Standing {
  const rounds = jobs.length <= FEW.jobs ? FEW.boundRounds : BOUND_ROUNDS;
  const better = lowerBound({ ...instance, jobs }, cost, rounds);
  // What is chosen stays, also for others that are alike: they go on having the same modes.
  const taken = new Set(chosen);
  const kept = jobs.map((job, j) => ({
    ...job,
    modes: job.modes.filter((mode, w) => taken.has(mode) || better.cost + better.rises[j]![w]! < cost - SAME),
  }));
  return { jobs: kept, chosen, cost, bound: Math.max(bound, better.cost) };
}

/** A few jobs to place anew: one that could cost less, and those that stand in the way of it, or any. */
function somePart({ jobs, chosen }: Standing, instance: Instance, random: Random): readonly number[] {
  const any = () => Math.floor(random() * jobs.length);
  const dear = jobs.flatMap(({ modes, unmetCost }, j) =>
    (chosen[j]?.cost ?? unmetCost) > (modes[0]?.cost ?? Infinity) + SAME ? [j] : [],
  );
  const first = dear.length > 0 ? dear[Math.floor(random() * dear.length)]! : any();
  const part = new Set([first]);
  const size = Math.min(jobs.length, PART.least + Math.floor(random() * (PART.most - PART.least + 1)));
  const { modes } = jobs[first]!;
  if (modes.length > 0 && random() < 0.75) {
    const wish = modes[Math.floor(random() ** 2 * modes.length)]!;
    const profile = emptyProfile(instance);
    profile.put(wish);
    const blocking = chosen.flatMap((mode, j) => (mode && j !== first && !profile.fits(mode) ? [j] : []));
    for (const j of shuffled(blocking, random).slice(0, size - 1)) part.add(j);
  }
  while (part.size < size) part.add(any());
  return [...part];
}

/** Some jobs taken out of the plan and placed again as well as they can be. */
function placedAnew(standing: Standing, instance: Instance, part: readonly number[]): Standing {
  const { jobs, chosen } = standing;
  const others = chosen.map((mode, j) => (part.includes(j) ? null : mode));
  const before = part.reduce((sum, j) => sum + (chosen[j]?.cost ?? jobs[j]!.unmetCost), 0);
  const open = part.map((j) => jobs[j]!);
  // A mode that costs the same is taken too: it may open another.
  const { picks } = bestPicks(open, profileOf(instance, others), before + 2 * SAME, PART_LOOKS);
  if (!picks) return standing;
  const next = chosen.map((mode, j) => {
    const i = part.indexOf(j);
    if (i < 0) return mode;
    return picks[i] === UNMET ? null : jobs[j]!.modes[picks[i]!]!;
  });
  return { ...standing, chosen: next, cost: costOf(jobs, next) };
}

function shuffled(items: readonly number[], random: Random): number[] {
  const all = [...items];
  for (let i = all.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [all[i], all[j]] = [all[j]!, all[i]!];
  }
  return all;
}
