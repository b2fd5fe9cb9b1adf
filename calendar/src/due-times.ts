import type { Occurrence, Supply, SupplyTime, WantedOrder } from '@oat-crock/contract/api';
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
  return weeklyTimes(due.day, due.atH, due.fromMs, [fromMs, untilMs], zone).map(({ day, atMs }) => ({
    ...{ id: `${id} ${day}`, order, dueMs: atMs },
  }));
}

/** Times at which milk and cream comes after one moment (ms) and up to another, the earliest first. */
export function supplyTimesOf(
  supplies: readonly Supply[],
  fromMs: number,
  untilMs: number,
  zone: Zone,
): readonly SupplyTime[] {
  return supplies
    .flatMap((supply): readonly SupplyTime[] => {
      const { id, comes } = supply;
      if (comes.is === 'once') {
        const { atMs } = comes;
        return atMs > fromMs && atMs <= untilMs ? [{ id, supply, atMs }] : [];
      }
      return comes.days
        .flatMap((day) => weeklyTimes(day, comes.atH, comes.fromMs, [fromMs, untilMs], zone))
        .map(({ day, atMs }) => ({ id: `${id} ${day}`, supply, atMs }));
    })
    .sort((a, b) => a.atMs - b.atMs);
}

/** Times of some hour of a day of the week, from a moment on, that lie after one moment and up to another; each with its day. */
function weeklyTimes(
  weekday: number,
  atH: number,
  sinceMs: number,
  [fromMs, untilMs]: readonly [number, number],
  zone: Zone,
): readonly { readonly day: string; readonly atMs: number }[] {
  const found: { day: string; atMs: number }[] = [];
  for (let day = firstDay(weekday, Math.max(fromMs, sinceMs), zone); ; day = daysOn(day, 7)) {
    const atMs = momentAt(day, atH, zone);
    if (atMs > untilMs) return found;
    if (atMs > fromMs && atMs >= sinceMs) found.push({ day: wordOf(day), atMs });
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
