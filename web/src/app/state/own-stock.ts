import { createSelector } from '@ngrx/store';
import { finishedStockOf, type Batch, type FinishedStock } from '@oat-crock/core';
import { logFeature } from './log.feature';

/** A finished make and what of it is here. */
export interface OwnStock {
  readonly batch: Batch;
  readonly stock: FinishedStock;
}

/** What was made and is counted: makes that were finished before pots had a date, and of which nothing was said since, are not. */
const isCounted = ({ openDays, movements }: FinishedStock) => openDays !== null || movements.length > 0;

/** Every finished make that is counted. */
export const selectStocks = createSelector(logFeature.selectBatches, (batches): readonly OwnStock[] =>
  batches.flatMap((batch) => {
    const stock = finishedStockOf(batch);
    return stock && isCounted(stock) ? [{ batch, stock }] : [];
  }),
);

/** What is here of it, what is to be eaten first leading; what has no date stands last. */
export const selectHere = createSelector(selectStocks, (stocks) =>
  stocks.filter(({ stock }) => stock.left > 0).sort(byDate),
);

const LAST = '9999-12-31';
const byDate = (a: OwnStock, b: OwnStock) =>
  (a.stock.useBy ?? LAST).localeCompare(b.stock.useBy ?? LAST) || a.stock.finishedMs - b.stock.finishedMs;

/** Who got something before, the last first. */
export const selectReceivers = createSelector(selectStocks, (stocks): readonly string[] => {
  const issued = stocks.flatMap(({ stock }) => stock.movements.filter((m) => m.is === 'issued' && m.to));
  const names = issued.sort((a, b) => b.atMs - a.atMs).map((m) => (m.is === 'issued' ? m.to! : ''));
  return [...new Set(names)];
});
