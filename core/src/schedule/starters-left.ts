import type { Hours } from './hours.js';
import type { Made, Order } from './orders.js';
import { starterBook, takerOf } from './starter-book.js';
import type { StarterHere } from './starters.js';

/**
 * What there is of cultures for each order, as those that are handed on before it leave it; each is taken to be made just in time, as
 * it is not known yet when it is.
 */
export function startersLeft(
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
