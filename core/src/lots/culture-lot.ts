import { say, type Text } from '../messages/message.js';
import { CAPSULE_G, CULTURES, type CultureId, type StarterForm, type StarterStore } from '../constants/cultures.js';
import { bareLot, type LotOf } from './lot-of.js';

/** How something that lives came to be: bought or found, or out of another of one's own. */
export type Origin =
  'pot' | 'powder' | 'capsule' | 'heirloom' | 'grains' | 'wild' | 'held back' | 'fed' | 'divided' | 'mixed';

/** Schools of when to begin a line again: after so many generations, by taste, never. */
export type RenewalPolicy = 'generations' | 'taste' | 'never';

/** A stretch of time in one store. */
export interface Stay {
  readonly store: StarterStore;
  readonly fromMs: number;
}

/** Something that lives and is kept: a bought pot, a packet, grains, a spoon held back, a frozen cube. Amounts are grams. */
export interface CultureLot extends LotOf<'culture'> {
  readonly culture: CultureId;
  /** A second culture in it, or null. */
  readonly beside: CultureId | null;
  readonly form: StarterForm;
  readonly origin: Origin;
  /** Ids of what it was taken from: none of what was bought, two of what was mixed. */
  readonly parents: readonly string[];
  /** Makes it has been carried through since it was bought or found. */
  readonly generation: number;
  /** When it was ripe, fed or bought fresh, ms. */
  readonly bornMs: number;
  /** Where it has been since, in order of time. */
  readonly stays: readonly Stay[];
  /** When somebody gave it up, ms; null while it lives. */
  readonly retiredMs: number | null;
  /** By which school its line is begun again, said of what the line began with; the usual one of its origin where nobody said. */
  readonly beginAgain?: RenewalPolicy;
}

/** What is bought or found, as a line begins. */
export interface OriginKind {
  readonly origin: Origin;
  readonly label: Text;
  readonly form: StarterForm;
  readonly store: StarterStore;
  readonly cultures: readonly CultureId[];
  readonly usualG: number;
  /** What is counted of it and not weighed, and how much one weighs, g. */
  readonly piece?: { readonly unit: 'capsules'; readonly eachG: number };
}

const MILK_CULTURES: readonly CultureId[] = ['thermophilic', 'mesophilic', 'room-yogurt', 'kefir-grains'];

/** Ways in which a line begins. */
export const ORIGINS: readonly OriginKind[] = [
  {
    origin: 'pot',
    label: say('lots.cultureLot.boughtPot'),
    form: 'active',
    store: 'cold',
    cultures: MILK_CULTURES,
    usualG: 150,
  },
  {
    origin: 'powder',
    label: say('lots.cultureLot.powderPacket'),
    form: 'freeze-dried',
    store: 'frozen',
    cultures: MILK_CULTURES,
    usualG: 5,
  },
  {
    origin: 'capsule',
    label: say('lots.cultureLot.capsules'),
    form: 'capsule',
    store: 'cold',
    cultures: ['plant'],
    usualG: 30 * CAPSULE_G,
    piece: { unit: 'capsules', eachG: CAPSULE_G },
  },
  {
    origin: 'heirloom',
    label: say('lots.cultureLot.heirloom'),
    form: 'active',
    store: 'cold',
    cultures: ['room-yogurt', 'thermophilic', 'mesophilic'],
    usualG: 100,
  },
  {
    origin: 'grains',
    label: say('lots.cultureLot.kefirGrains'),
    form: 'grains',
    store: 'room',
    cultures: ['kefir-grains'],
    usualG: 60,
  },
  {
    origin: 'wild',
    label: say('lots.cultureLot.clabberItself'),
    form: 'active',
    store: 'cold',
    cultures: ['clabber'],
    usualG: 100,
  },
];

/** What a culture is called as it comes: kefir without its grains is live kefir. */
export const cultureName = (culture: CultureId, form: StarterForm): Text =>
  culture === 'kefir-grains' && form !== 'grains' ? say('culture.liveKefir') : CULTURES[culture].name;

/** Where it is now. */
export function storeOf({ stays }: Pick<CultureLot, 'stays'>): StarterStore {
  return stays.at(-1)!.store;
}

/** Moved into another store at a moment; one that is there already stays as it is. */
export function movedTo(lot: CultureLot, store: StarterStore, atMs: number): CultureLot {
  return storeOf(lot) === store ? lot : { ...lot, stays: [...lot.stays, { store, fromMs: atMs }] };
}

/** What is told of a line that begins: what lives, what as, how it came, and since when it is where. */
export interface Begun extends Pick<
  CultureLot,
  'id' | 'name' | 'amount' | 'countedMs' | 'culture' | 'origin' | 'bornMs'
> {
  readonly form: StarterForm;
  readonly store: StarterStore;
}

/** A culture as a line begins with it. */
export function begunLine({ id, name, amount, countedMs, store, ...begun }: Begun): CultureLot {
  return {
    ...bareLot(id, name, amount, countedMs),
    ...begun,
    kind: 'culture',
    beside: null,
    parents: [],
    generation: 0,
    stays: [{ store, fromMs: begun.bornMs }],
    retiredMs: null,
  };
}
