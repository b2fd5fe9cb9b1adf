import { countedOf, daysBetween, leftOf, useFirst, type Lot, type Taken } from '@oat-crock/core';
import { tell, textOf } from '../shared/ui/said';
import type { OwnStock } from './own-stock';

/** A lot that is near its date: what is left of it, in how many days, and that in words. */
export interface DueLot {
  readonly lot: Lot;
  readonly leftG: number;
  readonly days: number;
  /** "until tomorrow", "2 days past its date" */
  readonly due: string;
}

/** Lots whose date comes within some days, the nearest first, of which there is something left. */
export function dueLots(
  lots: readonly Lot[],
  taken: readonly Taken[],
  today: string,
  withinDays: number,
): readonly DueLot[] {
  return useFirst(lots).flatMap((lot) => {
    if (lot.useBy === null) return [];
    const days = daysBetween(today, lot.useBy);
    const leftG = leftOf(lot, taken);
    return days > withinDays || leftG <= 0 ? [] : [{ lot, leftG, days, due: dueWords(days) }];
  });
}

/** What was made and is near its date: how much of it is in the cold, in how many days, and that in words. */
export interface DueStock {
  readonly id: string;
  readonly name: string;
  readonly count: string;
  readonly days: number;
  readonly due: string;
}

/** Stocks whose date comes within some days, in their order; what is frozen waits. */
export function dueStocks(here: readonly OwnStock[], today: string, withinDays: number): readonly DueStock[] {
  return here.flatMap(({ batch, stock }) => {
    const inCold = stock.left - stock.frozen;
    if (stock.useBy === null || inCold <= 0) return [];
    const days = daysBetween(today, stock.useBy);
    if (days > withinDays) return [];
    return [{ id: batch.id, name: batch.name, count: textOf(countedOf(stock, inCold)), days, due: dueWords(days) }];
  });
}

function dueWords(days: number): string {
  if (days < 0) return tell('page.larder.due.past', { days: -days });
  return days < 2 ? tell('page.larder.due.near', { days }) : tell('page.larder.due.for', { days });
}
