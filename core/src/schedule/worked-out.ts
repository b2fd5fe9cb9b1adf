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
  const { kitchen, gear, stocks, milk, liftG, known } = asked;
  const kind = JSON.stringify([order.method, order.choices, kitchen, stocks, milk, known?.learned.known, known?.lines]);
  const key = JSON.stringify([kind, order.productG, gear, liftG]);
  const made = makes.get(key) ?? madeOfMilk(order, asked, gearResources, durations.get(kind));
  makes.set(key, made);
  // Kept warm another way it is another kind of make.
  if (made.ok && !made.instead && !durations.has(kind)) durations.set(kind, made.network.durations);
  return made.ok ? made : { ok: false, unmet: { ...made.unmet, orderId: order.id } };
}

const MILK = 'milk';

/** A make of the milk that comes; of any milk where that will not do for it. */
function madeOfMilk(
  order: Order,
  asked: PlanAsked,
  gearResources: readonly GearResource[],
  like: DurationSurface | undefined,
): Made {
  const { milk, stocks = [] } = asked;
  const of = milk && ofMilk(order, milk);
  const made = of && of !== order && madeOf(of, gearResources, { ...asked, stocks: [...stocks, milk] }, like);
  return made && made.ok ? unnamed(made, milk) : madeOf(order, gearResources, asked, like);
}

/** An order that names no milk, made of the one that comes. */
function ofMilk(order: Order, milk: LotStock): Order {
  const asks = choicesOf(order.method).find(({ key }) => key === MILK);
  const takesLots = asks?.kind === 'option' && asks.lots?.includes('milk');
  if (!takesLots || order.choices?.[MILK] !== undefined) return order;
  return { ...order, choices: { ...order.choices, [MILK]: milk.id } };
}

/** A make that does not name the milk that comes: which can of it is taken is said as it is begun. */
function unnamed(made: Extract<Made, { readonly ok: true }>, milk: LotStock): Made {
  const { choices, amounts } = made.network;
  const network = {
    ...made.network,
    choices: Object.fromEntries(Object.entries(choices).filter(([key]) => key !== MILK)),
    amounts: amounts.map((amount) => (amount.stockId === milk.id ? { ...amount, lotId: null } : amount)),
  };
  return { ...made, network };
}
