import { SODA } from '../constants/acids.js';
import { MILK_SODIUM_SHARE_OF_MINERALS, SATURATED_SHARE_OF_FAT } from '../constants/milk.js';
import { totalG, type Masses } from '../materials/composition.js';
import type { CrockState } from '../state/crock-state.js';

/** Food values per 100 g. */
export interface Nutrition {
  readonly energyKJ: number;
  readonly energyKcal: number;
  readonly fatG: number;
  /** Of the fat, saturated fatty acids. */
  readonly saturatesG: number;
  readonly proteinG: number;
  /** Lactose, galactose and glucose left, with any sugar added. */
  readonly sugarsG: number;
  readonly lactoseG: number;
  readonly galactoseG: number;
  readonly glucoseG: number;
  /** Salt as a label counts it: all sodium times 2.5. */
  readonly saltG: number;
  readonly alcoholG: number;
}

/** Salt a label reckons for a gram of sodium. */
const SALT_PER_SODIUM = 2.5;
/** Sodium in table salt, g/g. */
const SODIUM_OF_SALT = 0.393;

/** Energy factors, kJ/g: Regulation (EU) 1169/2011, annex XIV (fat 37, protein and carbohydrate 17, organic acid 13, alcohol 29). */
const KJ_PER_G = { fat: 37, protein: 17, carbohydrate: 17, acid: 13, alcohol: 29 } as const;
const KJ_PER_KCAL = 4.184;

/** What the masses do not say: whose fat it is, and how much bicarbonate of soda is among the minerals, g. */
export interface NutritionFrom {
  readonly fatOf?: keyof typeof SATURATED_SHARE_OF_FAT;
  readonly sodaG?: number;
}

/** Nutrition per 100 g of what is in the crock. */
export const nutritionOf = ({ masses, inputs, curd }: Pick<CrockState, 'masses' | 'inputs' | 'curd'>): Nutrition =>
  nutritionPer100g(masses, { sodaG: curd.sodaG, fatOf: inputs.casein > 0 ? 'milk' : 'coconut' });

/** Nutrition per 100 g from masses. */
export function nutritionPer100g(masses: Masses, { sodaG = 0, fatOf = 'milk' }: NutritionFrom = {}): Nutrition {
  const per = totalG(masses) > 0 ? 100 / totalG(masses) : 0;
  const fatG = masses.fat * per;
  const proteinG = (masses.casein + masses.wheyProtein) * per;
  const lactoseG = masses.lactose * per;
  const galactoseG = masses.galactose * per;
  const glucoseG = masses.glucose * per;
  const sugarsG = lactoseG + galactoseG + glucoseG + masses.sucrose * per;
  const acidG = (masses.lactic + masses.citric + masses.acetic) * per;
  const alcoholG = masses.ethanol * per;
  const sodiumG =
    masses.salt * SODIUM_OF_SALT +
    masses.minerals * MILK_SODIUM_SHARE_OF_MINERALS +
    (sodaG * SODA.sodiumG) / SODA.molarG;
  const energyKJ =
    KJ_PER_G.alcohol * alcoholG +
    KJ_PER_G.fat * fatG +
    KJ_PER_G.protein * proteinG +
    KJ_PER_G.carbohydrate * sugarsG +
    KJ_PER_G.acid * acidG;
  const saltG = sodiumG * SALT_PER_SODIUM * per;
  return {
    energyKJ,
    energyKcal: energyKJ / KJ_PER_KCAL,
    fatG,
    saturatesG: fatG * SATURATED_SHARE_OF_FAT[fatOf],
    proteinG,
    sugarsG,
    lactoseG,
    galactoseG,
    glucoseG,
    saltG,
    alcoholG,
  };
}

/** The same for a portion of so many grams. */
export function ofPortion(per100g: Nutrition, portionG: number): Nutrition {
  const scaled = Object.entries(per100g).map(([key, value]) => [key, (value * portionG) / 100]);
  return Object.fromEntries(scaled) as unknown as Nutrition;
}
