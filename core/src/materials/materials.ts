import { CASEIN_SHARE_OF_PROTEIN, FRESH_PH, type Species, type Treatment } from '../constants/milk.js';
import { massesBy, NOTHING, type Masses } from './composition.js';
import { type Text } from '../messages/message.js';

/** A milk or cream as its label gives it: percent by mass. */
export interface Material {
  readonly fatPct: number;
  readonly proteinPct: number;
  readonly lactosePct: number;
  /** Its milk sugar was split into glucose and galactose, as in lactose-free milk: what is called lactose here is both together. */
  readonly lactoseSplit?: boolean;
  readonly mineralsPct: number;
  /** Other sugar, and other solids (gums, fibre); none when left out. */
  readonly sucrosePct?: number;
  readonly otherPct?: number;
  /** Casein share of its protein, where it is not milk's: none in plants, a trace in whey. */
  readonly caseinShare?: number;
}

/** A material that can be bought: composition, treatment and price. */
export interface Stock extends Material {
  readonly id: string;
  /** What its maker called it, or what it is called on the list of usual ones. */
  readonly name: Text;
  readonly treatment: Treatment;
  readonly pricePerKg: number;
  /** Cow's when left out. */
  readonly species?: Species;
  /** pH as it comes; its species' own when left out. */
  readonly freshPh?: number;
  /** What the label of a plant base must warn of; milk where left out. */
  readonly allergen?: 'coconut' | 'cashew' | 'soya';
  /** What one can, carton or pack gives of it, g; left out where it is loose. */
  readonly packG?: number;
  /** Clear liquid that stands under it in its can and is not taken, g for each g of it. */
  readonly leavesG?: number;
}

/** What a label says of a stock, and nothing else of it. */
export function materialOf(stock: Material): Material {
  const { fatPct, proteinPct, lactosePct, mineralsPct, lactoseSplit, sucrosePct, otherPct, caseinShare } = stock;
  return {
    fatPct,
    proteinPct,
    lactosePct,
    mineralsPct,
    ...(lactoseSplit !== undefined && { lactoseSplit }),
    ...(sucrosePct !== undefined && { sucrosePct }),
    ...(otherPct !== undefined && { otherPct }),
    ...(caseinShare !== undefined && { caseinShare }),
  };
}

/** pH of a milk as it comes. */
export function freshPhOf(stock: Stock): number {
  return stock.freshPh ?? FRESH_PH[stock.species ?? 'cow'];
}

/** Solids-not-fat of a material, percent by mass. */
export function snfPct(material: Material): number {
  const { proteinPct, lactosePct, mineralsPct, sucrosePct = 0, otherPct = 0 } = material;
  return proteinPct + lactosePct + mineralsPct + sucrosePct + otherPct;
}

/** Component masses (g) of an amount (g) of a material. */
export function massesOfMaterial(material: Material, massG: number): Masses {
  const g = massG / 100;
  const caseinShare = material.caseinShare ?? CASEIN_SHARE_OF_PROTEIN;
  const masses: Partial<Record<keyof Masses, number>> = {
    fat: material.fatPct * g,
    casein: material.proteinPct * g * caseinShare,
    wheyProtein: material.proteinPct * g * (1 - caseinShare),
    ...milkSugarG(material, g),
    minerals: material.mineralsPct * g,
    sucrose: (material.sucrosePct ?? 0) * g,
    other: (material.otherPct ?? 0) * g,
    water: (100 - material.fatPct - snfPct(material)) * g,
  };
  return massesBy((c) => masses[c] ?? NOTHING[c]);
}

/** Milk sugar as it is in it: lactose, or the two sugars that it was split into, as much of one as of the other. */
function milkSugarG({ lactosePct, lactoseSplit }: Material, g: number) {
  return lactoseSplit
    ? { glucose: (lactosePct * g) / 2, galactose: (lactosePct * g) / 2 }
    : { lactose: lactosePct * g };
}

/**
 * A milk or cream of which only fat and protein are known, with the lactose and minerals that go with its serum.
 * Serum carries 5.2 g lactose and 0.79 g minerals per 100 g of fat-free milk (Walstra et al., Dairy Science and
 * Technology, 2nd ed., ch. 1: 4.6–4.8 % lactose and 0.7 % ash in whole milk).
 */
export function materialFromLabel(fatPct: number, proteinPct: number): Material {
  const serum = (100 - fatPct - proteinPct) / 100;
  return { fatPct, proteinPct, lactosePct: 5.1 * serum, mineralsPct: 0.79 * serum };
}
