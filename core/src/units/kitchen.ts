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

const LADDER: Record<'metric' | 'us', readonly (readonly [VolumeUnit, string, number])[]> = {
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
};

export type KitchenSystem = keyof typeof LADDER;

/**
 * A volume in the words of a measuring set: the largest fitting measure, to the nearest fraction the set has.
 *
 * @param volumeMl volume in mL, ≥ 0
 * @returns for instance "2⅓ tbsp"; litres are given to two decimals ("3.25 L"), below an eighth of a teaspoon "a pinch"
 */
export function kitchenMeasure(volumeMl: number, system: KitchenSystem = 'metric'): string {
  const ladder = LADDER[system];
  const [unit, name] = ladder.find(([, , belowMl]) => volumeMl < belowMl) ?? ladder[ladder.length - 1]!;
  const amount = fromMl(volumeMl, unit);
  if (unit === 'L') return `${amount.toFixed(2)} L`;
  if (amount < 0.125) return 'a pinch';
  return `${nearestFraction(amount)} ${name}`;
}

function nearestFraction(amount: number): string {
  const whole = Math.floor(amount);
  const rest = amount - whole;
  const [value, mark] = FRACTIONS.reduce((best, f) => (Math.abs(f[0] - rest) < Math.abs(best[0] - rest) ? f : best));
  const count = value === 1 ? whole + 1 : whole;
  if (count === 0) return mark || '¼';
  return `${count}${mark}`;
}
