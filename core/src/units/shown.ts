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

/** A unit that another stands for, and how many of the metric one it is. */
type Other = readonly [unit: string, metricEach: number];

const POUND: Other = ['lb', G_PER_LB];
const OUNCE: Other = ['oz', G_PER_OZ];

/** What stands for a metric unit, by the setting that decides it and what it is set to. */
const OTHERS: Readonly<Record<string, Readonly<Record<string, Other>>>> = {
  'per kg': { oz: ['per lb', 1000 / G_PER_LB] },
  'g a kg': { oz: ['%', 10] },
  'IMCU a kg': { oz: ['IMCU a lb', 1000 / G_PER_LB] },
  '°C': { F: ['°F', 1 / 1.8] },
  kg: { oz: ['lb', G_PER_LB / 1000] },
  L: { us: ['qt', ML_PER_UNIT['US quart'] / 1000], imperial: ['pt', ML_PER_UNIT['imperial pint'] / 1000] },
  cm: { us: ['in', CM_PER_IN], imperial: ['in', CM_PER_IN] },
};

/** From here on a field's step (g) is one of things weighed in pounds, not in ounces. */
const POUNDS_FROM_STEP_G = 40;

/**
 * How a number that the engine has in `unit` is shown.
 *
 * @param unit as a method or a field names it: "°C", "g", "kg", "L", "per kg", "g a kg", "cm deep" …; what is no
 *   quantity of this kind stands as it is; a difference ("°C cooler", "°C a minute") keeps its zero
 * @param stepBy the field's step in that unit: a small one of a mass asks for ounces, a large one for pounds
 */
export function shownIn(unit: string, units: Units, stepBy = 1): Shown {
  if (unit === '°C' && units.temperature === 'F') return FAHRENHEIT;
  const [, name = '', rest = ''] = KNOWN.exec(unit) ?? [];
  const other = name === 'g' ? ofGrams(units, stepBy) : otherOf(name, units);
  return other ? scaled(`${other[0]}${rest}`, other[1]) : { unit, toShown: same, fromShown: same, step: same };
}

const KNOWN = new RegExp(`^(${[...Object.keys(OTHERS), 'g'].join('|')})(?![\\w/])(.*)$`);

function otherOf(name: string, { temperature, mass, volume }: Units): Other | undefined {
  const others = OTHERS[name];
  return others?.[temperature] ?? others?.[mass] ?? others?.[volume];
}

const ofGrams = ({ mass }: Units, stepBy: number): Other | undefined => {
  if (mass === 'g') return undefined;
  return stepBy >= POUNDS_FROM_STEP_G ? POUND : OUNCE;
};

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

/** A price for a kilo as one for the weight things are bought by, and what that is called. */
export function priceIn(perKg: number, { mass }: Units): { readonly amount: number; readonly unit: 'kg' | 'lb' } {
  return mass === 'g' ? { amount: perKg, unit: 'kg' } : { amount: (perKg * G_PER_LB) / 1000, unit: 'lb' };
}
