import { seededRandom } from '../random/random.js';
import { gearResourcesOf } from './gear-resources.js';
import { dayRowOf } from './day-hands.js';
import { hoursOf, plainDays } from './hours.js';
import { sharesOf, type Order, type Unmet } from './orders.js';
import type { Network } from './network.js';
import { planOf } from './plan-of.js';
import { SLOT_MIN, type Instance } from './instance.js';
import { resourcesOf } from './resources.js';
import { search, searchFor } from './search.js';
import { startersLeft } from './starters-left.js';
import { supplyRows, weighedOf } from './supplies.js';
import { nothingWorkedOut, workedOut, type WorkedOut } from './worked-out.js';
import type { Plan, PlanAsked, PlanningProblem, WantedMake } from './planning-problem.js';
import { extensionIn } from './timeline.js';
import { UNMET_COST, whyNoMode } from './unmet.js';
import { USUAL_WEIGHTS } from './mode.js';
import { madeTogether, placesNow, type Together } from './together.js';
import { modesAt, modesOf } from './modes.js';

/** All orders are to be met so often, where nothing else is wished; and no more is asked of a single one before it is made at all. */
export const USUAL_CHANCE = 0.9;

/** Where nothing is said each order has makes of its own. */
const ALL_ALONE: Together = { groups: [], others: 'never' };

/**
 * Lays out a plan: networks from the engine, every mode of each of them, what there is of hands and gear.
 *
 * @param before what was worked out before, to be taken again and added to
 */
export function layOut(asked: PlanAsked, before: WorkedOut = nothingWorkedOut()): PlanningProblem {
  const horizonMin = Math.ceil(asked.horizonMin / SLOT_MIN) * SLOT_MIN;
  const hours = hoursOf(asked.people, horizonMin, asked.days);
  const gearResources = gearResourcesOf(asked.gear);
  const weights = asked.weights ?? USUAL_WEIGHTS;
  const chance = asked.chance ?? USUAL_CHANCE;
  const madeOnce = (order: Order) => workedOut(order, asked, gearResources, before);
  const orders = madeTogether(asked.orders, asked.together ?? ALL_ALONE, weights, madeOnce);
  const pins = placesNow(orders, asked.pins ?? []);
  const due = orders.filter(({ dueMin }) => dueMin !== null).length;
  const wanted: WantedMake[] = [];
  const nowhere: WantedMake[] = [];
  const impossible: Unmet[] = [];
  const startersOf = startersLeft(orders, asked.starters ?? null, hours, madeOnce);
  const supplies = asked.supplies ?? [];
  const slots = horizonMin / SLOT_MIN;
  const { rows, resources: coming } = supplyRows(
    supplies,
    orders.map(madeOnce).flatMap((made) => (made.ok ? new Array<Network>(made.parts).fill(made.network) : [])),
    slots,
    gearResources.length + 1,
  );
  const ofDays = dayRowOf(
    asked.people,
    asked.days ?? plainDays(horizonMin),
    asked.committed ?? [],
    slots,
    gearResources.length + 1 + coming.length,
  );
  for (const order of orders) {
    const made = madeOnce(order);
    if (!made.ok) {
      impossible.push(made.unmet);
      continue;
    }
    const { network, parts } = made;
    const fromMin = order.fromMin ?? 0;
    const placing = {
      network,
      hours,
      gearResources,
      dueMin: order.dueMin,
      shares: sharesOf(order),
      fromMin,
      ...(order.readyByMin !== undefined && { readyByMin: order.readyByMin }),
      weights,
      starters: startersOf.get(order.id) ?? null,
      supplied: rows.map((row) => ({ row, massG: weighedOf(network, row.kind, supplies) })),
      dayRow: ofDays?.row ?? null,
      leastChance: Math.min(chance, USUAL_CHANCE),
      sureChance: chance ** (1 / Math.max(1, due)),
      thorough: asked.thorough ?? false,
    };
    const pinned = (part: number) => pins.find((p) => p.orderId === order.id && p.part === part);
    const all = modesOf(placing);
    for (let part = 1; part <= parts; part++) {
      const pin = pinned(part);
      const modes = pin ? modesAt(placing, pin.startMin, extensionIn(network, pin.extension)) : all;
      const instead = made.instead ?? null;
      (modes.length > 0 ? wanted : nowhere).push({ order, part, parts, network, instead, modes, placing });
    }
    if (nowhere.at(-1)?.order === order) impossible.push(whyNoMode(order, placing));
  }
  const { resources, holders } = resourcesOf(hours, gearResources, slots, asked.committed ?? []);
  const instance: Instance = {
    slots,
    resources: [...resources, ...coming, ...(ofDays ? [ofDays.resource] : [])],
    jobs: wanted.map(({ order, modes, part }, j) => ({
      modes,
      // Those of one order are one as good as another, but for what somebody has put where it is.
      alike: pins.some((p) => p.orderId === order.id && p.part === part) ? orders.length + j : orders.indexOf(order),
      unmetCost: sharesOf(order).reduce(
        (sum, s) => sum + (s.dueMin === null ? UNMET_COST.someTime : UNMET_COST.due),
        0,
      ),
    })),
  };
  return {
    asked,
    orders,
    hours,
    gearResources,
    wanted,
    nowhere,
    instance,
    holders,
    supplyRows: rows,
    dayRow: ofDays?.row ?? null,
    impossible,
  };
}

/** Searches a plan, and gives what it has after every round. May be stopped after any. */
export function* plans(problem: PlanningProblem): Generator<Plan, void, void> {
  for (const searched of search(problem.instance, seededRandom(problem.asked.seed))) yield planOf(problem, searched);
}

/** A plan after so many rounds of search at most: the same for the same seed, on every machine. */
export function planFor(asked: PlanAsked, rounds: number): Plan {
  const problem = layOut(asked);
  return planOf(problem, searchFor(problem.instance, seededRandom(asked.seed), rounds));
}
