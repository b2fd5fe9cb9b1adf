import { sayPots, type MakeSheet, type SouringForecast } from '@oat-crock/core';
import { textOf } from '../ui/units';
import { mass, pricePer, tasteOf, windowWords } from '../ui/words';

const MIN_MS = 60_000;
/** Less than this in 100 g is not worth a word. */
const TRACE_OF_ALCOHOL_G = 0.05;

/** One line of what comes of a make. */
export interface Fact {
  readonly what: string;
  readonly value: string;
  readonly more: string;
}

/** What is left when its pots are full, where that is worth a word. */
const over = (massG: number, pots: number, potG: number) =>
  massG - pots * potG > 0.1 * potG ? `, ${mass(massG - pots * potG)} over` : '';

const sayDays = (days: number) => (days === 1 ? '1 day' : `${days} days`);

/** All that can be said of what never comes to its end. */
const UNFINISHED: Fact = {
  what: 'Product',
  value: 'none',
  more: 'as chosen it never comes to its end; what stands in the way is said above',
};

/** What comes of a make: product, by-products, sourness, food value, life, cost. */
export function factsOf(sheet: MakeSheet, currency: string): readonly Fact[] {
  const { product, nutrition, cost, byproducts, keeps, choices } = sheet;
  if (!keeps) return [UNFINISHED];
  const money = (amount: number) => `${currency} ${amount.toFixed(2)}`;
  const potG = Number(choices['potG']);
  const inPot = (in100: number) => (in100 * potG) / 100;
  return [
    {
      what: 'Product',
      value: mass(product.massG),
      more: `fills ${sayPots(product.pots)}${over(product.massG, product.pots, potG)}; it ${textOf(product.firmnessWord)}`,
    },
    ...byproducts.map((left) => ({ what: left.name, value: mass(left.massG), more: textOf(left.use) })),
    {
      what: 'Sourness',
      value: `pH ${product.ph.toFixed(2)}`,
      more: `${tasteOf(product.ph)}, once it is cold through`,
    },
    {
      what: 'Sugars left',
      value: `${nutrition.sugarsG.toFixed(1)} g`,
      more: `per 100 g: ${nutrition.lactoseG.toFixed(1)} lactose, ${nutrition.galactoseG.toFixed(1)} galactose`,
    },
    {
      what: 'In 100 g',
      value: `${nutrition.energyKcal.toFixed(0)} kcal`,
      more: `${nutrition.fatG.toFixed(1)} g fat, ${nutrition.proteinG.toFixed(1)} g protein, ${nutrition.saltG.toFixed(1)} g salt${nutrition.alcoholG >= TRACE_OF_ALCOHOL_G ? `, ${nutrition.alcoholG.toFixed(1)} g alcohol` : ''}`,
    },
    {
      what: 'In a pot',
      value: `${inPot(nutrition.energyKcal).toFixed(0)} kcal`,
      more: `${inPot(nutrition.fatG).toFixed(0)} g fat, ${inPot(nutrition.proteinG).toFixed(0)} g protein, ${inPot(nutrition.sugarsG).toFixed(0)} g sugars`,
    },
    { what: 'Keeps', value: sayDays(keeps.days), more: `${textOf('at 4 °C, unopened.')} ${textOf(keeps.why)}` },
    {
      what: 'Cost',
      value: `${money(cost.perPot)} a pot`,
      more: `${pricePer(cost.perKg, currency)}; ${money(Math.abs(cost.savedAgainstShop))} ${cost.savedAgainstShop >= 0 ? 'less' : 'more'} than the shop for all of it`,
    },
  ];
}

/** The ready windows in words: sour enough, thick enough. */
export function windowsOf(
  { souring, straining }: MakeSheet,
  startMs: number,
): readonly { what: string; words: string }[] {
  const at = (beginMin: number, f: Pick<SouringForecast, 'p10Min' | 'p50Min' | 'p90Min'> & { deadChance?: number }) => {
    const ms = (min: number | null) => (min === null ? null : startMs + (beginMin + min) * MIN_MS);
    const { deadChance = 0 } = f;
    return windowWords({ p10Ms: ms(f.p10Min), p50Ms: ms(f.p50Min), p90Ms: ms(f.p90Min), deadChance }, startMs);
  };
  return [
    ...(souring ? [{ what: 'Sour enough', words: at(souring.beginMin, souring.forecast) }] : []),
    ...(straining ? [{ what: 'Thick enough', words: at(straining.beginMin, straining.forecast) }] : []),
  ];
}
