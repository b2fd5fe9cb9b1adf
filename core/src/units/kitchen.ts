import type { Units } from './system.js';
import { fromMl, type VolumeUnit } from './volume.js';

/** The fractions a measuring spoon or cup set really has. */
const FRACTIONS: readonly (readonly [number, string])[] = [
  [0, ''],
  [0.25, '¼'],
  [1 / 3, '⅓'],
  [0.5, '½'],
  [2 / 3, '⅔'],
  [0.75, '¾'],
  [1, ''],
];

/** A measure, the word for one and for more of it, and below how many mL it is the one to take. */
type Rung = readonly [VolumeUnit, string, string, number];

const LADDER: Readonly<Record<Units['volume'], readonly Rung[]>> = {
  metric: [
    ['metric tsp', 'tsp', 'tsp', 15],
    ['metric tbsp', 'tbsp', 'tbsp', 60],
    ['metric cup', 'cup', 'cups', 1000],
    ['L', 'L', 'L', Infinity],
  ],
  us: [
    ['US tsp', 'tsp', 'tsp', 14.8],
    ['US tbsp', 'tbsp', 'tbsp', 59],
    ['US cup', 'cup', 'cups', 946],
    ['US quart', 'qt', 'qt', Infinity],
  ],
  imperial: [
    ['imperial tsp', 'tsp', 'tsp', 17.7],
    ['imperial tbsp', 'tbsp', 'tbsp', 71],
    ['imperial half pint', 'cup', 'cups', 568],
    ['imperial pint', 'pt', 'pt', Infinity],
  ],
};

export type KitchenSystem = Units['volume'];

/**
 * A volume in the words of a measuring set: the largest fitting measure, to the nearest fraction the set has.
 *
 * @param volumeMl volume in mL, ≥ 0
 * @returns for instance "2⅓ tbsp"; litres are given to two decimals ("3.25 L"), below an eighth of a teaspoon "a pinch"
 */
export function kitchenMeasure(volumeMl: number, system: KitchenSystem = 'metric'): string {
  const ladder = LADDER[system];
  const [unit, one, more] = ladder.find(([, , , belowMl]) => volumeMl < belowMl) ?? ladder[ladder.length - 1]!;
  const amount = fromMl(volumeMl, unit);
  if (unit === 'L') return `${amount.toFixed(2)} L`;
  if (amount < 0.125) return 'a pinch';
  const parts = nearestFraction(amount);
  return `${parts} ${/^1.|^[2-9]/.test(parts) ? more : one}`;
}

function nearestFraction(amount: number): string {
  const whole = Math.floor(amount);
  const rest = amount - whole;
  const [value, mark] = FRACTIONS.reduce((best, f) => (Math.abs(f[0] - rest) < Math.abs(best[0] - rest) ? f : best));
  const count = value === 1 ? whole + 1 : whole;
  if (count === 0) return mark || '¼';
  return `${count}${mark}`;
}
