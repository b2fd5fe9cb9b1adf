import { openPart, type PlannedPour } from '@oat-crock/contract/wire';
import type { KeptPlace } from '@oat-crock/core';
import type { PlanDraft } from '../state/plan.feature';

const MIN_MS = 60_000;

/** Where a pour has its make, by the moment at which it is begun. */
export type PlaceAt = Omit<KeptPlace, 'startMin'> & { readonly of: string; readonly startMs: number };

/** Where pours that are shown have their makes, beside what is begun of those that are kept. */
export function placesIn(shown: readonly PlannedPour[], kept: readonly PlannedPour[]): readonly PlaceAt[] {
  return shown
    .filter((p) => p.batchId === null)
    .map((pour) => ({
      of: pour.id,
      orderId: pour.occurrenceId,
      part: openPart(pour, kept),
      startMs: pour.startMs,
      held: pour.held,
      pinned: pour.pinned,
    }));
}

/** Places as a draft keeps them, in minutes from a moment. */
export function draftOf(places: readonly PlaceAt[], fromMs: number, of: string): PlanDraft {
  const kept = places.map(({ orderId, part, startMs, held, pinned }): KeptPlace => ({
    orderId,
    part,
    startMin: (startMs - fromMs) / MIN_MS,
    held,
    pinned,
  }));
  return { fromMs, places: kept, of };
}

/** So much is no news, ms: a forecast is not finer. */
const NO_NEWS_MS = 5 * MIN_MS;

/** True where a hand of a pour comes at another time than it did. */
export const handsMoved = (was: PlannedPour, is: PlannedPour): boolean =>
  is.hands.some((hand, i) => Math.abs(hand.atMs - (was.hands[i]?.atMs ?? hand.atMs)) > NO_NEWS_MS);
