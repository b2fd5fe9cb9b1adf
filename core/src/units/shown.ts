import { CM_PER_IN, G_PER_LB, G_PER_OZ, toCelsius, toFahrenheit, type Units } from './system.js';
import { ML_PER_UNIT } from './volume.js';

/** How a number with a metric unit is typed and read in a household's units, and the way back. */
export interface Shown {
  readonly unit: string;
  readonly toShown: (metric: number) => number;
  readonly fromShown: (shown: number) => number;
  /** A step of the metric number as one of the number shown, a round one. */
  readonly step: (metric: number) => number;
}

/** From here on a field's step (g) is one of things weighed in pounds, not in ounces. */
const POUNDS_FROM_STEP_G = 40;

/**
 * How a number that the engine has in `unit` is shown.
 *
 * @param unit as a method or a field names it: "°C", "g", "kg", "L", "per kg", "g a kg", "cm deep" …; what is no
 *   quantity of this kind, or a difference ("°C apart", "°C a minute"), keeps its zero
 * @param stepBy the field's step in that unit: a small one of a mass asks for ounces, a large one for pounds
 */
export function shownIn(unit: string, units: Units, stepBy = 1): Shown {
  const [, name = '', rest = ''] = /^(°C|kg|g|L|mL|cm|bar)(?![a-zA-Z])(.*)$/.exec(unit) ?? [];
  if (unit === 'per kg' && units.mass === 'oz') return scaled('per lb', 1000 / G_PER_LB);
  if (unit === 'g a kg' && units.mass === 'oz') return scaled('%', 10);
  if (unit === 'IMCU a kg' && units.mass === 'oz') return scaled('IMCU a lb', 1000 / G_PER_LB);
  if (name === '°C' && units.temperature === 'F') return rest.trim() === '' ? FAHRENHEIT : scaled(`°F${rest}`, 1 / 1.8);
  if (name === 'g' && units.mass === 'oz')
    return stepBy >= POUNDS_FROM_STEP_G ? scaled(`lb${rest}`, G_PER_LB) : scaled(`oz${rest}`, G_PER_OZ);
  if (name === 'kg' && units.mass === 'oz') return scaled(`lb${rest}`, G_PER_LB / 1000);
  if (name === 'L' && units.volume === 'us') return scaled(`qt${rest}`, ML_PER_UNIT['US quart'] / 1000);
  if (name === 'L' && units.volume === 'imperial') return scaled(`pt${rest}`, ML_PER_UNIT['imperial pint'] / 1000);
  if (name === 'cm' && units.volume !== 'metric') return scaled(`in${rest}`, CM_PER_IN);
  return { unit, toShown: same, fromShown: same, step: same };
}

const same = (n: number) => n;

const FAHRENHEIT: Shown = {
  unit: '°F',
  toShown: toFahrenheit,
  fromShown: toCelsius,
  step: (byC) => Math.max(1, Math.round(byC)),
};

/** A unit of so many of the metric one. */
function scaled(unit: string, metricEach: number): Shown {
  return {
    unit,
    toShown: (metric) => metric / metricEach,
    fromShown: (shown) => shown * metricEach,
    step: (metric) => roundStep(metric / metricEach),
  };
}

/** The nearest of 1, 2, 5 and their tens: a step nobody has to count. */
function roundStep(step: number): number {
  const ten = 10 ** Math.floor(Math.log10(step));
  const [nearest] = [1, 2, 5, 10].map((n) => n * ten).sort((a, b) => Math.abs(a - step) - Math.abs(b - step));
  return Number(nearest!.toPrecision(3));
}
