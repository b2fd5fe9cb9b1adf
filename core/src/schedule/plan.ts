import { seededRandom } from '../random/random.js';
import type { DurationSurface } from './durations.js';
import { gearResourcesOf, type GearResource } from './gear-resources.js';
import { hoursOf, type Hours } from './hours.js';
import { madeOf, sharesOf, type Made, type Order, type Unmet } from './orders.js';
import { planOf } from './plan-of.js';
import { SLOT_MIN, type Instance } from './instance.js';
import { resourcesOf } from './resources.js';
import { search, searchFor } from './search.js';
import { starterBook, takerOf } from './starter-book.js';
import type { StarterHere } from './starters.js';
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

/** Makes that were worked out before, by all that was asked of them; and how long the steps of such a make take, of any size. */
export interface WorkedOut {
  readonly makes: Map<string, Made>;
  readonly durations: Map<string, DurationSurface>;
}

export const nothingWorkedOut = (): WorkedOut => ({ makes: new Map(), durations: new Map() });

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
      weights,
      starters: startersOf.get(order.id) ?? null,
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
  const slots = horizonMin / SLOT_MIN;
  const { resources, holders } = resourcesOf(hours, gearResources, slots, asked.committed ?? []);
  const instance: Instance = {
    slots,
    resources,
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
  return { asked, orders, hours, gearResources, wanted, nowhere, instance, holders, impossible };
}

/**
 * What there is of cultures for each order, as those that are handed on before it leave it; each is taken to be made just in time, as
 * it is not known yet when it is.
 */
function startersLeft(
  orders: readonly Order[],
  starters: readonly StarterHere[] | null,
  hours: Hours,
  madeOnce: (order: Order) => Made,
): ReadonlyMap<string, readonly StarterHere[] | null> {
  const takers = orders.map((order) => {
    const made = starters && madeOnce(order);
    if (!made?.ok) return null;
    const { network } = made;
    let atMin = Math.min(order.dueMin ?? Infinity, hours.horizonMin);
    for (const { lasts } of network.steps) atMin -= lasts.late;
    const times = network.steps.map(({ lasts }) => (atMin += lasts.late) - lasts.late);
    return takerOf(network, times);
  });
  const taken = starterBook(takers, starters, hours);
  return new Map(orders.map((order, i) => [order.id, taken[i]!.here ?? starters]));
}

/** The make of an order, as it was worked out before for a like one where there was any. */
function workedOut(
  order: Order,
  asked: PlanAsked,
  gearResources: readonly GearResource[],
  { makes, durations }: WorkedOut,
): Made {
  const { kitchen, gear, stocks, known } = asked;
  const kind = JSON.stringify([order.method, order.choices, kitchen, stocks, known?.learned.known, known?.lines]);
  const key = JSON.stringify([kind, order.productG, gear]);
  const made = makes.get(key) ?? madeOf(order, gearResources, asked, durations.get(kind));
  makes.set(key, made);
  // Kept warm another way it is another kind of make.
  if (made.ok && !made.instead && !durations.has(kind)) durations.set(kind, made.network.durations);
  return made.ok ? made : { ok: false, unmet: { ...made.unmet, orderId: order.id } };
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
