import { usualRoomC } from '@oat-crock/calendar';
import { type Settings } from '@oat-crock/contract/api';
import type { RoomReading } from '@oat-crock/core';
import { degrees, fromNow, temp } from '../ui/words';

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
  const now = `${temp(last.tempC)} in the room`;
  const when = fromNow(last.atMs, nowMs);
  if (Math.abs(offC) < WORTH_A_WORD_C) return { now, says: `, ${when}: as usual at this hour.` };
  const [is, does] = offC < 0 ? ['cooler', 'longer'] : ['warmer', 'less time'];
  return {
    now,
    says: `, ${when}: ${degrees(Math.abs(offC))} ${is} than usual, so what stands on the counter takes ${does}.`,
  };
}
