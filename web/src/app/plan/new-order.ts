import type { Due, WantedOrder } from '@oat-crock/contract/wire';
import type { Method } from '@oat-crock/core';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** The next of some day of the week (0 is Sunday) at an hour, two days from now at the earliest. */
function nextDay(nowMs: number, day: number, hour: number): number {
  const at = new Date(nowMs + 2 * DAY_MS);
  at.setDate(at.getDate() + ((day - at.getDay() + 7) % 7));
  return at.setHours(hour, 0, 0, 0);
}

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
    const at = new Date((due as { atMs: number }).atMs);
    return { is, day: at.getDay(), atH: at.getHours() + at.getMinutes() / 60, fromMs: nowMs };
  }
  const { day, atH } = due as { day: number; atH: number };
  const atMs = new Date(nextDay(nowMs, day, Math.floor(atH))).setMinutes(Math.round((atH % 1) * 60));
  return { is: 'once', atMs };
}

/** The same order at another time: that of a weekly one moves every week's. */
export function dueAt(due: Due, atMs: number): Due {
  if (due.is !== 'weekly') return { is: 'once', atMs };
  const at = new Date(atMs);
  return { ...due, day: at.getDay(), atH: at.getHours() + at.getMinutes() / 60 };
}
