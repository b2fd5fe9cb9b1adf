import type { LotStock } from '../lots/lot.js';
import { choicesOf } from '../methods/method.js';
import type { DurationSurface } from './durations.js';
import type { GearResource } from './gear-resources.js';
import { madeOf, type Made, type Order } from './orders.js';
import type { PlanAsked } from './planning-problem.js';

/** Makes that were worked out before, by all that was asked of them; and how long the steps of such a make take, of any size. */
export interface WorkedOut {
  readonly makes: Map<string, Made>;
  readonly durations: Map<string, DurationSurface>;
}

export const nothingWorkedOut = (): WorkedOut => ({ makes: new Map(), durations: new Map() });

/** The make of an order of the milk that comes, as it was worked out before for a like one where there was any. */
export function workedOut(
  order: Order,
  asked: PlanAsked,
  gearResources: readonly GearResource[],
  { makes, durations }: WorkedOut,
): Made {
  const { kitchen, gear, stocks = [], milk, known } = asked;
  const kind = JSON.stringify([order.method, order.choices, kitchen, stocks, milk, known?.learned.known, known?.lines]);
  const key = JSON.stringify([kind, order.productG, gear]);
  const of = { ...asked, stocks: milk ? [...stocks, milk] : stocks };
  const made = makes.get(key) ?? unnamed(madeOf(ofMilk(order, milk), gearResources, of, durations.get(kind)), milk);
  makes.set(key, made);
  // Kept warm another way it is another kind of make.
  if (made.ok && !made.instead && !durations.has(kind)) durations.set(kind, made.network.durations);
  return made.ok ? made : { ok: false, unmet: { ...made.unmet, orderId: order.id } };
}

const MILK = 'milk';

/** An order that names no milk, made of the one that comes. */
function ofMilk(order: Order, milk: LotStock | undefined): Order {
  const asks = choicesOf(order.method).find(({ key }) => key === MILK);
  const takesLots = asks?.kind === 'option' && asks.lots?.includes('milk');
  if (!milk || !takesLots || order.choices?.[MILK] !== undefined) return order;
  return { ...order, choices: { ...order.choices, [MILK]: milk.id } };
}

/** A make that does not name the milk that comes: which can of it is taken is said as it is begun. */
function unnamed(made: Made, milk: LotStock | undefined): Made {
  if (!made.ok || made.network.choices[MILK] !== milk?.id) return made;
  const choices = Object.fromEntries(Object.entries(made.network.choices).filter(([key]) => key !== MILK));
  return { ...made, network: { ...made.network, choices } };
}
