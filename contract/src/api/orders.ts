import type { Choices } from '@oat-crock/core';

/** When something is wanted: once, each week at an hour of some day (0 is Sunday), or some time. */
export type Due =
  | { readonly is: 'once'; readonly atMs: number }
  | { readonly is: 'weekly'; readonly day: number; readonly atH: number; readonly fromMs: number }
  | { readonly is: 'some time' };

/** Something that is wanted of a product: how much, when, for whom. */
export interface WantedOrder {
  /** ULID. */
  readonly id: string;
  /** For whom, in the household's words; empty for oneself. */
  readonly whom: string;
  readonly methodId: string;
  readonly choices: Choices;
  readonly productG: number;
  readonly due: Due;
  readonly note: string;
  /** It is made on its own, never as one with others. */
  readonly alone?: boolean;
  /** Times of it that are settled though not all of it was handed over: their ids, the last of them. */
  readonly settled?: readonly string[];
}

/** So many settled times of an order are kept. */
export const MOST_SETTLED = 60;

/** One time at which an order falls due; null where it is wanted some time. */
export interface Occurrence {
  /** The order's id, and of a weekly one the day it falls on: the same whenever it is asked. */
  readonly id: string;
  readonly order: WantedOrder;
  readonly dueMs: number | null;
}
