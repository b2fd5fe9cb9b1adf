import { openPart, withOf, type PlannedBatch } from '@oat-crock/contract/api';
import type { KeptPlace } from '@oat-crock/core';
import type { PlanDraft } from '../state/plan.feature';

const MIN_MS = 60_000;

/** Where a planned batch has its make, by the moment at which it is begun. */
export type PlaceAt = Omit<KeptPlace, 'startMin'> & { readonly of: string; readonly startMs: number };

/** Where planned batches that are shown have their makes, beside what is begun of those that are kept. */
export function placesIn(shown: readonly PlannedBatch[], kept: readonly PlannedBatch[]): readonly PlaceAt[] {
  return shown
    .filter((p) => p.batchId === null)
    .map((plannedBatch) => ({
      of: plannedBatch.id,
      orderId: plannedBatch.occurrenceId,
      part: openPart(plannedBatch, kept),
      startMs: plannedBatch.startMs,
      extension: plannedBatch.extension,
      pinned: plannedBatch.pinned,
      ...withOf(plannedBatch),
    }));
}

/** Places as a draft keeps them, in minutes from a moment. */
export function draftOf(places: readonly PlaceAt[], fromMs: number, of: string): PlanDraft {
  const kept = places.map((place): KeptPlace => ({
    orderId: place.orderId,
    part: place.part,
    startMin: (place.startMs - fromMs) / MIN_MS,
    extension: place.extension,
    pinned: place.pinned,
    ...(place.with && { with: place.with }),
  }));
  return { fromMs, places: kept, of };
}

/** So much is no news, ms: a forecast is not finer. */
const NO_NEWS_MS = 5 * MIN_MS;

/** True where a hand of a planned batch comes at another time than it did. */
export const tasksMoved = (was: PlannedBatch, is: PlannedBatch): boolean =>
  is.tasks.some((task, i) => Math.abs(task.atMs - (was.tasks[i]?.atMs ?? task.atMs)) > NO_NEWS_MS);
