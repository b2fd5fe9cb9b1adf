import type { Occurrence, WantedOrder } from '@oat-crock/contract/api';
import { daysOn, localTime, momentAt, weekdayOf, wordOf, type CalendarDay, type Zone } from './zone.js';

/**
 * Times at which orders fall due after one moment (ms) and up to another, the earliest first, what has no time last. A weekly one
 * falls due when the wall of the zone shows its hour, whatever becomes of the clocks.
 */
export function occurrencesOf(
  orders: readonly WantedOrder[],
  fromMs: number,
  untilMs: number,
  zone: Zone,
): readonly Occurrence[] {
  return orders
    .flatMap((order) => timesOf(order, fromMs, untilMs, zone))
    .sort((a, b) => (a.dueMs ?? Infinity) - (b.dueMs ?? Infinity));
}

function timesOf(order: WantedOrder, fromMs: number, untilMs: number, zone: Zone): readonly Occurrence[] {
  const { due, id } = order;
  if (due.is === 'some time') return [{ id, order, dueMs: null }];
  if (due.is === 'once') return due.atMs > fromMs && due.atMs <= untilMs ? [{ id, order, dueMs: due.atMs }] : [];
  const found: Occurrence[] = [];
  for (let day = firstDay(due.day, Math.max(fromMs, due.fromMs), zone); ; day = daysOn(day, 7)) {
    const dueMs = momentAt(day, due.atH, zone);
    if (dueMs > untilMs) return found;
    if (dueMs > fromMs && dueMs >= due.fromMs) found.push({ id: `${id} ${wordOf(day)}`, order, dueMs });
  }
}

/** The first of some day of the week (0 is Sunday) from a moment's day on. */
function firstDay(weekday: number, fromMs: number, zone: Zone): CalendarDay {
  const today = localTime(fromMs, zone);
  return daysOn(today, (weekday - weekdayOf(today) + 7) % 7);
}

/** The next moment (ms) at which the wall shows an hour of some day of the week, so many days from now at the earliest. */
export function nextWeekday(nowMs: number, weekday: number, hour: number, zone: Zone, daysAhead = 0): number {
  const from = daysOn(localTime(nowMs, zone), daysAhead);
  return momentAt(daysOn(from, (weekday - weekdayOf(from) + 7) % 7), hour, zone);
}
