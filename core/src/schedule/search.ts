import type { Random } from '../random/random.js';
import { emptyBoard, type Board } from './board.js';
import { lowerBound, type Bound } from './bound.js';
import { bestPicks, SAME } from './exact.js';
import { costOfChoice, costOfPick, UNMET, type Picks, type Job, type Puzzle } from './puzzle.js';

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
const WHOLE_LOOKS = 400_000;
const PART_LOOKS = 4_000;
const PART = 4;
/** The whole is tried with what the bound has ruled out left out, first after so many rounds, then after twice as many. */
const FIRST_WHOLE = 40;

/**
 * Looks for the best choice, and gives what it has after every round: greedily first, then whole where that can be
 * proven, else by taking a few jobs off the board and placing them anew as well as they can be (large neighbourhood search,
 * Shaw 1998). May be stopped after any round.
 */
export function* search(puzzle: Puzzle, random: Random): Generator<Searched, void, void> {
  const { jobs } = puzzle;
  const alone = { ...puzzle, jobs: jobs.map((job) => thatFitAlone(job, puzzle)) };
  let choice = greedy(alone);
  let cost = costOfChoice(alone, choice);
  let bound = leastOfAll(alone.jobs);
  const told = (round: number, proven: boolean): Searched => ({
    picks: inAll(jobs, alone.jobs, choice),
    cost,
    bound: proven ? cost : Math.min(bound, cost),
    proven,
    round,
  });
  if (cost <= bound + SAME) {
    yield told(0, true);
    return;
  }
  yield told(0, false);

  const quick = bestPicks(alone.jobs, emptyBoard(puzzle), cost, QUICK_LOOKS);
  if (quick.picks) [choice, cost] = [quick.picks, quick.cost];
  yield told(1, quick.proven);
  if (quick.proven) return;

  const board = emptyBoard(puzzle);
  putAll(board, alone.jobs, choice);
  let nextWhole = FIRST_WHOLE;
  for (let round = 2; ; round++) {
    const part = somePart(alone, choice, random);
    const next = placeAnew(alone, board, choice, part);
    const gained = cost - costOfChoice(alone, next);
    choice = next;
    cost -= gained;
    if (cost <= bound + SAME) {
      yield told(round, true);
      return;
    }
    if (round === nextWhole) {
      nextWhole *= 2;
      const whole = tryWhole(alone, cost, bound);
      bound = whole.bound;
      if (whole.better) {
        [choice, cost] = [whole.better, costOfChoice(alone, whole.better)];
        clear(board, puzzle, alone.jobs, choice);
      }
      if (whole.proven) {
        yield told(round, true);
        return;
      }
    }
    yield told(round, false);
  }

  function clear(on: Board, { resources, slots }: Puzzle, all: readonly Job[], anew: Picks): void {
    Object.assign(on, emptyBoard({ resources, slots }));
    putAll(on, all, anew);
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

/** Options that a board with nothing else on it has room for. */
function thatFitAlone(job: Job, puzzle: Puzzle): Job {
  const empty = emptyBoard(puzzle);
  return { ...job, ways: job.ways.filter((o) => o.cost < job.unmetCost && empty.fits(o)) };
}

/** The same choice by the places of all ways, those that fit nowhere among them. */
function inAll(all: readonly Job[], kept: readonly Job[], choice: Picks): Picks {
  return choice.map((pick, j) => (pick === UNMET ? UNMET : all[j]!.ways.indexOf(kept[j]!.ways[pick]!)));
}

const leastOfAll = (jobs: readonly Job[]) =>
  jobs.reduce((sum, { ways, unmetCost }) => sum + Math.min(unmetCost, ways[0]?.cost ?? Infinity), 0);

function putAll(board: Board, jobs: readonly Job[], choice: Picks): void {
  choice.forEach((pick, j) => {
    if (pick !== UNMET) board.put(jobs[j]!.ways[pick]!);
  });
}

/** One job after the other, that with the fewest ways first, each as cheaply as it still can be. */
function greedy(puzzle: Puzzle): Picks {
  const board = emptyBoard(puzzle);
  const choice = puzzle.jobs.map(() => UNMET);
  const order = puzzle.jobs
    .map((_, j) => j)
    .sort((a, b) => puzzle.jobs[a]!.ways.length - puzzle.jobs[b]!.ways.length || a - b);
  for (const j of order) {
    const { ways } = puzzle.jobs[j]!;
    const pick = ways.findIndex((o) => board.fits(o));
    if (pick < 0) continue;
    choice[j] = pick;
    board.put(ways[pick]!);
  }
  return choice;
}

/** The whole at once: ways that the bound shows to be too dear are left out first. */
function tryWhole(
  puzzle: Puzzle,
  cost: number,
  boundBefore: number,
): { readonly bound: number; readonly better: Picks | null; readonly proven: boolean } {
  const bound = lowerBound(puzzle, cost, BOUND_ROUNDS);
  const kept = thatCanBeBetter(puzzle, bound, cost);
  const jobs = kept.map((places, j) => ({
    ...puzzle.jobs[j]!,
    ways: places.map((o) => puzzle.jobs[j]!.ways[o]!),
  }));
  const exact = bestPicks(jobs, emptyBoard(puzzle), cost, WHOLE_LOOKS);
  const picks = exact.picks ? exact.picks.map((p, j) => (p === UNMET ? UNMET : kept[j]![p]!)) : null;
  return { bound: Math.max(boundBefore, bound.cost), better: picks, proven: exact.proven };
}

/** Places of the ways that a better choice might still take (fixing by reduced cost). */
function thatCanBeBetter({ jobs }: Puzzle, { cost, rises }: Bound, known: number): readonly (readonly number[])[] {
  return jobs.map(({ ways }, j) => ways.flatMap((_, o) => (cost + rises[j]![o]! < known - SAME ? [o] : [])));
}

/** A few jobs to place anew: one that could cost less, and those that stand in the way of it, or any. */
function somePart({ jobs, ...rest }: Puzzle, choice: Picks, random: Random): readonly number[] {
  const dear = jobs.flatMap((job, j) =>
    costOfPick(job, choice[j]!) > (job.ways[0]?.cost ?? Infinity) + SAME ? [j] : [],
  );
  const any = () => Math.floor(random() * jobs.length);
  const first = dear.length > 0 ? dear[Math.floor(random() * dear.length)]! : any();
  const part = new Set([first]);
  const { ways } = jobs[first]!;
  if (ways.length > 0 && random() < 0.75) {
    const wish = ways[Math.floor(random() ** 2 * ways.length)]!;
    const board = emptyBoard({ resources: rest.resources, slots: rest.slots });
    board.put(wish);
    const inTheWay = choice.flatMap((pick, j) =>
      pick !== UNMET && j !== first && !board.fits(jobs[j]!.ways[pick]!) ? [j] : [],
    );
    for (const j of shuffled(inTheWay, random).slice(0, PART - 1)) part.add(j);
  }
  while (part.size < Math.min(PART, jobs.length)) part.add(any());
  return [...part];
}

/** Some jobs taken off a board and placed again as well as they can be; the board is left as the choice that comes back. */
function placeAnew({ jobs }: Puzzle, board: Board, choice: Picks, part: readonly number[]): Picks {
  const before = part.reduce((sum, j) => sum + costOfPick(jobs[j]!, choice[j]!), 0);
  for (const j of part) if (choice[j] !== UNMET) board.take(jobs[j]!.ways[choice[j]!]!);
  // A way that costs the same is taken too: it may open another.
  const { picks } = bestPicks(
    part.map((j) => jobs[j]!),
    board,
    before + 2 * SAME,
    PART_LOOKS,
  );
  const next = [...choice];
  if (picks) part.forEach((j, i) => (next[j] = picks[i]!));
  for (const j of part) if (next[j] !== UNMET) board.put(jobs[j]!.ways[next[j]!]!);
  return next;
}

function shuffled(items: readonly number[], random: Random): number[] {
  const all = [...items];
  for (let i = all.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [all[i], all[j]] = [all[j]!, all[i]!];
  }
  return all;
}
