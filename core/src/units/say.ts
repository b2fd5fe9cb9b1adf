import { kitchenMeasure } from './kitchen.js';
import { CM_PER_IN, G_PER_LB, G_PER_OZ, PSI_PER_BAR, toFahrenheit, type Units } from './system.js';
import { fromMl } from './volume.js';

/**
 * Amounts in a household's units, each at the precision its gear has. Everything that is shown comes through here, once.
 */

/** A temperature, to so many decimals: "42.1 °C", "107.8 °F". */
export function sayTempIn(tempC: number, { temperature }: Units, decimals = 1): string {
  return temperature === 'C'
    ? `${tempC.toFixed(decimals)} °C`
    : `${unsigned(toFahrenheit(tempC).toFixed(decimals))} °F`;
}

/** A difference of temperatures: 1 °C is 1.8 °F, and nothing is added. */
export function sayDegreesIn(byC: number, { temperature }: Units, decimals = 1): string {
  return temperature === 'C' ? `${byC.toFixed(decimals)} °C` : `${(1.8 * byC).toFixed(decimals)} °F`;
}

/** A mass as a kitchen scale shows it: "1.99 kg", "620 g", "0.40 g"; "4 lb 6.2 oz", "9.5 oz". */
export function sayMassIn(massG: number, { mass }: Units): string {
  if (mass === 'oz') return sayOunces(massG);
  if (massG > 0 && massG < 9.95) return `${massG.toFixed(massG < 0.95 ? 2 : 1)} g`;
  return massG >= 999.5 ? `${(massG / 1000).toFixed(massG >= 9995 ? 1 : 2)} kg` : `${Math.round(massG)} g`;
}

/** Ounces are split off pounds below this many of them; above, tenths of a pound will do. */
const OUNCES_BELOW_LB = 20;

function sayOunces(massG: number): string {
  const oz = massG / G_PER_OZ;
  if (oz <= 0) return '0 oz';
  if (oz < 15.95) return `${oz.toFixed(oz < 0.0995 ? 3 : oz < 0.995 ? 2 : 1)} oz`;
  if (massG >= OUNCES_BELOW_LB * G_PER_LB) return `${(massG / G_PER_LB).toFixed(1)} lb`;
  const tenths = Math.round(oz * 10);
  const rest = tenths % 160;
  const lb = `${(tenths - rest) / 160} lb`;
  return rest === 0 ? lb : `${lb} ${trimmed((rest / 10).toFixed(1))} oz`;
}

/** What a vessel holds: "4 L", "4.2 qt", "7 pt". */
export function sayLitresIn(litres: number, { volume }: Units, decimals = 2): string {
  if (volume === 'metric') return `${trimmed(litres.toFixed(decimals))} L`;
  const unit = volume === 'us' ? 'US quart' : 'imperial pint';
  const amount = fromMl(1000 * litres, unit);
  return `${trimmed(amount.toFixed(Math.min(decimals, amount < 1 ? 2 : 1)))} ${volume === 'us' ? 'qt' : 'pt'}`;
}

/** Below this a measure has no spoon: it is said as a syringe has it, which is in mL everywhere. */
const SPOONS_FROM_ML = 1.2;
/** Below this a spoon is too rough to stand alone. */
const EXACT_BELOW_ML = 15;

/**
 * A small volume, by spoon and syringe: "60 mL (4 tbsp)", "¼ cup", "½ tsp (2.2 mL)", "0.6 mL".
 */
export function sayMlIn(ml: number, { volume }: Units): string {
  const exact = ml < 10 ? `${ml.toFixed(1)} mL` : `${Math.round(ml)} mL`;
  if (ml < SPOONS_FROM_ML) return exact;
  const measure = kitchenMeasure(ml, volume);
  if (volume === 'metric') return ml >= 1000 ? measure : `${exact} (${measure})`;
  return ml < EXACT_BELOW_ML ? `${measure} (${exact})` : measure;
}

/** A length: "2 cm", "0.8 in". */
export function sayCmIn(cm: number, { volume }: Units): string {
  return volume === 'metric' ? `${trimmed(cm.toFixed(1))} cm` : `${trimmed((cm / CM_PER_IN).toFixed(1))} in`;
}

/** A pressure over that of the air: "2.1 bar", "30 psi". */
export function sayBarIn(bar: number, { volume }: Units): string {
  return volume === 'metric' ? `${bar.toFixed(1)} bar` : `${Math.round(bar * PSI_PER_BAR)} psi`;
}

/** A price for a kilo as one for the weight things are bought by, and what that is called. */
export function priceIn(perKg: number, { mass }: Units): { readonly amount: number; readonly unit: 'kg' | 'lb' } {
  return mass === 'g' ? { amount: perKg, unit: 'kg' } : { amount: (perKg * G_PER_LB) / 1000, unit: 'lb' };
}

const trimmed = (digits: string) => (digits.includes('.') ? digits.replace(/\.?0+$/, '') : digits);
/** Zero has no sign. */
const unsigned = (digits: string) => (Number(digits) === 0 ? digits.replace('-', '') : digits);
