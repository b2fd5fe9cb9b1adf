import type { FaultId } from './fault-ids.js';
import type { LotStock } from '../lots/lot.js';
import type { Choices, Method } from '../methods/method.js';
import type { Addition, Weighed } from '../stages/told.js';

/** How a quantity was read. */
export type ReadBy = 'meter' | 'strip' | 'thermometer' | 'scale';

/** What can be read in numbers, and its unit in the name. */
export type Quantity = 'tempC' | 'ph' | 'wheyG' | 'productG' | Weighed;

/** The maker's own marks, 1 (not at all) to 5 (very). */
export interface Score {
  readonly sourness: number;
  readonly thickness: number;
  readonly smoothness: number;
  readonly taste: number;
}

/** Ways in which what was made goes out. */
export const ISSUED_HOW = ['sold', 'given', 'eaten', 'used', 'thrown'] as const;
export type IssuedHow = (typeof ISSUED_HOW)[number];

/** Where what was made stands. */
export const PRODUCT_STORES = ['cold', 'frozen'] as const;
export type ProductStore = (typeof PRODUCT_STORES)[number];

/** So many pots or pieces of it; of what was not put into pots, so many grams. */
export interface Counted {
  readonly pots?: number;
  readonly massG?: number;
}

/** Who got it and for what they wanted, or why it was thrown away. */
export interface IssuedTo {
  readonly to?: string;
  readonly why?: string;
  /** What was wanted that it was handed over for: an order, and of a weekly one the day it fell on. */
  readonly occurrenceId?: string;
}

/** What an entry says. A correction names the entry it replaces; with a null body it takes it back. */
export type EntryBody =
  | {
      readonly type: 'started';
      readonly methodId: string;
      readonly choices: Choices;
      readonly name: string;
      /** The lots that the choices name, as they were then. */
      readonly stocks?: readonly LotStock[];
      /** Ids of the gear of one's own that it is made in. */
      readonly gear?: readonly string[];
      /** The method itself, where it is one's own: what was begun stays what it was, whatever becomes of the method. */
      readonly method?: Method;
    }
  /** So much was taken out of a lot of the larder. */
  | { readonly type: 'took'; readonly lotId: string; readonly massG: number }
  | { readonly type: 'step'; readonly stageId: string }
  | { readonly type: 'reading'; readonly quantity: Quantity; readonly value: number; readonly by: ReadBy }
  | { readonly type: 'cue'; readonly cue: string; readonly answer: string }
  /** So much was put in by hand during the stage at hand. */
  | { readonly type: 'added'; readonly what: Addition; readonly massG: number }
  | { readonly type: 'note'; readonly text: string }
  /** A picture that is kept with the batch, and what it shows. */
  | { readonly type: 'photo'; readonly photoId: string; readonly text: string }
  /** Somebody decided that it must not go out, or that it may after all. */
  | { readonly type: 'held'; readonly by: string; readonly reason: string }
  | { readonly type: 'released'; readonly by: string; readonly reason: string }
  | {
      readonly type: 'finished';
      readonly productG: number;
      readonly wheyG: number | null;
      readonly heldBackG: number | null;
      readonly score: Score | null;
      /** Pots or pieces that were filled. */
      readonly pots?: number;
      /** What was left of it, and the lot of the larder that was made of it. */
      readonly left?: readonly { readonly what: string; readonly massG: number; readonly lotId: string }[];
      /** A few words on how it came out. */
      readonly words?: string;
      /** The day on its pots by which it is to be eaten, "2026-05-24"; null where nothing showed yet what keeps it. */
      readonly useBy?: string | null;
      /** Days that an open pot keeps. */
      readonly openDays?: number;
    }
  /** Some of what came of it went out of the house, or into another make. */
  | ({ readonly type: 'issued'; readonly how: IssuedHow } & Counted & IssuedTo)
  /** Some of what came of it was frozen, or is thawed in the cold. */
  | ({ readonly type: 'stored'; readonly where: ProductStore } & Counted)
  /** Where what came of it stands, in the household's words: "lower shelf". */
  | { readonly type: 'placed'; readonly place: string }
  /** What somebody saw to be wrong with it. */
  | { readonly type: 'complaint'; readonly fault: FaultId }
  | { readonly type: 'discarded'; readonly reason: string; readonly by?: string }
  | {
      readonly type: 'correction';
      readonly replaces: string;
      readonly body: Exclude<EntryBody, { type: 'correction' }> | null;
      /** When it really happened, ms, where the time was wrong, too. */
      readonly atMs?: number;
    };

export type EntryType = EntryBody['type'];

/** One line of a batch's log: written once, never changed. */
export interface Entry {
  /** Made by whoever writes it (ULID), so that sending twice is harmless. */
  readonly id: string;
  readonly batchId: string;
  /** When it happened, ms since the epoch by the kitchen's clock. */
  readonly atMs: number;
  /** "hand", or the instrument's id. */
  readonly source: string;
  readonly body: EntryBody;
  /** Whose hands wrote it; absent where nobody was asked. */
  readonly by?: string;
}
