import { totalG, type Masses } from '../materials/composition.js';
import { meltingKJPerKgK } from './fat-melting.js';

/**
 * Apparent specific heat in kJ/(kg·K): by components, Choi & Okos (1986), and what the fat takes to melt, or gives as it
 * sets, at this temperature.
 *
 * @param masses component masses, g
 * @param tempC temperature, °C, above 0
 */
export function specificHeatKJPerKgK(masses: Masses, tempC: number): number {
  const t = tempC;
  const water = 4.1762 - 9.0864e-5 * t + 5.4731e-6 * t * t;
  const protein = 2.0082 + 1.2089e-3 * t - 1.3129e-6 * t * t;
  const fat = 1.9842 + 1.4733e-3 * t - 4.8008e-6 * t * t + meltingKJPerKgK(t);
  const carbohydrate = 1.5488 + 1.9625e-3 * t - 5.9399e-6 * t * t;
  const ash = 1.0926 + 1.8896e-3 * t - 3.6817e-6 * t * t;
  const total = totalG(masses);
  if (total <= 0) return water;
  const proteinG = masses.casein + masses.wheyProtein;
  const ashG = masses.minerals + masses.salt;
  const carbohydrateG = total - masses.water - masses.fat - proteinG - ashG;
  return (
    (water * masses.water + fat * masses.fat + protein * proteinG + carbohydrate * carbohydrateG + ash * ashG) / total
  );
}
