import { say, type Text } from '../messages/message.js';
import type { Goods } from './kitchen-goods.js';

/** Something folded into a finished product for its taste. */
export interface Flavour extends Goods {
  readonly why: Text;
  /** Days a product with it keeps at most in the cold; null where it shortens nothing. */
  readonly mostDays: number | null;
  /** It has to be named as an allergen. */
  readonly isNuts?: true;
}

/**
 * Typical compositions, percent by mass (food tables). Fresh garlic and herbs bring water and, rarely, spores that grow where
 * there is no air and little acid: butter and cheese with them are kept cold and eaten within days (usual advice of food-safety
 * authorities for garlic in fat).
 */
export const FLAVOURS = {
  garlic: {
    name: say('good.garlic'),
    why: say('flavour.freshWhy'),
    pct: { water: 62, other: 38 },
    gPerMl: 0.6,
    mostDays: 5,
  },
  herbs: {
    name: say('good.herbs'),
    why: say('flavour.freshWhy'),
    pct: { water: 86, other: 14 },
    gPerMl: 0.25,
    mostDays: 5,
  },
  dried: {
    name: say('good.driedHerbs'),
    why: say('flavour.driedWhy'),
    pct: { water: 9, other: 91 },
    gPerMl: 0.3,
    mostDays: null,
  },
  paste: {
    name: say('good.savouryPaste'),
    why: say('flavour.pasteWhy'),
    pct: { water: 68, fat: 12, salt: 3, other: 17 },
    gPerMl: 1.05,
    mostDays: 10,
  },
  honey: {
    name: say('good.honey'),
    why: say('flavour.honeyWhy'),
    pct: { water: 18, sucrose: 82 },
    gPerMl: 1.42,
    mostDays: null,
  },
  jam: {
    name: say('good.jam'),
    why: say('flavour.jamWhy'),
    pct: { water: 37, sucrose: 63 },
    gPerMl: 1.3,
    mostDays: 14,
  },
  nuts: {
    name: say('good.nuts'),
    why: say('flavour.nutsWhy'),
    pct: { water: 4, fat: 55, other: 41 },
    gPerMl: 0.5,
    mostDays: 10,
    isNuts: true,
  },
} as const satisfies Readonly<Record<string, Flavour>>;

export type FlavourId = keyof typeof FLAVOURS;
export const FLAVOUR_IDS = Object.keys(FLAVOURS) as readonly FlavourId[];
