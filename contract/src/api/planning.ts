import type { KeptPlace, Method, Order } from '@oat-crock/core';
import type { Occurrence } from './orders.js';
import { begunOf, wantedIdsOf, wantedName, type PlannedBatch } from './planned-batch.js';

const MIN_MS = 60_000;

/**
 * What is wanted, as a plan that begins at a moment is asked for it. What is of a method that is not there is left out.
 *
 * @param occurrences with as much of each as has still to be made
 */
export function ordersOf(
  occurrences: readonly Occurrence[],
  startMs: number,
  methodOf: (id: string) => Method | undefined,
): readonly Order[] {
  return occurrences.flatMap(({ id, order, dueMs }): Order[] => {
    const method = methodOf(order.methodId);
    if (!method) return [];
    return [
      {
        id,
        name: wantedName(method.name, order.whom),
        method,
        choices: order.choices,
        productG: order.productG,
        dueMin: dueMs === null ? null : (dueMs - startMs) / MIN_MS,
        ...(order.alone && { alone: true }),
      },
    ];
  });
}

/** Which of the parts that are not begun a planned batch is, counted from 1. */
export const openPart = ({ occurrenceId, part }: PlannedBatch, plannedBatches: readonly PlannedBatch[]): number =>
  part - begunOf(occurrenceId, plannedBatches).filter((b) => b.part < part).length;

/** Where the planned batches of a plan that was taken have their makes, in minutes of a plan that begins at a moment. */
export function placesOf(plannedBatches: readonly PlannedBatch[], startMs: number): readonly KeptPlace[] {
  return plannedBatches
    .filter((p) => p.batchId === null)
    .map((plannedBatch): KeptPlace => ({
      orderId: plannedBatch.occurrenceId,
      part: openPart(plannedBatch, plannedBatches),
      startMin: (plannedBatch.startMs - startMs) / MIN_MS,
      extension: plannedBatch.extension,
      pinned: plannedBatch.pinned,
      ...withOf(plannedBatch),
    }));
}

/** The other orders that a planned batch is made for as well. */
export const withOf = (plannedBatch: PlannedBatch): Pick<KeptPlace, 'with'> => {
  const others = wantedIdsOf(plannedBatch).filter((id) => id !== plannedBatch.occurrenceId);
  return others.length > 0 ? { with: others } : {};
};

/** Planned batches of nothing that is wanted any more: their order was taken away, or their day is over. */
export const staleOf = (
  plannedBatches: readonly PlannedBatch[],
  occurrences: readonly Occurrence[],
): readonly PlannedBatch[] => {
  const wanted = new Set(occurrences.map((o) => o.id));
  return plannedBatches.filter((p) => p.batchId === null && !wantedIdsOf(p).some((id) => wanted.has(id)));
};
