import type { Batch } from '../batch/replay.js';
import type { Lot } from '../lots/lot.js';

/** Something a make took out of a lot, g. */
export interface Taken {
  readonly lotId: string;
  readonly batchId: string;
  readonly batchName: string;
  readonly atMs: number;
  readonly massG: number;
}

/** Everything that makes took out of the larder, in order of time. */
export function takenBy(batches: readonly Batch[]): readonly Taken[] {
  return batches
    .flatMap((b) => b.taken.map((t) => ({ ...t, batchId: b.id, batchName: b.name })))
    .sort((a, b) => a.atMs - b.atMs);
}

/** What is left of a lot: its last count less what was taken since; negative where more was taken than was counted. */
export function leftOf(lot: Lot, taken: readonly Taken[]): number {
  return taken
    .filter((t) => t.lotId === lot.id && t.atMs >= lot.countedMs)
    .reduce((left, t) => left - t.massG, lot.amount);
}
