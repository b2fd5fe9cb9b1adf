import { SPECIFIC_HEAT } from '../constants/milk.js';
import { totalG, type Masses } from '../materials/composition.js';
import { meltingKJPerKgK } from './fat-melting.js';

/**
 * Apparent specific heat in kJ/(kg·K): by components, and what the fat takes to melt, or gives as it
 * sets, at this temperature.
 *
 * @param masses component masses, g
 * @param tempC temperature, °C, above 0
 */
export function specificHeatKJPerKgK(masses: Masses, tempC: number): number {
  const of = ({ a, b, c }: { readonly a: number; readonly b: number; readonly c: number }) =>
    a + b * tempC + c * tempC * tempC;
  const water = of(SPECIFIC_HEAT.water);
  const protein = of(SPECIFIC_HEAT.protein);
  const fat = of(SPECIFIC_HEAT.fat) + meltingKJPerKgK(tempC);
  const carbohydrate = of(SPECIFIC_HEAT.carbohydrate);
  const ash = of(SPECIFIC_HEAT.ash);
  const total = totalG(masses);
  if (total <= 0) return water;
  const proteinG = masses.casein + masses.wheyProtein;
  const ashG = masses.minerals + masses.salt;
  const carbohydrateG = total - masses.water - masses.fat - proteinG - ashG;
  return (
    (water * masses.water + fat * masses.fat + protein * proteinG + carbohydrate * carbohydrateG + ash * ashG) / total
  );
}
