import { textOf } from '../ui/units';
import {
  CULTURES,
  ORIGINS,
  storeOf,
  type CultureLot,
  type Origin,
  type StarterStore,
  type Activity,
} from '@oat-crock/core';

const pct = (share: number) => `${Math.round(100 * share)}`;

/** "64 % of a fresh one’s activity, between 48 and 85 %". */
export function activityWords({ likely, low, high }: Activity): string {
  return `${pct(likely)} % of a fresh one’s vigour, between ${pct(low)} and ${pct(high)} %`;
}

const CAME: Readonly<Record<Origin, string>> = {
  ...(Object.fromEntries(ORIGINS.map(({ origin, label }) => [origin, textOf(label).toLowerCase()])) as Record<
    Origin,
    string
  >),
  'held back': 'held back',
  fed: 'fed',
  divided: 'divided off',
  mixed: 'mixed',
};

export const STORES: Readonly<Record<StarterStore, string>> = {
  cold: 'in the cold',
  frozen: 'frozen',
  room: 'in the room',
};

/** What moving a culture into a store is called: to thaw, to rest, to wake it. */
export function moveWords({ form, stays }: CultureLot, store: StarterStore): string {
  const them = form === 'grains' ? 'them' : 'it';
  if (store === 'frozen') return `Freeze ${them}`;
  if (storeOf({ stays }) === 'frozen')
    return store === 'cold' ? `Thaw ${them} in the cold` : `Thaw ${them} in the room`;
  if (store === 'cold') return form === 'grains' ? 'Rest them in the cold' : 'Into the cold';
  return form === 'grains' ? 'Wake them in the room' : 'Into the room';
}

/** "Yogurt culture, bought pot". */
export function kindWords({ culture, beside, origin }: CultureLot): string {
  const beside_ = beside ? ` with ${CULTURES[beside].name.toLowerCase()}` : '';
  return `${CULTURES[culture].name}${beside_}, ${CAME[origin]}`;
}

/** "generation 3, in the cold". */
export function lotWords(lot: CultureLot): string {
  return `generation ${lot.generation}, ${STORES[storeOf(lot)]}`;
}
