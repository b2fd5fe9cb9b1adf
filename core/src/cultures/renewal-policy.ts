import { LINES } from '../constants/cultures.js';
import type { CultureLot, RenewalPolicy } from '../lots/culture-lot.js';
import { turnedSour, type Tasted } from './drift.js';
import { rootOf, type Cultures } from './lineage.js';
import { sayNumber } from '../stages/words.js';

/** Schools of when a line is begun again, each with its reason. */
export const RENEWAL_POLICIES: readonly { readonly id: RenewalPolicy; readonly label: string; readonly why: string }[] =
  [
    {
      id: 'generations',
      label: 'After some generations',
      why: 'A bought culture is a few strains in balance; carried on, one outgrows the others.',
    },
    { id: 'taste', label: 'By taste', why: 'It is good for as long as it tastes so: your marks of sourness decide.' },
    { id: 'never', label: 'Never', why: 'An heirloom has found its own balance, and keeps it.' },
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
): string | null {
  const { generations } = LINES[culture];
  if (school === 'generations' && generations !== null && generation >= generations)
    return `It has been carried on ${sayNumber(generation, 0)} times; a bought culture drifts, sourer and slower, after about ${generations}. Begin a new line while this one still serves.`;
  const sour = school === 'taste' ? turnedSour(tasted) : null;
  if (!sour) return null;
  return `Its makes have turned from ${sour.from.toFixed(1)} to ${sour.to.toFixed(1)} of 5 in sourness. Begin a new line while this one still serves.`;
}
