/** What a household says its temperatures, weights and volumes in. The engine itself knows grams, mL and °C alone. */
export interface Units {
  readonly temperature: 'C' | 'F';
  readonly mass: 'g' | 'oz';
  /** Litres, spoons and cups of which set; lengths and pressures go with it. */
  readonly volume: 'metric' | 'us' | 'imperial';
}

export const METRIC: Units = { temperature: 'C', mass: 'g', volume: 'metric' };

/** Avoirdupois, exact by definition. */
export const G_PER_LB = 453.59237;
export const G_PER_OZ = G_PER_LB / 16;

export const CM_PER_IN = 2.54;

const PA_PER_BAR = 1e5;
/** The pound-force on a square inch, at standard gravity. */
const PA_PER_PSI = ((G_PER_LB / 1000) * 9.80665) / (CM_PER_IN / 100) ** 2;
export const PSI_PER_BAR = PA_PER_BAR / PA_PER_PSI;

/** A temperature on the other scale. */
export const toFahrenheit = (tempC: number): number => 32 + 1.8 * tempC;
export const toCelsius = (tempF: number): number => (tempF - 32) / 1.8;
