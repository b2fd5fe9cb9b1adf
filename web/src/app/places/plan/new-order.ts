import type { Due, WantedOrder } from '@oat-crock/contract/api';
import { localTime, nextWeekday } from '@oat-crock/calendar';
import type { Method } from '@oat-crock/core';
import { kitchenZone } from '../../shared/ui/zone';

/** An order is for two days from now at the earliest. */
const AHEAD_DAYS = 2;
const nextDay = (nowMs: number, day: number, hour: number): number =>
  nextWeekday(nowMs, day, hour, kitchenZone(), AHEAD_DAYS);

const SATURDAY = 6;
const MARKET_H = 8;
const USUAL_G = 2000;

/** An order to be written: by the next market day, unless somebody says otherwise. */
export function newOrder(id: string, method: Pick<Method, 'id'>, nowMs: number): WantedOrder {
  const due: Due = { is: 'once', atMs: nextDay(nowMs, SATURDAY, MARKET_H) };
  return { id, whom: '', methodId: method.id, choices: {}, productG: USUAL_G, due, note: '' };
}

/** The same time, as another kind of time. */
export function dueAs(is: Due['is'], due: Due, nowMs: number): Due {
  if (is === due.is) return due;
  if (is === 'some time') return { is };
  if (due.is === 'some time') {
    const atMs = nextDay(nowMs, SATURDAY, MARKET_H);
    return is === 'once' ? { is, atMs } : { is, day: SATURDAY, atH: MARKET_H, fromMs: nowMs };
  }
  if (is === 'weekly') {
    return { is, ...weekly((due as { atMs: number }).atMs), fromMs: nowMs };
  }
  const { day, atH } = due as { day: number; atH: number };
  return { is: 'once', atMs: nextDay(nowMs, day, atH) };
}

/** The same order at another time: that of a weekly one moves every week's. */
export function dueAt(due: Due, atMs: number): Due {
  if (due.is !== 'weekly') return { is: 'once', atMs };
  return { ...due, ...weekly(atMs) };
}

/** The day of the week and the hour of a moment, to the minute. */
function weekly(atMs: number): { readonly day: number; readonly atH: number } {
  const { weekday, hour } = localTime(atMs, kitchenZone());
  return { day: weekday, atH: Math.round(hour * 60) / 60 };
}
