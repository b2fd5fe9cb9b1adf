import { totalG, type Masses } from '../state/composition.js';

/** Food values per 100 g. */
export interface Nutrition {
  readonly energyKJ: number;
  readonly energyKcal: number;
  readonly fatG: number;
  readonly proteinG: number;
  /** Lactose and galactose left, with any sugar added. */
  readonly sugarsG: number;
  readonly lactoseG: number;
  readonly galactoseG: number;
}

/** Energy factors, kJ/g: Regulation (EU) 1169/2011, annex XIV (fat 37, protein and carbohydrate 17, organic acid 13). */
const KJ_PER_G = { fat: 37, protein: 17, carbohydrate: 17, acid: 13 } as const;
const KJ_PER_KCAL = 4.184;

/** Nutrition per 100 g from the masses in the crock. */
export function nutritionPer100g(masses: Masses): Nutrition {
  const per = totalG(masses) > 0 ? 100 / totalG(masses) : 0;
  const fatG = masses.fat * per;
  const proteinG = (masses.casein + masses.wheyProtein) * per;
  const lactoseG = masses.lactose * per;
  const galactoseG = masses.galactose * per;
  const sugarsG = lactoseG + galactoseG + masses.sucrose * per;
  const acidG = (masses.lactic + masses.citric + masses.acetic) * per;
  const energyKJ =
    KJ_PER_G.fat * fatG + KJ_PER_G.protein * proteinG + KJ_PER_G.carbohydrate * sugarsG + KJ_PER_G.acid * acidG;
  return { energyKJ, energyKcal: energyKJ / KJ_PER_KCAL, fatG, proteinG, sugarsG, lactoseG, galactoseG };
}
