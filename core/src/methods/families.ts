import { say } from '../messages/message.js';

/** The families of makes, as the page lists them. */
export const FAMILIES = {
  curd: say('family.curd'),
  souredMilk: say('family.souredMilk'),
  yogurt: say('family.yogurt'),
  freshCheese: say('family.freshCheese'),
  cream: say('family.cream'),
  kefir: say('family.kefir'),
  starters: say('family.starters'),
} as const;
