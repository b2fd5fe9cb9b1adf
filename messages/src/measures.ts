import { fromMl, type Units, type VolumeUnit } from '@oat-crock/core';
import { trimmed } from './numbers.js';
import type { Reader } from './reader.js';
import { textOf } from './text.js';

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

/** A measure of a set, what it is called, and below how many mL it is the one to take. */
type Rung = readonly [unit: VolumeUnit, word: 'tsp' | 'tbsp' | 'cup' | 'L' | 'qt' | 'pt', belowMl: number];

const LADDER: Readonly<Record<Units['volume'], readonly Rung[]>> = {
  metric: [
    ['metric tsp', 'tsp', 15],
    ['metric tbsp', 'tbsp', 60],
    ['metric cup', 'cup', 1000],
    ['L', 'L', Infinity],
  ],
  us: [
    ['US tsp', 'tsp', 14.8],
    ['US tbsp', 'tbsp', 59],
    ['US cup', 'cup', 946],
    ['US quart', 'qt', Infinity],
  ],
  imperial: [
    ['imperial tsp', 'tsp', 17.7],
    ['imperial tbsp', 'tbsp', 71],
    ['imperial half pint', 'cup', 568],
    ['imperial pint', 'pt', Infinity],
  ],
};

const LEAST_TSP = 0.125;

/**
 * A volume in the words of a measuring set: the largest fitting measure, to the nearest fraction the set has.
 *
 * @param volumeMl volume in mL, ≥ 0
 * @returns for instance "2⅓ tbsp"; litres are given to two decimals ("3.25 L"), below an eighth of a teaspoon "a pinch"
 */
export function measureOf(volumeMl: number, reader: Reader): string {
  const ladder = LADDER[reader.units.volume];
  const [unit, word] = ladder.find(([, , belowMl]) => volumeMl < belowMl) ?? ladder.at(-1)!;
  const amount = fromMl(volumeMl, unit);
  if (word === 'L') return `${trimmed(reader.language, amount, 2)} L`;
  if (amount < LEAST_TSP) return textOf(reader, 'quantity.pinch');
  const { count, mark } = nearestFraction(amount);
  const isMany = count > 1 || (count === 1 && mark !== '');
  const called = word === 'qt' || word === 'pt' ? word : textOf(reader, `quantity.${word}`, { count: isMany ? 2 : 1 });
  return `${count || ''}${mark} ${called}`;
}

function nearestFraction(amount: number): { readonly count: number; readonly mark: string } {
  const whole = Math.floor(amount);
  const rest = amount - whole;
  const [value, mark] = FRACTIONS.reduce((best, f) => (Math.abs(f[0] - rest) < Math.abs(best[0] - rest) ? f : best));
  const count = value === 1 ? whole + 1 : whole;
  return count === 0 && mark === '' ? { count, mark: '¼' } : { count, mark };
}
