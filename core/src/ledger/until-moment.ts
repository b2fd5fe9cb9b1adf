import type { Batch } from '../batch/replay.js';

/** A make as it stood at a moment (ms): what happened later had not been logged yet, and it had not ended. */
export function untilMoment(batch: Batch, atMs: number): Batch {
  const by = <T extends { readonly atMs: number }>(all: readonly T[]) => all.filter((one) => one.atMs <= atMs);
  return {
    ...batch,
    steps: by(batch.steps),
    readings: by(batch.readings),
    cues: by(batch.cues),
    taken: by(batch.taken),
    added: by(batch.added),
    decisions: by(batch.decisions),
    photos: by(batch.photos),
    notes: by(batch.notes),
    movements: by(batch.movements),
    ended: batch.ended && batch.ended.atMs <= atMs ? batch.ended : null,
    log: batch.log.filter((line) => line.atMs <= atMs),
  };
}
