import type { Random } from '../random/random.js';
import { emptyBoard, type Board } from './board.js';
import { lowerBound } from './bound.js';
import { bestPicks, SAME } from './exact.js';
import { UNMET, type Job, type Picks, type Puzzle, type Way } from './puzzle.js';

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

/** The way each job was given, or null where it was left out. */
type Chosen = readonly (Way | null)[];

/** What is searched in: ways that may still be part of a better choice, the best that is known, and what none is below. */
interface Standing {
  readonly jobs: readonly Job[];
  readonly chosen: Chosen;
  readonly cost: number;
  readonly bound: number;
}

/**
 * Looks for the best choice, and gives what it has after every round: greedily first, then whole where that can be
 * proven, else by taking a few jobs off the board and placing them anew as well as they can be (large neighbourhood search,
 * Shaw 1998), among fewer and fewer ways as the bound rules them out. May be stopped after any round.
 */
export function* search(puzzle: Puzzle, random: Random): Generator<Searched, void, void> {
  let standing = begun(puzzle);
  const told = (round: number): Searched => {
    const { chosen, cost, bound } = standing;
    const picks = chosen.map((way, j) => (way ? puzzle.jobs[j]!.ways.indexOf(way) : UNMET));
    return { picks, cost, bound: Math.min(bound, cost), proven: cost <= bound + SAME, round };
  };
  const over = () => standing.cost <= standing.bound + SAME;
  yield told(0);
  if (over()) return;

  standing = whole(standing, puzzle, QUICK_LOOKS);
  yield told(1);
  let nextWhole: number = puzzle.jobs.length <= FEW.jobs ? 2 : FIRST_WHOLE;
  for (let round = 2; !over(); round++) {
    if (round === nextWhole) {
      nextWhole *= WHOLE_LATER;
      standing = whole(ruledOut(standing, puzzle), puzzle, WHOLE_LOOKS);
    } else standing = placedAnew(standing, puzzle, somePart(standing, puzzle, random));
    yield told(round);
  }
}

/** Searches for so many rounds at most. */
export function searchFor(puzzle: Puzzle, random: Random, rounds: number): Searched {
  let last: Searched | null = null;
  for (const found of search(puzzle, random)) {
    last = found;
    if (found.round >= rounds) break;
  }
  return last!;
}

/** Ways that fit nowhere left out; one job after the other placed, that with the fewest ways first, each as cheaply as it can. */
function begun(puzzle: Puzzle): Standing {
  const empty = emptyBoard(puzzle);
  const jobs = puzzle.jobs.map((job) => ({
    ...job,
    ways: job.ways.filter((way) => way.cost < job.unmetCost && empty.fits(way)),
  }));
  const board = emptyBoard(puzzle);
  const chosen: (Way | null)[] = jobs.map(() => null);
  const order = jobs.map((_, j) => j).sort((a, b) => jobs[a]!.ways.length - jobs[b]!.ways.length || a - b);
  for (const j of order) {
    const way = jobs[j]!.ways.find((w) => board.fits(w));
    if (!way) continue;
    chosen[j] = way;
    board.put(way);
  }
  const bound = jobs.reduce((sum, { ways, unmetCost }) => sum + Math.min(unmetCost, ways[0]?.cost ?? Infinity), 0);
  return { jobs, chosen, cost: costOf(jobs, chosen), bound };
}

const costOf = (jobs: readonly Job[], chosen: Chosen) =>
  chosen.reduce((sum, way, j) => sum + (way?.cost ?? jobs[j]!.unmetCost), 0);

function boardOf(puzzle: Puzzle, chosen: Chosen): Board {
  const board = emptyBoard(puzzle);
  for (const way of chosen) if (way) board.put(way);
  return board;
}

/** All jobs at once, with so many looks; where that ends, what was found is the best there is. */
function whole(standing: Standing, puzzle: Puzzle, looks: number): Standing {
  const { jobs, cost } = standing;
  const exact = bestPicks(jobs, emptyBoard(puzzle), cost, looks);
  const chosen = exact.picks?.map((pick, j) => (pick === UNMET ? null : jobs[j]!.ways[pick]!)) ?? standing.chosen;
  const best = exact.picks ? exact.cost : cost;
  return { ...standing, chosen, cost: best, bound: exact.proven ? best : standing.bound };
}

/** A better bound, and without the ways that it shows to be too dear for anything better (fixing by reduced cost). */
function ruledOut({ jobs, chosen, cost, bound }: Standing, puzzle: Puzzle): Standing {
  const rounds = jobs.length <= FEW.jobs ? FEW.boundRounds : BOUND_ROUNDS;
  const better = lowerBound({ ...puzzle, jobs }, cost, rounds);
  // What is chosen stays, also for others that are alike: they go on having the same ways.
  const taken = new Set(chosen);
  const kept = jobs.map((job, j) => ({
    ...job,
    ways: job.ways.filter((way, w) => taken.has(way) || better.cost + better.rises[j]![w]! < cost - SAME),
  }));
  return { jobs: kept, chosen, cost, bound: Math.max(bound, better.cost) };
}

/** A few jobs to place anew: one that could cost less, and those that stand in the way of it, or any. */
function somePart({ jobs, chosen }: Standing, puzzle: Puzzle, random: Random): readonly number[] {
  const any = () => Math.floor(random() * jobs.length);
  const dear = jobs.flatMap(({ ways, unmetCost }, j) =>
    (chosen[j]?.cost ?? unmetCost) > (ways[0]?.cost ?? Infinity) + SAME ? [j] : [],
  );
  const first = dear.length > 0 ? dear[Math.floor(random() * dear.length)]! : any();
  const part = new Set([first]);
  const size = Math.min(jobs.length, PART.least + Math.floor(random() * (PART.most - PART.least + 1)));
  const { ways } = jobs[first]!;
  if (ways.length > 0 && random() < 0.75) {
    const wish = ways[Math.floor(random() ** 2 * ways.length)]!;
    const board = emptyBoard(puzzle);
    board.put(wish);
    const inTheWay = chosen.flatMap((way, j) => (way && j !== first && !board.fits(way) ? [j] : []));
    for (const j of shuffled(inTheWay, random).slice(0, size - 1)) part.add(j);
  }
  while (part.size < size) part.add(any());
  return [...part];
}

/** Some jobs taken off the board and placed again as well as they can be. */
function placedAnew(standing: Standing, puzzle: Puzzle, part: readonly number[]): Standing {
  const { jobs, chosen } = standing;
  const others = chosen.map((way, j) => (part.includes(j) ? null : way));
  const before = part.reduce((sum, j) => sum + (chosen[j]?.cost ?? jobs[j]!.unmetCost), 0);
  const open = part.map((j) => jobs[j]!);
  // A way that costs the same is taken too: it may open another.
  const { picks } = bestPicks(open, boardOf(puzzle, others), before + 2 * SAME, PART_LOOKS);
  if (!picks) return standing;
  const next = chosen.map((way, j) => {
    const i = part.indexOf(j);
    if (i < 0) return way;
    return picks[i] === UNMET ? null : jobs[j]!.ways[picks[i]!]!;
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
