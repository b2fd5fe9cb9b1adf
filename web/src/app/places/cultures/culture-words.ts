import {
  cultureName,
  ORIGINS,
  storeOf,
  type CultureLot,
  type Origin,
  type StarterStore,
  type Activity,
  amount,
  percent,
  say,
  type Text,
} from '@oat-crock/core';
import { textOf, tell, titled } from '../../shared/ui/said';

/** "64 % of a fresh one’s activity, between 48 and 85 %". */
export function activityWords({ likely, low, high }: Activity): string {
  return tell('page.cultures.cultureWords.activity', {
    likely: percent(100 * likely, 0),
    low: amount(100 * low, 0),
    high: percent(100 * high, 0),
  });
}

const CAME: Readonly<Record<Origin, Text>> = {
  ...(Object.fromEntries(ORIGINS.map(({ origin, label }) => [origin, label])) as Record<Origin, Text>),
  'held back': say('page.cultures.cultureWords.heldBack'),
  fed: say('page.cultures.cultureWords.fed'),
  divided: say('page.cultures.cultureWords.divided'),
  mixed: say('page.cultures.cultureWords.mixed'),
};

export const STORES: Readonly<Record<StarterStore, Text>> = {
  cold: say('page.cultures.cultureWords.inTheCold'),
  frozen: say('page.cultures.cultureWords.frozen'),
  room: say('page.cultures.cultureWords.inTheRoom'),
};

/** What moving a culture into a store is called: to thaw, to rest, to wake it. */
export function moveWords({ form, stays }: CultureLot, store: StarterStore): string {
  const is = form === 'grains' ? 'grains' : 'one';
  if (store === 'frozen') return tell('page.cultures.cultureWords.freeze', { is });
  if (storeOf({ stays }) === 'frozen')
    return store === 'cold'
      ? tell('page.cultures.cultureWords.thawCold', { is })
      : tell('page.cultures.cultureWords.thawRoom', { is });
  return store === 'cold'
    ? tell('page.cultures.cultureWords.restCold', { is })
    : tell('page.cultures.cultureWords.wakeRoom', { is });
}

/** "Yogurt culture, bought pot"; "Kefir grains" where it came as what it is. */
export function kindWords({ culture, beside, origin, form }: CultureLot): string {
  const came = textOf(CAME[origin]).toLowerCase();
  const name = titled(cultureName(culture, form));
  if (!beside && came === name.toLowerCase()) return name;
  return beside
    ? tell('page.cultures.cultureWords.kindBeside', { name, beside: cultureName(beside, 'active'), came })
    : tell('page.cultures.cultureWords.kind', { name, came });
}

/** "generation 3, in the cold". */
export function lotWords(lot: CultureLot): string {
  return tell('page.cultures.cultureWords.lot', { generation: lot.generation, store: STORES[storeOf(lot)] });
}
