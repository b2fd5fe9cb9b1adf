import type { PlannedBatch, PlannedTask } from '@oat-crock/contract';
import type { Task } from '@oat-crock/core';
import { follower } from '../follow/follower.js';
import type { Kitchen } from '../kitchen.js';

/** The hands that a make which is on still asks for, as its forecast now has them; none once it is over. */
export interface LiveHands {
  /** It was thrown away: there is nothing to hand on. */
  readonly isLost: boolean;
  readonly tasks: readonly PlannedTask[];
}

/** Hands of makes that were begun; null where a make cannot be followed: it has the hands it was planned with. */
export function liveHands(kitchen: Kitchen): (planned: PlannedBatch) => LiveHands | null {
  const make = follower(kitchen);
  return ({ batchId }) => {
    const { batch, followed } = (batchId !== null && make(batchId)) || {};
    if (batch?.ended) return { isLost: batch.ended.how === 'discarded', tasks: [] };
    if (!followed) return null;
    return { isLost: false, tasks: followed.tasks.filter(({ status }) => status !== 'done').map(plannedTaskOf) };
  };
}

const plannedTaskOf = ({ stageId, says, atMs, minutes, earliestMs, latestMs }: Task): PlannedTask => ({
  ...{ stageId, says, minutes },
  ...{ atMs: Math.round(atMs), earliestMs: Math.round(earliestMs), latestMs: Math.round(latestMs) },
});
