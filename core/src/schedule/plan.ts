import type { Household } from '../environment/household.js';
import type { GearKind } from '../larder/gear.js';
import type { LotStock } from '../larder/lot.js';
import { seededRandom } from '../random/random.js';
import { racksOf, type PlanGear, type Rack } from './gear.js';
import { hoursOf, type Hours, type Person } from './hours.js';
import type { Network } from './network.js';
import { madeOf, type Made, type Order, type Unmet } from './orders.js';
import { planOf } from './plan-of.js';
import { SLOT_MIN, type Puzzle } from './puzzle.js';
import { resourcesOf, type Holder } from './resources.js';
import { search, searchFor } from './search.js';
import type { Feed, StarterHere } from './starters.js';
import { heldIn, type HeldStage, type Walked } from './timeline.js';
import { UNMET_COST, whyNoWay } from './unmet.js';
import { USUAL_WISHES, type PlacedWay, type Placing, type Wishes } from './way.js';
import { waysAt, waysOf } from './ways.js';

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

/** Somebody has put a make where it is: it is begun then and no other time, and goes on so. */
export interface Pin {
  readonly orderId: string;
  readonly part: number;
  readonly startMin: number;
  readonly held: HeldStage | null;
}

/** What a plan is made of. Minutes count from its beginning. */
export interface PlanAsked extends Pick<Household, 'kitchen'> {
  readonly orders: readonly Order[];
  readonly people: readonly Person[];
  readonly gear: readonly PlanGear[];
  readonly committed?: readonly Committed[];
  readonly pins?: readonly Pin[];
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
  /** What it is called in a sentence. */
  readonly name: string;
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
  /** Its culture is tired by then, and cannot be fed in time: so many times the starter is taken; 1 where it is strong. */
  readonly starterTimes: number;
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
  /** Makes that have no way at all: why is said with what is impossible. */
  readonly nowhere: readonly WantedMake[];
  readonly puzzle: Puzzle;
  /** What has gear and hands already. */
  readonly holders: readonly Holder[];
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
  const nowhere: WantedMake[] = [];
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
    const fromMin = order.fromMin ?? 0;
    const placing = { network, hours, racks, dueMin: order.dueMin, fromMin, wishes, starters: asked.starters ?? null };
    const pinned = (part: number) => asked.pins?.find((p) => p.orderId === order.id && p.part === part);
    const all = waysOf(placing);
    for (let part = 1; part <= parts; part++) {
      const pin = pinned(part);
      const ways = pin ? waysAt(placing, pin.startMin, heldIn(network, pin.held)) : all;
      (ways.length > 0 ? wanted : nowhere).push({ order, part, parts, network, ways, placing });
    }
    if (nowhere.at(-1)?.order === order) impossible.push(whyNoWay(order, placing));
  }
  const slots = horizonMin / SLOT_MIN;
  const { resources, holders } = resourcesOf(hours, racks, slots, asked.committed ?? []);
  const puzzle: Puzzle = {
    slots,
    resources,
    jobs: wanted.map(({ order, ways, part }, j) => ({
      ways,
      // Those of one order are one as good as another, but for what somebody has put where it is.
      alike: asked.pins?.some((p) => p.orderId === order.id && p.part === part)
        ? asked.orders.length + j
        : asked.orders.indexOf(order),
      unmetCost: order.dueMin === null ? UNMET_COST.someTime : UNMET_COST.due,
    })),
  };
  return { asked, hours, racks, wanted, nowhere, puzzle, holders, impossible };
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
