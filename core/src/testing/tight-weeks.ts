import { methodById } from '../methods/index.js';
import { seededRandom } from '../random/random.js';
import type { PlanGear } from '../schedule/gear-resources.js';
import type { Order } from '../schedule/orders.js';
import type { PlanAsked } from '../schedule/planning-problem.js';
import { daily, EIGHT_PIECES, maker, piece } from './weeks.js';

const DAY_MIN = 1440;

/** How much room a set of orders has: gear for it, and so many orders a day, as a range. */
interface Tightness {
  readonly gear: readonly PlanGear[];
  readonly ordersADay: readonly [least: number, most: number];
}

/** A big and a small pot, one box, one strainer, one hob: what a kitchen has. */
const ONE_OF_EACH: readonly PlanGear[] = [
  piece('pot', 8),
  piece('pot', 3),
  piece('thermostat', 10),
  piece('strainer', 8),
  piece('cold-shelf', 120),
  piece('hob', null),
];

export const TIGHTNESS = {
  roomy: { gear: EIGHT_PIECES, ordersADay: [0.8, 1.6] },
  tight: { gear: ONE_OF_EACH, ordersADay: [0.7, 1.1] },
  veryTight: { gear: ONE_OF_EACH, ordersADay: [1.1, 1.6] },
} as const satisfies Readonly<Record<string, Tightness>>;

/** A week (or some) of the set on which planning is measured. */
export interface TightWeek {
  readonly name: string;
  readonly tightness: keyof typeof TIGHTNESS;
  readonly asked: PlanAsked;
}

const MAKES = ['scalded-yogurt', 'strained-yogurt', 'cultured-cream', 'quark', 'acid-heat-curd', 'grain-kefir'];
const ORDERS = [5, 6, 7, 8, 9, 10, 11, 12, 12, 14, 16, 18, 20, 20, 24, 28, 30, 34, 38, 40];

/** Sixty weeks, from five orders to forty, roomy, tight and very tight: the same on every machine. */
export function tightWeeks(): readonly TightWeek[] {
  const kinds = Object.keys(TIGHTNESS) as (keyof typeof TIGHTNESS)[];
  return ORDERS.flatMap((orders, i) =>
    kinds.map((tightness, k) => ({
      name: `${orders} orders, ${tightness}, ${i}`,
      tightness,
      asked: week(orders, TIGHTNESS[tightness], 1000 * (k + 1) + i),
    })),
  );
}

function week(orders: number, { gear, ordersADay: [least, most] }: Tightness, seed: number): PlanAsked {
  const random = seededRandom(seed);
  const whole = (n: number) => Math.floor(random() * n);
  const days = Math.max(4, Math.ceil(orders / (least + (most - least) * random())) + 1);
  const works = daily(7, 19, days);
  return {
    orders: Array.from({ length: orders }, (_, i): Order => ({
      id: `order ${i}`,
      method: methodById(MAKES[whole(MAKES.length)]!),
      productG: 500 + 250 * whole(10),
      dueMin: (2 + whole(days - 2)) * DAY_MIN + 60 * [8, 12, 16][whole(3)]!,
    })),
    people: [maker(days, { works }), { name: 'B', asleep: daily(23, 7, days), away: daily(8, 15, days), works }],
    gear,
    horizonMin: days * DAY_MIN,
    seed,
  };
}
