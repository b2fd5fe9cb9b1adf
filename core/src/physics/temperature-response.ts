import { LETHAL_D_MIN, LETHAL_RISE_C, LETHAL_Z_C, type Cardinal } from '../constants/cultures.js';

/**
 * Cardinal temperature model with inflection: relative rate 0–1 at a temperature.
 * Rosso, Lobry & Flandrois (1993), J. Theor. Biol. 162, 447–463.
 *
 * @param tempC °C
 * @returns 1 at the optimum, 0 at and outside the limits
 */
export function cardinalRate(cardinal: Cardinal, tempC: number): number {
  const { minC, optC, maxC } = cardinal;
  if (tempC <= minC || tempC >= maxC) return 0;
  const numerator = (tempC - maxC) * (tempC - minC) ** 2;
  const a = (optC - minC) * (tempC - optC);
  const b = (optC - maxC) * (optC + minC - 2 * tempC);
  return numerator / ((optC - minC) * (a - b));
}

/** Specific death rate in 1/min above the lethal temperature (decimal reductions, tenfold for each z). */
export function deathRatePerMin(growth: Cardinal, tempC: number): number {
  const lethalC = growth.maxC + LETHAL_RISE_C;
  if (tempC < lethalC) return 0;
  return (Math.LN10 / LETHAL_D_MIN) * 10 ** ((tempC - lethalC) / LETHAL_Z_C);
}

/** A rate tabulated over temperature, for loops that ask millions of times. */
export interface TemperatureTable {
  readonly values: Float64Array;
}

const TABLE_MAX_C = 110;
const TABLE_PER_C = 20;

/** Tabulates a rate over 0–110 °C at 0.05 °C. */
export function tabulateOverTemperature(rate: (tempC: number) => number): TemperatureTable {
  return { values: Float64Array.from({ length: TABLE_MAX_C * TABLE_PER_C + 1 }, (_, i) => rate(i / TABLE_PER_C)) };
}

/** Rate from the table, linear between points and held at its ends. */
export function rateAt(table: TemperatureTable, tempC: number): number {
  const { values } = table;
  const at = tempC * TABLE_PER_C;
  if (at <= 0) return values[0]!;
  const i = at | 0;
  if (i >= values.length - 1) return values[values.length - 1]!;
  const below = values[i]!;
  return below + (values[i + 1]! - below) * (at - i);
}
