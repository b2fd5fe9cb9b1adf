/** What a batch costs, in the maker's own money. */
export interface Cost {
  readonly materials: number;
  readonly energy: number;
  readonly total: number;
  readonly perKg: number;
  readonly perPot: number;
  /** Against the shop's price for the same mass; positive is saved. */
  readonly savedAgainstShop: number;
}

/** Price of a kilowatt-hour where the maker has not given one, in the maker's money. */
export const USUAL_PRICE_PER_KWH = 0.3;

/**
 * @param parts mass (g) and price per kg of everything bought
 * @param energyKJ heat put into the make
 * @param productG @param potG mass of all product and of one pot, g
 */
export function costOf(
  parts: readonly { readonly massG: number; readonly pricePerKg: number }[],
  energyKJ: number,
  productG: number,
  potG: number,
  shopPricePerKg: number,
  pricePerKwh = USUAL_PRICE_PER_KWH,
): Cost {
  const materials = parts.reduce((sum, part) => sum + (part.massG / 1000) * part.pricePerKg, 0);
  const energy = (energyKJ / 3600) * pricePerKwh;
  const total = materials + energy;
  const perKg = productG > 0 ? total / (productG / 1000) : 0;
  return {
    materials,
    energy,
    total,
    perKg,
    perPot: (perKg * potG) / 1000,
    savedAgainstShop: (productG / 1000) * shopPricePerKg - total,
  };
}
