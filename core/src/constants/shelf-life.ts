/**
 * Usual lives at 4 °C, unopened and cleanly potted: general dairy practice and the date-marking limits of the FDA Food
 * Code (3-501.17: seven days for what neither acid nor salt keeps).
 */
export const KEEPS = {
  sour: { days: 18, why: 'Acid keeps it; it goes on souring slowly.' },
  'sour plant': { days: 8, why: 'Acid alone keeps it.' },
  fresh: { days: 5, why: 'Neither acid nor salt keeps it: only cold.' },
  'not sour': { days: 2, why: 'Nothing keeps it but cold.' },
  'cooked cheese': { days: 10, why: 'It was cooked through, but soda took its acid away.' },
  'washed butter': { days: 30, why: 'There is hardly anything left in its water to turn.' },
  'unwashed butter': { days: 8, why: 'The buttermilk left in it turns.' },
} as const;

/** Effect of the store, the pH and the salt on those lives. */
export const SHELF_LIFE = { usualC: 4, q10: 3, perPhBelow: 0.6, saltedFromPct: 3.5, saltedTimes: 1.6 } as const;
