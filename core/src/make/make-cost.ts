import type { Choices } from '../methods/method.js';
import { isGoods, type Byproduct } from '../balance/byproducts.js';

/** Prices that a maker chose: of a kilo in the shop, of an empty pot, of an hour of hands. */
export function pricesOf(choices: Choices) {
  return {
    shopPricePerKg: Number(choices['shopPrice']),
    potPrice: Number(choices['potPrice'] ?? 0),
    handsPerHour: Number(choices['handsPerHour'] ?? 0),
  };
}

/** What comes besides the product, at the price that was given for it. */
export function besidesWorth(byproducts: readonly Byproduct[], choices: Choices): number {
  return (
    (byproducts.filter(isGoods).reduce((sum, { massG }) => sum + massG, 0) / 1000) *
    Number(choices['besidesPrice'] ?? 0)
  );
}
