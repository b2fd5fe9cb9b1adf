import { CRUST, GRAVITY_CREAM } from '../constants/creaming.js';

/** Two parts of a cream or a milk that has stood, g. */
export interface Layers {
  readonly topG: number;
  readonly topFatG: number;
}

/** Cream risen on still milk after hours: all of one fat content, more of it with time. */
export function risenCream(massG: number, fatG: number, hours: number): Layers {
  const topFatG = fatG * GRAVITY_CREAM.risenMost * -Math.expm1(-hours / GRAVITY_CREAM.tauH);
  return layers(massG, topFatG, GRAVITY_CREAM.fatFraction);
}

/** Crust on scalded cream after hours of scalding, lifted off or left when the thin cream is drained from under it. */
export function scaldedCrust(massG: number, fatG: number, hours: number, how: 'lift' | 'drain'): Layers {
  const topFatG = fatG * CRUST.recoveredMost[how] * -Math.expm1(-hours / CRUST.tauH);
  return layers(massG, topFatG, CRUST.fatFraction);
}

/** A layer never takes more than nine tenths of all there is. */
function layers(massG: number, topFatG: number, fatFraction: number): Layers {
  return { topG: Math.min(0.9 * massG, topFatG / fatFraction), topFatG };
}
