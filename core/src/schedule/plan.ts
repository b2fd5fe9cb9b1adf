import { seededRandom } from '../random/random.js';
import { racksOf } from './gear.js';
import { hoursOf } from './hours.js';
import { madeOf, type Made, type Order, type Unmet } from './orders.js';
import { planOf } from './plan-of.js';
import { SLOT_MIN, type Puzzle } from './puzzle.js';
import { resourcesOf } from './resources.js';
import { search, searchFor } from './search.js';
import type { Plan, PlanAsked, Setting, WantedMake } from './setting.js';
import { heldIn } from './timeline.js';
import { UNMET_COST, whyNoWay } from './unmet.js';
import { USUAL_WISHES } from './way.js';
import { waysAt, waysOf } from './ways.js';

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
    const { kitchen, gear, stocks } = asked;
    const key = JSON.stringify([
      order.method,
      order.choices,
      order.productG,
      kitchen,
      gear,
      stocks,
      asked.known?.learned.known,
      asked.known?.lines,
    ]);
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
