import { daysBetween, leftOf, useFirst, type Lot, type Taken } from '@oat-crock/core';
import { tell } from '../shared/ui/said';

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

function dueWords(days: number): string {
  if (days < 0) return tell('page.larder.due.past', { days: -days });
  return days < 2 ? tell('page.larder.due.near', { days }) : tell('page.larder.due.for', { days });
}
