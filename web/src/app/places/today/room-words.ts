import { usualRoomC } from '@oat-crock/calendar';
import { type Settings } from '@oat-crock/contract/api';
import type { RoomReading } from '@oat-crock/core';
import { degrees, fromNow, temp } from '../../shared/ui/words';
import { tell } from '../../shared/ui/said';

/** Off its usual course by so much (°C), a room is worth a word. */
const WORTH_A_WORD_C = 1;
/** A reading older than this, ms, says nothing of now. */
const OLD_MS = 3 * 3_600_000;

/** How warm the room is, and what that does to what stands on the counter; null where nothing has read it of late. */
export function roomWords(
  readings: readonly RoomReading[],
  settings: Settings,
  nowMs: number,
): { readonly now: string; readonly says: string } | null {
  const last = readings.findLast(({ atMs }) => atMs <= nowMs);
  if (!last || nowMs - last.atMs > OLD_MS) return null;
  const offC = last.tempC - usualRoomC(settings, last.atMs);
  const now = tell('page.today.roomWords.inTheRoom', { temp: temp(last.tempC) });
  const when = fromNow(last.atMs, nowMs);
  if (Math.abs(offC) < WORTH_A_WORD_C) return { now, says: tell('page.today.roomWords.asUsual', { when }) };
  const by = degrees(Math.abs(offC));
  return {
    now,
    says:
      offC < 0 ? tell('page.today.roomWords.cooler', { when, by }) : tell('page.today.roomWords.warmer', { when, by }),
  };
}
