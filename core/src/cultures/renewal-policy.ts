import { say, type Text } from '../messages/message.js';
import { amount } from '../messages/quantity.js';
import { LINES } from '../constants/cultures.js';
import type { CultureLot, RenewalPolicy } from '../lots/culture-lot.js';
import { turnedSour, type Tasted } from './drift.js';
import { rootOf, type Cultures } from './lineage.js';

/** Schools of when a line is begun again, each with its reason. */
export const RENEWAL_POLICIES: readonly { readonly id: RenewalPolicy; readonly label: Text; readonly why: Text }[] = [
  {
    id: 'generations',
    label: say('cultures.renewalPolicy.afterSomeGenerations'),
    why: say('cultures.renewalPolicy.boughtCultureFewStrains'),
  },
  { id: 'taste', label: say('cultures.renewalPolicy.byTaste'), why: say('cultures.renewalPolicy.goodLongTastesYour') },
  {
    id: 'never',
    label: say('cultures.renewalPolicy.never'),
    why: say('cultures.renewalPolicy.heirloomFoundOwnBalance'),
  },
];

/** What is bought is begun again after some generations; what keeps itself in balance never. */
const KEEPS_ITSELF: ReadonlySet<CultureLot['origin']> = new Set(['heirloom', 'grains', 'wild']);

/** The school that a line is kept by: that of what it began with. */
export function renewalPolicyOf(lot: CultureLot, all: Cultures): RenewalPolicy {
  const root = rootOf(lot, all);
  return root.beginAgain ?? (KEEPS_ITSELF.has(root.origin) ? 'never' : 'generations');
}

/** Why a line should be begun again, in a sentence; null where it need not be. */
export function beginAgain(
  { culture, generation }: CultureLot,
  school: RenewalPolicy,
  tasted: readonly Tasted[],
): Text | null {
  const { generations } = LINES[culture];
  if (school === 'generations' && generations !== null && generation >= generations)
    return say('cultures.renewalPolicy.beenCarriedTimesBought', {
      generation: amount(generation, 0),
      generations: amount(generations),
    });
  const sour = school === 'taste' ? turnedSour(tasted) : null;
  if (!sour) return null;
  return say('cultures.renewalPolicy.makesTurnedFromSourness', { from: amount(sour.from, 1), to: amount(sour.to, 1) });
}
