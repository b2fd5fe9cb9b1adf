import type { Choices } from '../methods/method.js';

/** A food by its everyday name: the make that gives it, and what is chosen for it. */
export interface NamedFood {
  /** Its names are the text `food.{id}`: several, with commas between. */
  readonly id: keyof typeof FOODS;
  readonly methodId: string;
  readonly choices: Choices;
}

interface Food {
  readonly of: readonly string[];
  readonly choices?: Choices;
}

/** General names of foods, and the makes that give them; the first is the nearest. */
const FOODS = {
  yogurt: { of: ['scalded-yogurt', 'cold-start-yogurt', 'room-yogurt', 'enriched-yogurt', 'strained-yogurt'] },
  greekYogurt: { of: ['strained-yogurt'], choices: { texture: 'very-thick' } },
  labneh: { of: ['strained-yogurt', 'yogurt-cheese'], choices: { texture: 'spreadable' } },
  skyr: { of: ['strained-yogurt'], choices: { texture: 'very-thick', milk: 'skimmed' } },
  drinkingYogurt: { of: ['scalded-yogurt'], choices: { thinPct: 30 } },
  creamyYogurt: { of: ['enriched-yogurt'] },
  counterYogurt: { of: ['room-yogurt'] },
  easyYogurt: { of: ['cold-start-yogurt'] },
  lactoseFree: { of: ['cold-start-yogurt'], choices: { milk: 'lactose-free' } },
  flaskYogurt: { of: ['scalded-yogurt'], choices: { keeper: 'flask' } },
  plantYogurt: { of: ['plant-yogurt'] },
  kefir: { of: ['grain-kefir', 'live-kefir'] },
  buttermilk: { of: ['clabber', 'cultured-butter'], choices: { seeding: 'mesophilic' } },
  souredMilk: { of: ['clabber'] },
  sourCream: { of: ['cultured-cream'], choices: { fatPct: 20 } },
  cremeFraiche: { of: ['cultured-cream'] },
  mascarpone: { of: ['thick-cream'] },
  clottedCream: { of: ['scalded-cream'] },
  butter: { of: ['cultured-butter'] },
  ricotta: { of: ['acid-heat-curd'], choices: { texture: 'soft-curd' } },
  paneer: { of: ['acid-heat-curd'], choices: { texture: 'dry-curd', drain: 'hung', saltPct: 0 } },
  farmersCheese: { of: ['quark', 'acid-heat-curd'], choices: { texture: 'lactic-curd' } },
  creamCheese: { of: ['cream-cheese', 'yogurt-cream-cheese', 'smooth-curd'] },
  quark: { of: ['quark'] },
  cottageCheese: { of: ['quark'], choices: { smooth: 'whole' } },
  freshCheese: { of: ['quark', 'cream-cheese', 'yogurt-cream-cheese', 'yogurt-cheese', 'acid-heat-curd'] },
  yogurtCheese: { of: ['yogurt-cheese', 'strained-yogurt'] },
  cheeseSpread: { of: ['smooth-curd', 'cream-cheese'] },
  cookedCheese: { of: ['soda-cheese'] },
} as const satisfies Readonly<Record<string, Food>>;

export type FoodId = keyof typeof FOODS;
export const FOOD_IDS = Object.keys(FOODS) as readonly FoodId[];

/** The makes that give a food, and what is chosen for it in those that ask for it. */
export function makesOf(id: FoodId): readonly NamedFood[] {
  const { of, choices = {} }: Food = FOODS[id];
  return of.map((methodId) => ({ id, methodId, choices }));
}
