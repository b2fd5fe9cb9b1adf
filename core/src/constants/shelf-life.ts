import { say, type Text } from '../messages/message.js';

/**
 * Usual lives at 4 °C, unopened and cleanly potted, and once opened, a clean spoon taken for granted: general dairy practice
 * and the date-marking limits of the FDA Food Code (3-501.17: seven days for what neither acid nor salt keeps); of open
 * pots, judgement.
 */
export const KEEPS = {
  sour: { days: 18, openDays: 7, why: say('constants.shelfLife.acidKeepsGoesSouring') },
  'sour plant': { days: 8, openDays: 4, why: say('constants.shelfLife.acidAloneKeeps') },
  fresh: { days: 5, openDays: 3, why: say('constants.shelfLife.neitherAcidNorSalt') },
  heated: { days: 7, openDays: 4, why: say('constants.shelfLife.heatedThrough') },
  'not sour': { days: 2, openDays: 1, why: say('constants.shelfLife.nothingKeepsButCold') },
  'cooked cheese': { days: 10, openDays: 7, why: say('constants.shelfLife.cookedThroughButSoda') },
  'washed butter': { days: 30, openDays: 21, why: say('constants.shelfLife.thereHardlyAnythingLeft') },
  'unwashed butter': { days: 8, openDays: 5, why: say('constants.shelfLife.buttermilkLeftTurns') },
} as const satisfies Readonly<Record<string, { readonly days: number; readonly openDays: number; readonly why: Text }>>;

/**
 * Days that butter keeps at −18 °C, wrapped without air: nine months salted or not, as storage charts of food authorities say at
 * most; after that it takes up smells and turns rancid from outside.
 */
export const FROZEN_BUTTER = {
  days: 270,
  openDays: 21,
  storeC: -18,
  why: say('constants.shelfLife.frozenThawInCold'),
} as const;

/** Effect of the store, the pH and the salt on those lives. */
export const SHELF_LIFE = { usualC: 4, q10: 3, perPhBelow: 0.6, saltedFromPct: 3.5, saltedTimes: 1.6 } as const;
