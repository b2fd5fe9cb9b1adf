import { Temporal } from 'temporal-polyfill';

/** A named time zone of the IANA database, "Europe/Berlin"; a household keeps its hours in one. */
export type Zone = string;

/** A day of the calendar, with no hour and no zone. Months count from 1. */
export interface CalendarDay {
  readonly year: number;
  readonly month: number;
  readonly day: number;
}

/** What a clock and a calendar on the wall of a zone show. */
export interface LocalTime extends CalendarDay {
  /** Day of the week; 0 is Sunday. */
  readonly weekday: number;
  /** Hour of the day with its fraction, 0 to 24. */
  readonly hour: number;
}

const MIN_MS = 60_000;
const HOUR_MS = 60 * MIN_MS;
const DAY_MS = 24 * HOUR_MS;

/** Time from one change of a zone's clocks to the next: how far it is ahead of UTC meanwhile, ms. */
interface Stretch {
  readonly fromMs: number;
  readonly untilMs: number;
  readonly aheadMs: number;
}

/** A zone's stretches as they were asked for: a Temporal look-up takes microseconds, and drawings and models ask thousands of times. */
const stretches = new Map<Zone, Stretch[]>();

/** How far a zone is ahead of UTC at a moment, ms. */
export function aheadOfUtcMs(atMs: number, zone: Zone): number {
  let known = stretches.get(zone);
  if (!known) stretches.set(zone, (known = []));
  const found = known.find((s) => atMs >= s.fromMs && atMs < s.untilMs);
  if (found) return found.aheadMs;
  const stretch = stretchAt(atMs, zone);
  known.unshift(stretch);
  return stretch.aheadMs;
}

function stretchAt(atMs: number, zone: Zone): Stretch {
  const at = Temporal.Instant.fromEpochMilliseconds(Math.floor(atMs)).toZonedDateTimeISO(zone);
  const next = at.getTimeZoneTransition('next');
  const last = at.add({ milliseconds: 1 }).getTimeZoneTransition('previous');
  return {
    fromMs: last?.epochMilliseconds ?? -Infinity,
    untilMs: next?.epochMilliseconds ?? Infinity,
    aheadMs: at.offsetNanoseconds / 1e6,
  };
}

/** True where a text names a time zone that this machine knows. */
export function isZone(text: string): boolean {
  try {
    return Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(text).timeZoneId.length > 0;
  } catch {
    return false;
  }
}

/** What the wall shows at a moment (ms). */
export function localTime(atMs: number, zone: Zone): LocalTime {
  const wallMs = atMs + aheadOfUtcMs(atMs, zone);
  const wall = new Date(wallMs);
  return {
    year: wall.getUTCFullYear(),
    month: wall.getUTCMonth() + 1,
    day: wall.getUTCDate(),
    weekday: wall.getUTCDay(),
    hour: (wallMs - Math.floor(wallMs / DAY_MS) * DAY_MS) / HOUR_MS,
  };
}

/**
 * The moment (ms) at which the wall shows an hour of a day. Hours may run over into other days (25 is one in the morning of the
 * next). An hour that is left out where clocks go forward is the one they show instead, an hour later; one that comes twice is
 * the first.
 */
export function momentAt({ year, month, day }: CalendarDay, hour: number, zone: Zone): number {
  return Temporal.PlainDateTime.from({ year, month, day })
    .add({ milliseconds: Math.round(hour * HOUR_MS) })
    .toZonedDateTime(zone, { disambiguation: 'compatible' }).epochMilliseconds;
}

/** So many days on in the calendar (back where negative). */
export function daysOn({ year, month, day }: CalendarDay, days: number): CalendarDay {
  const at = new Date(Date.UTC(year, month - 1, day + days));
  return { year: at.getUTCFullYear(), month: at.getUTCMonth() + 1, day: at.getUTCDate() };
}

/** Day of the week; 0 is Sunday. */
export function weekdayOf({ year, month, day }: CalendarDay): number {
  return new Date(Date.UTC(year, month - 1, day)).getUTCDay();
}

/** The same hour of the wall, so many days later (ms). */
export function sameHourOn(atMs: number, days: number, zone: Zone): number {
  const local = localTime(atMs, zone);
  return momentAt(daysOn(local, days), local.hour, zone);
}

/** True where two moments fall on one day of the calendar. */
export function isSameDay(aMs: number, bMs: number, zone: Zone): boolean {
  return dayWord(aMs, zone) === dayWord(bMs, zone);
}

/** The day that a moment falls on, as ISO 8601 writes it: "2026-05-02". */
export function dayWord(atMs: number, zone: Zone): string {
  return wordOf(localTime(atMs, zone));
}

/** The lot of a make as it stands on its pots: the day it was begun, and four signs of its id: "261123-7QQ1". */
export function lotCodeIn({ startedMs, id }: { readonly startedMs: number; readonly id: string }, zone: Zone): string {
  return `${dayWord(startedMs, zone).slice(2).replaceAll('-', '')}-${id.slice(-4)}`;
}

/** A day as ISO 8601 writes it. */
export function wordOf({ year, month, day }: CalendarDay): string {
  const two = (n: number) => String(n).padStart(2, '0');
  return `${year}-${two(month)}-${two(day)}`;
}

/** The day that ISO 8601 writes so. */
export function dayOfWord(word: string): CalendarDay {
  const [year = 0, month = 1, day = 1] = word.split('-').map(Number);
  return { year, month, day };
}

/** Noon of a day as ISO 8601 writes it (ms): no change of clocks moves it to another day. */
export function noonOf(word: string, zone: Zone): number {
  return momentAt(dayOfWord(word), 12, zone);
}

/** The days of the calendar that a stretch of time touches, in order. */
export function daysOver(fromMs: number, untilMs: number, zone: Zone): readonly CalendarDay[] {
  const days: CalendarDay[] = [];
  for (let day: CalendarDay = localTime(fromMs, zone); momentAt(day, 0, zone) < untilMs; day = daysOn(day, 1)) {
    days.push(day);
  }
  return days;
}

/** Moments (ms) within a stretch at which the wall shows an hour that `everyH` divides; from midnight on, each day anew. */
export function hoursOver(fromMs: number, untilMs: number, everyH: number, zone: Zone): readonly number[] {
  const hours = Array.from({ length: Math.ceil(24 / everyH) }, (_, i) => i * everyH);
  const moments = daysOver(fromMs, untilMs, zone).flatMap((day) => hours.map((hour) => momentAt(day, hour, zone)));
  return [...new Set(moments)].filter((ms) => ms >= fromMs && ms < untilMs);
}
