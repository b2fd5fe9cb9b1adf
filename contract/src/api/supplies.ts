import type { SupplyKind, Treatment } from '@oat-crock/core';

/** When something comes: once, or each week at an hour of some days (0 is Sunday). */
export type Comes =
  | { readonly is: 'once'; readonly atMs: number }
  | { readonly is: 'weekly'; readonly days: readonly number[]; readonly atH: number; readonly fromMs: number };

/** Milk or cream that is brought: how much, when, what it is like, how long it keeps and what it costs. */
export interface Supply {
  /** ULID. */
  readonly id: string;
  readonly kind: SupplyKind;
  /** What it is called, in the household's words: "Milk from the upper path". */
  readonly name: string;
  readonly massG: number;
  readonly comes: Comes;
  /** It may be weighed in for so many days from the one on which it comes. */
  readonly keepsDays: number;
  readonly fatPct: number;
  readonly proteinPct: number;
  readonly treatment: Treatment;
  /** Per kg, in the maker's money. */
  readonly price: number;
  readonly note: string;
  /** Times of it that are over, whether it came or not: their ids, the last of them. */
  readonly settled?: readonly string[];
}

/** One time at which it comes. */
export interface SupplyTime {
  /** The supply's id, and of a weekly one the day it comes on: the same whenever it is asked. */
  readonly id: string;
  readonly supply: Supply;
  readonly atMs: number;
}
