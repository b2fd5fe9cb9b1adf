import type { GearKind } from '../lots/gear.js';
import { methodById } from '../methods/index.js';
import type { PlanGear } from '../schedule/gear-resources.js';
import type { Person, Stretch } from '../schedule/hours.js';
import type { Order } from '../schedule/orders.js';
import type { PlanAsked } from '../schedule/planning-problem.js';
import { seededRandom } from '../random/random.js';

const DAY_MIN = 1440;

/** The hours from one of the day to another, on each of so many days; over midnight where the second is the earlier. */
export function daily(fromH: number, toH: number, days: number): Stretch[] {
  const over = toH <= fromH ? 24 : 0;
  return Array.from({ length: days + 1 }, (_, day) => ({
    fromMin: (day - 1) * DAY_MIN + 60 * fromH,
    toMin: (day - 1) * DAY_MIN + 60 * (toH + over),
  }));
}

/** Somebody of tests who sleeps from ten to six, and works from six to eight in the evening. */
export function maker(days: number, more: Partial<Person> = {}): Person {
  return { name: 'A', asleep: daily(22, 6, days), away: [], works: daily(6, 20, days), ...more };
}

/** So many pieces of gear alike. */
export const piece = (kind: GearKind, holdsL: number | null, count = 1): PlanGear => ({
  kind,
  holdsL,
  count,
  name: kind,
});

/** Eight pieces of gear of a small dairy. */
export const EIGHT_PIECES: readonly PlanGear[] = [
  piece('pot', 14),
  piece('pot', 8, 2),
  piece('pot', 3, 2),
  piece('thermostat', 16),
  piece('thermostat', 10),
  piece('strainer', 8, 2),
  piece('cold-shelf', 120),
  piece('hob', null, 2),
];

const SOLD = ['scalded-yogurt', 'strained-yogurt', 'cultured-cream', 'quark', 'acid-heat-curd', 'grain-kefir'];

/** Some weeks of orders: so many, of some kilograms each, wanted at eight or sixteen o'clock of some day. */
export function someWeeks(orders: number, days: number, seed: number): PlanAsked {
  const random = seededRandom(seed);
  const whole = (n: number) => Math.floor(random() * n);
  return {
    orders: Array.from({ length: orders }, (_, i): Order => ({
      id: `order ${i}`,
      method: methodById(SOLD[whole(SOLD.length)]!),
      productG: 1000 + 500 * whole(7),
      dueMin: (2 + whole(days - 2)) * DAY_MIN + 60 * (random() < 0.5 ? 8 : 16),
    })),
    people: [maker(days)],
    gear: EIGHT_PIECES,
    horizonMin: days * DAY_MIN,
    seed,
  };
}
