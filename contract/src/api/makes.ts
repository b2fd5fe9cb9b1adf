import type { MakeLine, MakeState } from '@oat-crock/core';
import type { StoredEntry } from './entry.js';

/** What makes can be sorted by. */
export const MAKES_SORTED_BY = ['started', 'name', 'made', 'here', 'useBy', 'taste'] as const;
export type MakesSortedBy = (typeof MAKES_SORTED_BY)[number];

/** Which makes are asked for: those for which all of it holds. */
export interface MakesFilter {
  /** Words, or beginnings of words, of anything that was said of it; all of them are to be found. */
  readonly find: string;
  /** How it stands; any where none is given. */
  readonly states: readonly MakeState[];
  readonly methodId: string | null;
  /** When it was begun, ms: from, and before. */
  readonly fromMs: number | null;
  readonly untilMs: number | null;
  /** How good it was at the least, 1 to 5. */
  readonly taste: number | null;
}

/** A part of the makes that are asked for, in an order. */
export interface MakesAsked extends MakesFilter {
  readonly sort: MakesSortedBy;
  readonly descending: boolean;
  readonly skip: number;
  readonly take: number;
}

/** Lines of the ledger, from a place in their order on. */
export interface MakesFound {
  /** All that were found, and all there are. */
  readonly found: number;
  readonly all: number;
  readonly makes: readonly MakeLine[];
}

/** The makes that something is connected with, each with its log by hand. */
export interface Traces {
  readonly entries: readonly StoredEntry[];
  /** How many makes are connected with it; more than are told where there are too many to draw. */
  readonly makes: number;
  readonly told: number;
}

/** The makes that a page was not told of. */
export interface PastMakes {
  readonly count: number;
  /** What they took, all together, out of each lot that is here, since it was counted; and when that was last done. */
  readonly taken: readonly { readonly lotId: string; readonly massG: number; readonly atMs: number }[];
  /** What of them was handed over for something wanted, g. */
  readonly delivered: readonly { readonly occurrenceId: string; readonly massG: number }[];
}
