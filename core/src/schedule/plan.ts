import { VITALITY_LOSS } from '../constants/cultures.js';
import type { Household } from '../environment/household.js';
import type { GearKind } from '../larder/gear.js';
import type { LotStock } from '../larder/lot.js';
import { seededRandom } from '../random/random.js';
import { emptyBoard } from './board.js';
import { handsResource, racksFor, racksOf, takenOf, type PlanGear, type Rack } from './gear.js';
import { hoursOf, type Hours, type Person } from './hours.js';
import type { Network } from './network.js';
import { madeOf, type Made, type Order, type Unmet } from './orders.js';
import { SLOT_MIN, UNMET, type Puzzle, type Resource, type Use } from './puzzle.js';
import { search, searchFor, type Searched } from './search.js';
import { sharedFeeds, type Feed, type StarterHere } from './starters.js';
import { awakeMin, walk, type Walked } from './timeline.js';
import { whyLeftOut, whyNoWay } from './unmet.js';
import { handsUses } from './uses.js';
import { USUAL_WISHES, type PlacedWay, type Placing, type Wishes } from './way.js';
import { waysOf } from './ways.js';

/** What is on already and cannot be moved: its hands, and what it stands in. */
export interface Committed {
  readonly name: string;
  readonly hands: readonly { readonly atMin: number; readonly minutes: number }[];
  readonly stands: readonly {
    readonly gear: GearKind;
    readonly litres: number;
    readonly keepC: number | null;
    readonly fromMin: number;
    readonly toMin: number;
  }[];
}

/** What a plan is made of. Minutes count from its beginning. */
export interface PlanAsked extends Pick<Household, 'kitchen'> {
  readonly orders: readonly Order[];
  readonly people: readonly Person[];
  readonly gear: readonly PlanGear[];
  readonly committed?: readonly Committed[];
  readonly stocks?: readonly LotStock[];
  /** Cultures that are there; where nothing is said of them, each make has the starter it wants. */
  readonly starters?: readonly StarterHere[];
  readonly horizonMin: number;
  readonly wishes?: Wishes;
  readonly seed: number;
}

/** A make of a plan: when it is begun, and when each of its steps likely begins and ends. */
export interface PlannedMake {
  readonly orderId: string;
  /** Which of the makes of its order, counted from 1, and of how many. */
  readonly part: number;
  readonly parts: number;
  readonly network: Network;
  readonly way: PlacedWay;
  readonly steps: readonly Walked[];
  /** The pieces of gear it stands in, by the network's stands. */
  readonly gear: readonly PlanGear[];
  /** A feeding of its culture before it, for it and for those after it that take of the same; null where it needs none. */
  readonly feed: Feed | null;
  /** True where no culture that is there would do: one is to be bought. */
  readonly buysStarter: boolean;
}

/** A plan: every order's makes, or why there is none; how good it is, and how good any could be. */
export interface Plan {
  readonly makes: readonly PlannedMake[];
  readonly unmet: readonly Unmet[];
  readonly cost: number;
  readonly bound: number;
  readonly proven: boolean;
  readonly round: number;
  /** Minutes of hands in the night, and outside working hours, as likely. */
  readonly nightHandsMin: number;
  readonly offHandsMin: number;
  readonly handsMin: number;
}

/** What leaving an order out costs: more than any hands in the night; one that is wanted some time less. */
const UNMET_COST = { due: 100_000, someTime: 20_000 } as const;

/** A make to be placed, before it is. */
export interface WantedMake {
  readonly order: Order;
  readonly part: number;
  readonly parts: number;
  readonly network: Network;
  readonly ways: readonly PlacedWay[];
  readonly placing: Placing;
}

/** Everything a plan is searched in. */
export interface Setting {
  readonly asked: PlanAsked;
  readonly hours: Hours;
  readonly racks: readonly Rack[];
  readonly wanted: readonly WantedMake[];
  readonly puzzle: Puzzle;
  /** Orders that cannot be made whatever else is. */
  readonly impossible: readonly Unmet[];
}

/**
 * Lays out a plan: networks from the engine, every way to place each of them, what there is of hands and gear.
 *
 * @param known makes that were worked out before, to be taken again and added to
 */
export function layOut(asked: PlanAsked, known: Map<string, Made> = new Map<string, Made>()): Setting {
  const horizonMin = Math.ceil(asked.horizonMin / SLOT_MIN) * SLOT_MIN;
  const hours = hoursOf(asked.people, horizonMin);
  const racks = racksOf(asked.gear);
  const wishes = asked.wishes ?? USUAL_WISHES;
  const wanted: WantedMake[] = [];
  const impossible: Unmet[] = [];
  for (const order of asked.orders) {
    const key = JSON.stringify([order.method, order.choices, order.productG, asked.kitchen, asked.gear, asked.stocks]);
    const made = ofOrder(known.get(key) ?? madeOf(order, racks, asked), order);
    known.set(key, made);
    if (!made.ok) {
      impossible.push(made.unmet);
      continue;
    }
    const { network, parts } = made;
    const fromMin = order.pinnedMin ?? order.fromMin ?? 0;
    const placing = { network, hours, racks, dueMin: order.dueMin, fromMin, wishes, starters: asked.starters ?? null };
    const all = waysOf(placing);
    const ways = order.pinnedMin === undefined ? all : all.filter((w) => Math.abs(w.startMin - fromMin) < SLOT_MIN);
    if (ways.length === 0) impossible.push(whyNoWay(order, placing));
    else for (let part = 1; part <= parts; part++) wanted.push({ order, part, parts, network, ways, placing });
  }
  const slots = horizonMin / SLOT_MIN;
  const puzzle: Puzzle = {
    slots,
    resources: resourcesOf(hours, racks, slots, asked.committed ?? []),
    jobs: wanted.map(({ order, ways }) => ({
      ways,
      alike: asked.orders.indexOf(order),
      unmetCost: order.dueMin === null ? UNMET_COST.someTime : UNMET_COST.due,
    })),
  };
  return { asked, hours, racks, wanted, puzzle, impossible };
}

/** A make as it was worked out for a like order. */
const ofOrder = (made: Made, { id: orderId }: Order): Made =>
  made.ok ? made : { ok: false, unmet: { ...made.unmet, orderId } };

/** Searches a plan, and gives what it has after every round. May be stopped after any. */
export function* plans(setting: Setting): Generator<Plan, void, void> {
  for (const searched of search(setting.puzzle, seededRandom(setting.asked.seed))) yield planOf(setting, searched);
}

/** A plan after so many rounds of search at most: the same for the same seed, on every machine. */
export function planFor(asked: PlanAsked, rounds: number): Plan {
  const setting = layOut(asked);
  return planOf(setting, searchFor(setting.puzzle, seededRandom(asked.seed), rounds));
}

/** What a search has found, as a plan. */
export function planOf(setting: Setting, { picks, cost, bound, proven, round }: Searched): Plan {
  const { wanted, hours, racks, impossible } = setting;
  const makes = withSharedFeeds(
    wanted.flatMap(({ order, part, parts, network, ways }, j): PlannedMake[] => {
      const pick = picks[j]!;
      if (pick === UNMET) return [];
      const way = ways[pick]!;
      const steps = walk(network, way.startMin, hours, 'likely', way.held)!;
      const gear = way.racks.map((r) => racks[r]!.gear);
      const { starter } = way;
      const feed = starter.is === 'feed' ? starter.feed : null;
      const buysStarter = starter.is === 'buy';
      return [{ orderId: order.id, part, parts, network, way, steps, gear, feed, buysStarter }];
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
    unmet: [...impossible, ...leftOut(setting, picks)],
    cost: cost + impossible.length * UNMET_COST.due,
    bound: bound + impossible.length * UNMET_COST.due,
    proven,
    round,
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

/** Orders that were left out, each with what stands in its way. */
function leftOut({ wanted, puzzle, racks }: Setting, picks: readonly number[]): readonly Unmet[] {
  const out = wanted.flatMap((w, j) => (picks[j] === UNMET ? [w] : []));
  if (out.length === 0) return [];
  const board = emptyBoard(puzzle);
  picks.forEach((pick, j) => {
    if (pick !== UNMET) board.put(puzzle.jobs[j]!.ways[pick]!);
  });
  const taken = wanted.flatMap((w, j) => (picks[j] === UNMET ? [] : [{ ...w, way: w.ways[picks[j]!]! }]));
  return out.map((w) => whyLeftOut(w, board, taken, racks));
}

/** Racks and hands, less what is on already. */
function resourcesOf(
  { handsPerSlot }: Hours,
  racks: readonly Rack[],
  slots: number,
  committed: readonly Committed[],
): readonly Resource[] {
  const gear = racks.map(({ gear: { kind, name }, capacity }) => ({
    id: name ?? kind,
    capacity: new Int32Array(slots).fill(capacity),
  }));
  const resources = [...gear, { id: 'hands', capacity: Int32Array.from(handsPerSlot) }];
  const taken = ({ from, to, units }: Use, resource: number): void => {
    const { capacity } = resources[resource]!;
    for (let t = Math.max(0, from); t < Math.min(slots, to); t++) capacity[t] = Math.max(0, capacity[t]! - units);
  };
  const hasRoom = ({ from, to, units }: Use, resource: number) =>
    resources[resource]!.capacity.subarray(Math.max(0, from), Math.max(0, to)).every((c) => c >= units);
  for (const { hands, stands } of committed) {
    for (const { atMin, minutes } of hands) {
      for (const use of handsUses(atMin, minutes, handsResource(racks))) taken(use, use.resource);
    }
    for (const stand of stands) {
      const uses = usesOfStand(stand, racks);
      const use = uses.find((u) => hasRoom(u, u.resource)) ?? uses[0];
      if (use) taken(use, use.resource);
    }
  }
  return resources;
}

/** What something that is on takes, in each of the racks that may hold it. */
function usesOfStand(stand: Committed['stands'][number], racks: readonly Rack[]): readonly Use[] {
  const as = { ...stand, firstStep: 0, lastStep: 0 };
  const [from, to] = [Math.floor(stand.fromMin / SLOT_MIN), Math.ceil(stand.toMin / SLOT_MIN)];
  return racksFor(as, racks).map((resource) => ({ resource, from, to, ...takenOf(racks[resource]!, as) }));
}
