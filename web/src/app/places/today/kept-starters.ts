import { dueOf, giftOf, unclaimed, type Batch, type Cultures, type CultureLot, type Due } from '@oat-crock/core';

/** A starter that a make held back and nobody has taken among the cultures yet. */
export interface KeptStarter {
  readonly batchId: string;
  readonly from: string;
  readonly ageDays: number;
  readonly due: Due;
}

const DAY_MS = 86_400_000;
const SHOWN = 3;
/** What was held back longer ago than this is no starter to be counted on: nobody is asked to take it in any more. */
const OFFERED_DAYS = 10;

/** The newest starters held back and not taken in, with what each would want as the culture that it is. */
export function keptStarters(
  batches: readonly Batch[],
  lots: readonly CultureLot[],
  all: Cultures,
  nowMs: number,
): readonly KeptStarter[] {
  return unclaimed(batches, lots)
    .slice(0, SHOWN)
    .flatMap((batch) => {
      const massG = batch.ended?.how === 'finished' ? (batch.ended.heldBackG ?? 0) : 0;
      const gift = giftOf(batch, batch.id, massG, batch.ended!.atMs, all);
      if (!gift) return [];
      const ageDays = Math.max(0, (nowMs - gift.lot.bornMs) / DAY_MS);
      if (ageDays > OFFERED_DAYS) return [];
      return [{ batchId: batch.id, from: batch.name, ageDays, due: dueOf(gift.lot, massG, nowMs) }];
    });
}
