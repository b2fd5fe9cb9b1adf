/** What a batch costs, in the maker's own money. */
export interface Cost {
  readonly materials: number;
  readonly energy: number;
  readonly packaging: number;
  /** Hours of hands at the rate that was given; 0 where none was. */
  readonly hands: number;
  /** All that was paid for the make, whatever comes of it. */
  readonly outlay: number;
  /** What by-products are worth, where they are priced. */
  readonly besidesWorth: number;
  /** What the product comes to: the outlay less what its by-products are worth. */
  readonly total: number;
  readonly perKg: number;
  readonly perPot: number;
  /** Against the shop's price for the same mass; positive is saved. */
  readonly savedAgainstShop: number;
}

/** Price of a kilowatt-hour where the maker has not given one, in the maker's money. */
export const USUAL_PRICE_PER_KWH = 0.3;

/** Everything a cost is reckoned from. By-products count for nothing unless they are priced. */
export interface CostOf {
  /** Mass (g) and price per kg of everything bought. */
  readonly parts: readonly { readonly massG: number; readonly pricePerKg: number }[];
  /** Heat put into the make, kJ. */
  readonly energyKJ: number;
  readonly productG: number;
  readonly potG: number;
  readonly shopPricePerKg: number;
  /** Price of one pot or wrapper; minutes of hands and what an hour of them is worth. */
  readonly potPrice?: number;
  readonly handsMin?: number;
  readonly handsPerHour?: number;
  readonly pricePerKwh?: number;
  /** What by-products are worth, for all of them. */
  readonly byproductsWorth?: number;
}

/** Reckons a batch: materials, energy, packaging, hands, less what its by-products are worth. */
export function costOf(of: CostOf): Cost {
  const { parts, energyKJ, productG, potG, shopPricePerKg, pricePerKwh = USUAL_PRICE_PER_KWH } = of;
  const materials = parts.reduce((sum, part) => sum + (part.massG / 1000) * part.pricePerKg, 0);
  const energy = (energyKJ / 3600) * pricePerKwh;
  const packaging = (of.potPrice ?? 0) * Math.ceil(productG / potG - 1e-9);
  const hands = ((of.handsMin ?? 0) / 60) * (of.handsPerHour ?? 0);
  const outlay = materials + energy + packaging + hands;
  const besidesWorth = of.byproductsWorth ?? 0;
  const total = outlay - besidesWorth;
  const perKg = productG > 0 ? total / (productG / 1000) : 0;
  return {
    materials,
    energy,
    packaging,
    hands,
    outlay,
    besidesWorth,
    total,
    perKg,
    perPot: (perKg * potG) / 1000,
    savedAgainstShop: (productG / 1000) * shopPricePerKg - total,
  };
}
