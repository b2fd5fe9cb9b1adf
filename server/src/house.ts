import { kitchenOf, type House } from '@oat-crock/calendar';
import type { Batch, Gear } from '@oat-crock/core';
import type { HouseholdStore } from './store/household.js';
import type { KeptStore } from './store/kept.js';
import type { RoomStore } from './store/room.js';

/** The room of a make is read from so long before its start, ms: makes are planned for its mean over a day. */
export const ROOM_BEFORE_MS = 24 * 3_600_000;

/** Where the house is kept. */
export interface HouseStores {
  readonly household: HouseholdStore;
  readonly gear: KeptStore<Gear>;
  readonly room: RoomStore;
}

/** The house that a make stands or stood in: its settings and gear as they are known now, the room as it was read. */
export function houseOf({ household, gear, room }: HouseStores, batch: Batch): House {
  const standing = gear
    .all()
    .filter((kept) => kept.goneMs === null)
    .map((kept) => kept.item);
  return {
    settings: kitchenOf(household.settings().settings, standing),
    gear: batch.gear.flatMap((id) => gear.get(id)?.item ?? []),
    room: room.between(batch.startedMs - ROOM_BEFORE_MS, batch.ended?.atMs ?? Number.MAX_SAFE_INTEGER),
  };
}
