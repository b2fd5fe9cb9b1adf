import type { Component } from './composition.js';
import { say, type Text } from '../messages/message.js';

/** Something from the kitchen shelf that goes into a make, percent by mass, and its density, g/mL. */
export interface Goods {
  /** What it is called within a sentence. */
  readonly name: Text;
  readonly pct: Readonly<Partial<Record<Component, number>>>;
  readonly gPerMl: number;
}

/**
 * Typical compositions (food tables): butter of 82 % fat, whole egg without its shell (its protein is reckoned with the
 * whey protein: both set by heat), whole milk, salt, sugar.
 */
export const GOODS = {
  butter: {
    name: say('good.butter'),
    pct: { fat: 82, water: 16.4, casein: 0.5, lactose: 0.8, minerals: 0.3 },
    gPerMl: 0.91,
  },
  egg: {
    name: say('good.egg'),
    pct: { water: 76, fat: 9.9, wheyProtein: 12.4, minerals: 1, other: 0.7 },
    gPerMl: 1.03,
  },
  milk: {
    name: say('good.milk'),
    pct: { water: 87.68, fat: 3.6, casein: 2.64, wheyProtein: 0.66, lactose: 4.7, minerals: 0.72 },
    gPerMl: 1.03,
  },
  salt: { name: say('good.salt'), pct: { salt: 100 }, gPerMl: 1.2 },
  sugar: { name: say('good.sugar'), pct: { sucrose: 100 }, gPerMl: 0.85 },
  water: { name: say('good.water'), pct: { water: 100 }, gPerMl: 1 },
} as const satisfies Readonly<Record<string, Goods>>;
