import {
  roomCourse,
  roomMeanC,
  roomMeanOver,
  roomSwingC,
  type CalendarMoment,
  type RoomReading,
} from '@oat-crock/core';
import type { Settings } from '@oat-crock/contract/api';
import { localTime, type Zone } from './zone.js';

/** Where a moment lies in the year and the day of a zone's calendar. */
function calendarOf(atMs: number, zone: Zone): CalendarMoment {
  const { year, month, day, hour } = localTime(atMs, zone);
  const days = new Date(Date.UTC(year, month, 0)).getUTCDate();
  return { month, monthShare: (day - 1) / days, hour };
}

function meanOnDay({ roomC, roomSummerC, warmestMonth, roomNightDropC, zone }: Settings, atMs: number): number {
  const climate = { winterC: roomC, summerC: roomSummerC, warmestMonth, nightDropC: roomNightDropC };
  return roomMeanC(climate, calendarOf(atMs, zone));
}

/** The room that a make is planned for at a moment, to half a degree: as it was read over the last day, else as the household has it. */
export function roomToPlanFor(settings: Settings, readings: readonly RoomReading[], atMs: number): number {
  return Math.round((roomMeanOver(readings, atMs) ?? meanOnDay(settings, atMs)) * 2) / 2;
}

/**
 * How warm it is around a crock on the counter, °C at a moment (ms): the room as it was read, by so much warmer or cooler as its
 * corner was planned to be.
 *
 * @param plannedC what the make was planned for, where its maker said so
 */
export function roomAround(
  settings: Settings,
  readings: readonly RoomReading[],
  startedMs: number,
  plannedC: number | undefined,
): (atMs: number) => number {
  const course = roomCourse(readings, (atMs) => usualRoomC(settings, atMs));
  const cornerC = plannedC === undefined ? 0 : plannedC - roomToPlanFor(settings, readings, startedMs);
  return (atMs) => course(atMs) + cornerC;
}

/** How warm the room usually is at a moment, by the year and the hour, °C. */
export function usualRoomC(settings: Settings, atMs: number): number {
  return meanOnDay(settings, atMs) + roomSwingAt(settings, atMs);
}

/** How far the room is from that mean at a moment. */
export function roomSwingAt({ roomNightDropC, zone }: Settings, atMs: number): number {
  return roomSwingC({ nightDropC: roomNightDropC }, localTime(atMs, zone).hour);
}
