import { householdAround } from '@oat-crock/calendar';
import { follow, replay, type Batch, type Followed } from '@oat-crock/core';
import { houseOf } from '../house.js';
import type { Kitchen } from '../kitchen.js';

/** A make as the server follows it. */
export interface MakeFollowed {
  readonly batch: Batch;
  /** Null once it is over, and where it cannot be followed. */
  readonly followed: Followed | null;
}

/** As many members as bring the middle of a forecast to the minute or two that matter to whoever is called. */
const MEMBERS = { members: 200, seed: 1, fanPoints: 0 } as const;
/** A forecast is taken for as good as new for so long, ms: readings move it slowly, and each costs some tens of ms. */
const AS_NEW_MS = 5 * 60_000;
/** So many makes are remembered. */
const REMEMBERED = 200;

/**
 * Follows makes for whatever tells of hands without a page: each anew once its log by hand has grown or some minutes have gone by.
 * Null where there is no such make.
 */
export function follower(kitchen: Kitchen): (batchId: string) => MakeFollowed | null {
  const known = new Map<string, { readonly as: string; readonly made: MakeFollowed | null }>();
  return (batchId) => {
    const nowMs = kitchen.clock.now();
    const byHand = kitchen.entries.ofBatch(batchId, 'none');
    const as = `${byHand.length} ${Math.floor(nowMs / AS_NEW_MS)}`;
    const before = known.get(batchId);
    if (before?.as === as) return before.made;
    const made = followedOf(kitchen, replayed(byHand), nowMs);
    if (known.size >= REMEMBERED) known.clear();
    known.set(batchId, { as, made });
    return made;
  };
}

/** Of what is over nothing that instruments read is looked at: a season of it would keep the asker waiting. */
function followedOf(kitchen: Kitchen, told: Batch | null, nowMs: number): MakeFollowed | null {
  if (!told) return null;
  if (told.ended) return { batch: told, followed: null };
  const batch = replayed(kitchen.entries.ofBatch(told.id, 'minute')) ?? told;
  try {
    const house = { ...houseOf(kitchen, batch), known: { learned: kitchen.learned().pooled } };
    return { batch, followed: follow(batch, nowMs, MEMBERS, householdAround(batch, house)) };
  } catch (error) {
    kitchen.log.warn({ error, batchId: batch.id }, 'a make could not be followed');
    return { batch, followed: null };
  }
}

function replayed(log: Parameters<typeof replay>[0]): Batch | null {
  try {
    return replay(log);
  } catch {
    return null;
  }
}
