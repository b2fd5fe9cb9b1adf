import { roomMeanC, roomSwingC, type CalendarMoment } from '@oat-crock/core';
import type { Settings } from './settings.js';

/** Where a moment lies in the year and the day of the calendar here. */
function calendarOf(atMs: number): CalendarMoment {
  const at = new Date(atMs);
  const days = new Date(at.getFullYear(), at.getMonth() + 1, 0).getDate();
  return {
    month: at.getMonth() + 1,
    monthShare: (at.getDate() - 1) / days,
    hour: at.getHours() + at.getMinutes() / 60,
  };
}

/** Mean of the room on the day of a moment, to half a degree. */
export function roomOnDay({ roomC, roomSummerC, warmestMonth, roomNightDropC }: Settings, atMs: number): number {
  const climate = { winterC: roomC, summerC: roomSummerC, warmestMonth, nightDropC: roomNightDropC };
  return Math.round(roomMeanC(climate, calendarOf(atMs)) * 2) / 2;
}

/** How far the room is from that mean at a moment. */
export function roomSwingAt({ roomNightDropC }: Settings, atMs: number): number {
  return roomSwingC({ nightDropC: roomNightDropC }, calendarOf(atMs).hour);
}
