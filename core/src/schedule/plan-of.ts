import { VITALITY_LOSS } from '../constants/cultures.js';
import { emptyBoard, type Board } from './board.js';
import type { Plan, PlannedMake, Setting } from './setting.js';
import { UNMET } from './puzzle.js';
import type { Searched } from './search.js';
import { sharedFeeds } from './starters.js';
import { awakeMin, walk } from './timeline.js';
import { UNMET_COST, whyLeftOut } from './unmet.js';
import type { Unmet } from './orders.js';
import type { PlacedWay } from './way.js';

/** A way for each make that is wanted; null where it is left out. */
export type Chosen = readonly (PlacedWay | null)[];

/** What a search has found, as a plan. */
export function planOf(setting: Setting, { picks, cost, bound, proven, round }: Searched): Plan {
  const chosen = inOrder(
    setting,
    setting.wanted.map(({ ways }, j) => (picks[j] === UNMET ? null : ways[picks[j]!]!)),
  );
  const impossible = setting.impossible.length * UNMET_COST.due;
  return {
    ...planFrom(setting, chosen),
    unmet: [...setting.impossible, ...leftOut(setting, chosen)],
    cost: cost + impossible,
    bound: bound + impossible,
    proven,
    round,
  };
}

/** Of makes that are one as good as another the first is the one that is begun first. */
function inOrder({ puzzle: { jobs } }: Setting, chosen: Chosen): Chosen {
  const startOf = (way: PlacedWay | null) => way?.startMin ?? Infinity;
  const sorted = new Map<number | undefined, (PlacedWay | null)[]>();
  chosen.forEach((way, j) => {
    const { alike } = jobs[j]!;
    sorted.set(alike, [...(sorted.get(alike) ?? []), way]);
  });
  for (const ways of sorted.values()) ways.sort((a, b) => (startOf(a) < startOf(b) ? -1 : 1));
  return chosen.map((way, j) => (jobs[j]!.alike === undefined ? way : sorted.get(jobs[j]!.alike)!.shift()!));
}

/** The makes of a plan, and what of hands they ask for. */
export type MakesAndHands = Pick<Plan, 'makes' | 'nightHandsMin' | 'offHandsMin' | 'handsMin'>;

/** The makes that come of placing each as it was chosen. */
export function planFrom({ wanted, hours, racks }: Setting, chosen: Chosen): MakesAndHands {
  const makes = withSharedFeeds(
    wanted.flatMap(({ order, part, parts, network }, j): PlannedMake[] => {
      const way = chosen[j];
      if (!way) return [];
      const steps = walk(network, way.startMin, hours, 'likely', way.held)!;
      const gear = way.racks.map((r) => racks[r]!.gear);
      const { starter } = way;
      const feed = starter.is === 'feed' ? starter.feed : null;
      const buysStarter = starter.is === 'buy';
      const starterTimes = starter.is === 'more' ? starter.times : 1;
      const name = order.name ?? network.name;
      return [{ orderId: order.id, name, part, parts, network, way, steps, gear, feed, buysStarter, starterTimes }];
    }),
  );
  const sum = (of: (make: PlannedMake, step: number) => number) =>
    makes.reduce((all, make) => all + make.steps.reduce((own, _, i) => own + of(make, i), 0), 0);
  const bounds = (make: PlannedMake, i: number) => {
    const { beginMin } = make.steps[i]!;
    return [beginMin, beginMin + awakeMin(make.network.steps[i]!)] as const;
  };
  return {
    makes,
    nightHandsMin: sum((make, i) => hours.nightMin(...bounds(make, i))),
    offHandsMin: sum((make, i) => hours.offMin(...bounds(make, i))),
    handsMin: sum(({ network }, i) => network.steps[i]!.handsMin),
  };
}

/** Feedings put together, and left away where an earlier make holds enough back. */
function withSharedFeeds(makes: readonly PlannedMake[]): readonly PlannedMake[] {
  const sown = makes.filter((m) => m.network.sown !== null);
  const takers = sown.map(({ network: { sown: of, gives }, steps, feed }) => ({
    culture: of!.culture,
    takesG: of!.massG,
    atMin: steps[of!.step]!.beginMin,
    feed,
    givesG: gives?.massG ?? 0,
    givesMin: gives ? steps[gives.step]!.beginMin : 0,
  }));
  const feeds = new Map(sharedFeeds(takers, VITALITY_LOSS.active.cold.perDay).map((feed, i) => [sown[i]!, feed]));
  return makes.map((make) => ({ ...make, feed: feeds.get(make) ?? null }));
}

/** What the board is with some ways on it. */
export function boardWith({ puzzle }: Pick<Setting, 'puzzle'>, ways: readonly PlacedWay[]): Board {
  const board = emptyBoard(puzzle);
  ways.forEach(board.put);
  return board;
}

/** Orders that were left out, each with what stands in its way. */
function leftOut(setting: Setting, chosen: Chosen): readonly Unmet[] {
  const { wanted, racks, holders } = setting;
  const out = wanted.filter((_, j) => !chosen[j]);
  if (out.length === 0) return [];
  const taken = wanted.flatMap(({ order, network }, j) => {
    const way = chosen[j];
    return way ? [{ name: order.name ?? network.name, uses: way.uses }] : [];
  });
  const board = boardWith(
    setting,
    chosen.flatMap((way) => way ?? []),
  );
  return out.map((w) => whyLeftOut(w, board, [...taken, ...holders], racks));
}
