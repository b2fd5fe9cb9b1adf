import { householdAround } from '@oat-crock/calendar';
import type { PlannedBatch, PlannedTask } from '@oat-crock/contract';
import { follow, replay, type Batch, type Task } from '@oat-crock/core';
import { houseOf } from '../house.js';
import type { Kitchen } from '../kitchen.js';

/** The hands that a make which is on still asks for, as its forecast now has them; none once it is over. */
export interface LiveHands {
  /** It was thrown away: there is nothing to hand on. */
  readonly isLost: boolean;
  readonly tasks: readonly PlannedTask[];
}

/** A forecast for a calendar: as many members as bring its middle to the minute or two that matter there. */
const MEMBERS = { members: 200, seed: 1, fanPoints: 0 } as const;
/** A forecast is taken for as good as new for so long, ms: calendars ask about once an hour, several at a time. */
const AS_NEW_MS = 5 * 60_000;

/** Hands of makes that were begun, each followed anew once its log by hand has grown or some minutes have gone by. */
export function liveHands(kitchen: Kitchen): (planned: PlannedBatch) => LiveHands | null {
  const known = new Map<string, { readonly as: string; readonly hands: LiveHands | null }>();
  return ({ batchId }) => {
    if (batchId === null) return null;
    const nowMs = kitchen.clock.now();
    const byHand = kitchen.entries.ofBatch(batchId, 'none');
    const as = `${byHand.length} ${Math.floor(nowMs / AS_NEW_MS)}`;
    const before = known.get(batchId);
    if (before?.as === as) return before.hands;
    const hands = handsOf(kitchen, replayed(byHand), nowMs);
    known.set(batchId, { as, hands });
    return hands;
  };
}

/** Of what is over nothing that instruments read is looked at: a season of it would keep the asker waiting. */
function handsOf(kitchen: Kitchen, told: Batch | null, nowMs: number): LiveHands | null {
  if (!told) return null;
  if (told.ended) return { isLost: told.ended.how === 'discarded', tasks: [] };
  const batch = replayed(kitchen.entries.ofBatch(told.id, 'minute')) ?? told;
  try {
    const house = { ...houseOf(kitchen, batch), known: { learned: kitchen.learned().pooled } };
    const { tasks } = follow(batch, nowMs, MEMBERS, householdAround(batch, house));
    return { isLost: false, tasks: tasks.filter(({ status }) => status !== 'done').map(plannedTaskOf) };
  } catch {
    // A make that cannot be followed has the hands it was planned with.
    return null;
  }
}

const plannedTaskOf = ({ stageId, says, atMs, minutes, earliestMs, latestMs }: Task): PlannedTask => ({
  ...{ stageId, says, minutes },
  ...{ atMs: Math.round(atMs), earliestMs: Math.round(earliestMs), latestMs: Math.round(latestMs) },
});

function replayed(log: Parameters<typeof replay>[0]): Batch | null {
  try {
    return replay(log);
  } catch {
    return null;
  }
}
