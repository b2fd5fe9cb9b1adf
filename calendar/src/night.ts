import type { WallClock } from '@oat-crock/core';
import { daysOn, localTime, momentAt, type Zone } from './zone.js';

/** Hours of the day from one to another; over midnight where the second is not the later. */
export interface Hours {
  readonly fromH: number;
  readonly toH: number;
}

/** Sleeping hours, and the zone whose clocks they are of. */
export interface Asleep extends Hours {
  readonly zone: Zone;
}

/** The sleeping hours of a dairy that has not said otherwise. */
export const USUAL_NIGHT: Hours = { fromH: 22, toH: 6 };

/** A moment that is reckoned in minutes may lie a hair before the hour it was meant for; nobody sleeps for that. */
const HAIR_MS = 500;

/** True where a moment lies in the sleeping hours. */
export function isNight(atMs: number, { fromH, toH, zone }: Asleep): boolean {
  // Who goes to sleep when they get up does not sleep.
  if (fromH === toH) return false;
  const { hour } = localTime(atMs + HAIR_MS, zone);
  return toH <= fromH ? hour >= fromH || hour < toH : hour >= fromH && hour < toH;
}

/** Hours of the day, and days of the week (0 is Sunday), in which somebody is at the crocks. */
export interface Works extends Hours {
  readonly days: readonly number[];
}

/** What a household is at, at a moment: hands are at home in working hours, unwelcome outside them, worst at night. */
export type HourKind = 'work' | 'off' | 'night';

/** What a household that sleeps and works so is at, at a moment. Working hours may run over midnight. */
export function hourKind(atMs: number, asleep: Asleep, { fromH, toH, days }: Works): HourKind {
  if (isNight(atMs, asleep)) return 'night';
  const { hour, weekday } = localTime(atMs + HAIR_MS, asleep.zone);
  const overnight = toH <= fromH;
  const sinceYesterday = overnight && hour < toH;
  const day = (weekday + (sinceYesterday ? 6 : 0)) % 7;
  const within = overnight ? sinceYesterday || hour >= fromH : hour >= fromH && hour < toH;
  return within && days.includes(day) ? 'work' : 'off';
}

/** A moment as it is where somebody is awake, else the next waking hour (ms). */
export function wakeAfter(atMs: number, asleep: Asleep): number {
  if (!isNight(atMs, asleep)) return atMs;
  const day = localTime(atMs, asleep.zone);
  const waking = momentAt(day, asleep.toH, asleep.zone);
  return waking < atMs ? momentAt(daysOn(day, 1), asleep.toH, asleep.zone) : waking;
}

/** The first moment, from one on, at which the wall shows an hour of the day (ms). */
export function nextHour(atMs: number, hour: number, zone: Zone): number {
  const day = localTime(atMs, zone);
  return [0, 1, 2].map((days) => momentAt(daysOn(day, days), hour, zone)).find((ms) => ms >= atMs - HAIR_MS)!;
}

/** The clock on the wall of a household that sleeps so. */
export const wallOf = ({ toH, zone }: Asleep): WallClock => ({
  nextAt: (atMs, hour) => nextHour(atMs, hour, zone),
  morning: (atMs) => nextHour(atMs, toH, zone),
});

/** A moment as it is where somebody is awake, else the hour at which they went to sleep (ms). */
export function wakeBefore(atMs: number, asleep: Asleep): number {
  if (!isNight(atMs, asleep)) return atMs;
  const day = localTime(atMs, asleep.zone);
  const sleeping = momentAt(day, asleep.fromH, asleep.zone);
  return sleeping > atMs ? momentAt(daysOn(day, -1), asleep.fromH, asleep.zone) : sleeping;
}
