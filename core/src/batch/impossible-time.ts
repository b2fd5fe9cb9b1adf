import type { EntryBody } from './entry.js';
import type { Batch } from './replay.js';

/** Why something cannot have happened when it is said to have. */
export type ImpossibleTime =
  | { readonly is: 'future' }
  | { readonly is: 'before the start'; readonly startedMs: number }
  /** Nothing of what was made can have gone out before it was made. */
  | { readonly is: 'before the end'; readonly endedMs: number }
  /** A step before one that comes before it, or after one that comes after it. */
  | { readonly is: 'out of order'; readonly stageId: string; readonly atMs: number };

/** A clock that is a little ahead is no future, ms. */
const AHEAD_MS = 60_000;

/**
 * What makes a time impossible for a line of a log: it has not been yet, the make had not begun, what goes out of it was not
 * made, or a step would stand before one that comes before it. Null where it can have been so.
 *
 * @param order ids of the make's stages, in their order
 */
export function impossibleTime(
  batch: Pick<Batch, 'startedMs' | 'steps' | 'ended'>,
  order: readonly string[],
  body: EntryBody,
  atMs: number,
  nowMs: number,
): ImpossibleTime | null {
  if (atMs > nowMs + AHEAD_MS) return { is: 'future' };
  if (body.type !== 'started' && atMs < batch.startedMs) return { is: 'before the start', startedMs: batch.startedMs };
  const isMoved = body.type === 'issued' || body.type === 'stored';
  if (isMoved && batch.ended && atMs < batch.ended.atMs) return { is: 'before the end', endedMs: batch.ended.atMs };
  if (body.type !== 'step') return null;
  const at = order.indexOf(body.stageId);
  const wrong = batch.steps.find((step) => {
    const other = order.indexOf(step.stageId);
    return (other < at && step.atMs > atMs) || (other > at && step.atMs < atMs);
  });
  return wrong ? { is: 'out of order', stageId: wrong.stageId, atMs: wrong.atMs } : null;
}
