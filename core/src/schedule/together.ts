import { listOf, say, type Text } from '../messages/message.js';
import { decided } from '../methods/method.js';
import { lastDueOf, sharesOf, type Made, type Order, type Share } from './orders.js';
import { LIFE_SPENT, type ObjectiveWeights } from './mode.js';

/** Which orders are made as one. */
export interface Together {
  /** Orders that stand so already, by their ids: nothing joins them. An order that is alone in its group stays alone. */
  readonly groups: readonly (readonly string[])[];
  /** Whether the others may be made as one. */
  readonly others: 'never' | 'where it is better' | 'as far as they keep';
}

const dueOf = ({ dueMin }: Share) => dueMin ?? Infinity;

/** Several orders of the same as one, under the id of the one that is handed on first. */
export function asOne(orders: readonly Order[]): Order {
  const shares = orders.flatMap(sharesOf).sort((a, b) => dueOf(a) - dueOf(b));
  const [first] = shares;
  const of = orders.find(({ id }) => id === first!.orderId) ?? orders[0]!;
  if (orders.length < 2) return of;
  const fromMin = Math.max(...orders.map((o) => o.fromMin ?? 0));
  const readyByMin = Math.min(...orders.map((o) => o.readyByMin ?? Infinity));
  return {
    ...of,
    id: first!.orderId,
    name: nameOf(shares),
    productG: shares.reduce((sum, s) => sum + s.productG, 0),
    dueMin: first!.dueMin,
    ...(fromMin > 0 && { fromMin }),
    ...(readyByMin < Infinity && { readyByMin }),
    shares,
  };
}

const nameOf = (shares: readonly Share[]): Text =>
  say('schedule.together.name', { names: listOf(shares.map(({ name }) => name ?? '')) });

/** True where two orders are of the same product, made the same way. */
export function areAlike(a: Order, b: Order): boolean {
  const kind = ({ method, choices }: Order) => JSON.stringify(Object.entries(decided(method, choices ?? {})).sort());
  return a.method.id === b.method.id && (a.choices === b.choices || kind(a) === kind(b));
}

/** A minute of hands that is saved is worth so much, in what a plan costs. */
const HANDS_MIN_WORTH = 0.3;
/** A make is ready so long before it is wanted at least, for it to be laid out at all among others, minutes. */
const LEEWAY_MIN = 12 * 60;

/**
 * Orders as the makes that they come to: those that stand as one, those that are better made as one, and the rest each of its own. To
 * be made as one they are of the same, go into the vessels at once, and the last of it is still fresh enough when it is handed on; and
 * the hands that are saved are worth more than what all of it grows older by.
 *
 * @param madeOf what a make of an order is
 */
export function madeTogether(
  orders: readonly Order[],
  { groups, others }: Together,
  weights: Pick<ObjectiveWeights, 'ageH'>,
  madeOf: (order: Order) => Made,
): readonly Order[] {
  const byId = new Map(orders.map((order) => [order.id, order]));
  const whole = groups.flatMap((ids) => {
    const group = ids.flatMap((id) => byId.get(id) ?? []);
    const standing = standingGroup(group);
    for (const { orderId } of standing.flatMap(sharesOf)) byId.delete(orderId);
    return standing;
  });
  const rest = orders.filter(({ id }) => byId.has(id));
  const joined = others === 'never' ? rest : joinedOf(rest, others === 'as far as they keep', weights, madeOf);
  // In the order in which they were asked.
  const place = new Map(orders.map(({ id }, i) => [id, i]));
  return [...whole, ...joined].sort((a, b) => place.get(a.id)! - place.get(b.id)!);
}

/** A group of orders as it stands; what is not of the same any more, or is to be made on its own, leaves it. */
function standingGroup(orders: readonly Order[]): readonly Order[] {
  const [first, ...others] = orders;
  if (!first) return [];
  if (first.alone) return [first];
  return [asOne([first, ...others.filter((o) => !o.alone && areAlike(first, o))])];
}

/** Orders that have joined one another, the one that is handed on first before those after it. */
function joinedOf(
  orders: readonly Order[],
  always: boolean,
  { ageH }: Pick<ObjectiveWeights, 'ageH'>,
  madeOf: (order: Order) => Made,
): readonly Order[] {
  const handsOf = (order: Order) => {
    const made = madeOf(order);
    return made.ok && made.parts === 1 ? made.network.steps.reduce((sum, s) => sum + s.handsMin, 0) : null;
  };
  /** What it costs that what is for an order is older when it is handed on, as it is made with another. */
  const olderBy = ({ dueMin }: Order, order: Order) =>
    dueMin === null || order.dueMin === null ? 0 : (ageH * Math.max(0, order.dueMin - dueMin)) / 60;
  const makes: Order[] = [];
  for (const order of [...orders].sort((a, b) => (a.dueMin ?? Infinity) - (b.dueMin ?? Infinity))) {
    const at = order.alone
      ? -1
      : makes.findLastIndex((to) => {
          if (to.alone || !areAlike(to, order)) return false;
          const own = handsOf(order);
          if (own === null || (!always && olderBy(to, order) >= HANDS_MIN_WORTH * own)) return false;
          const together = asOne([to, order]);
          const [before, after] = [handsOf(to), handsOf(together)];
          if (before === null || after === null || !keeps(together, madeOf(together))) return false;
          return always || HANDS_MIN_WORTH * (before + own - after) > olderBy(to, order);
        });
    if (at < 0) makes.push(order);
    else makes[at] = asOne([makes[at]!, order]);
  }
  return makes;
}

/** True where what is handed on last of a make is fresh enough by then. */
function keeps(order: Order, made: Made): boolean {
  if (!made.ok) return false;
  const lastMin = lastDueOf(sharesOf(order));
  return order.dueMin === null || lastMin! - order.dueMin + LEEWAY_MIN <= LIFE_SPENT * 1440 * made.network.keepsDays;
}

/** What somebody has put somewhere: for which orders it is made. */
interface Placed {
  readonly orderId: string;
  readonly with?: readonly string[];
}

/** Orders that are made as one, as places have them. */
export const groupsOf = (places: readonly Placed[]): readonly (readonly string[])[] => [
  ...new Map(places.map(({ orderId, with: others = [] }) => [orderId, [orderId, ...others]])).values(),
];

/** Places under the ids that their makes have now: where the order that was the first of several is wanted no more, that of the next. */
export function placesNow<T extends Placed>(orders: readonly Order[], places: readonly T[]): readonly T[] {
  const makeOf = new Map(orders.flatMap((order) => sharesOf(order).map((s) => [s.orderId, order.id] as const)));
  return places.map((place) => {
    const now = [place.orderId, ...(place.with ?? [])].find((id) => makeOf.has(id));
    return now === undefined ? place : { ...place, orderId: makeOf.get(now)! };
  });
}
