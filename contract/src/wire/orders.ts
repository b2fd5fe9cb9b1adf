import type { Choices } from '@oat-crock/core';

/** When something is wanted: once, each week at an hour of some day (0 is Sunday), or some time. */
export type Due =
  | { readonly is: 'once'; readonly atMs: number }
  | { readonly is: 'weekly'; readonly day: number; readonly atH: number; readonly fromMs: number }
  | { readonly is: 'some time' };

/** Something that is wanted of a product: how much, when, for whom. */
export interface WantedOrder {
  /** ULID. */
  readonly id: string;
  /** For whom, in the household's words; empty for oneself. */
  readonly whom: string;
  readonly methodId: string;
  readonly choices: Choices;
  readonly productG: number;
  readonly due: Due;
  readonly note: string;
}

/** One time at which an order falls due; null where it is wanted some time. */
export interface Occurrence {
  /** The order's id, and of a weekly one the day it falls on: the same whenever it is asked. */
  readonly id: string;
  readonly order: WantedOrder;
  readonly dueMs: number | null;
}

/** Times at which orders fall due after one moment and up to another, the earliest first, what has no time last. */
export function occurrencesOf(orders: readonly WantedOrder[], fromMs: number, untilMs: number): readonly Occurrence[] {
  return orders
    .flatMap((order) => timesOf(order, fromMs, untilMs))
    .sort((a, b) => (a.dueMs ?? Infinity) - (b.dueMs ?? Infinity));
}

function timesOf(order: WantedOrder, fromMs: number, untilMs: number): readonly Occurrence[] {
  const { due, id } = order;
  if (due.is === 'some time') return [{ id, order, dueMs: null }];
  if (due.is === 'once') return due.atMs > fromMs && due.atMs <= untilMs ? [{ id, order, dueMs: due.atMs }] : [];
  const found: Occurrence[] = [];
  const day = new Date(Math.max(fromMs, due.fromMs));
  day.setHours(0, 0, 0, 0);
  day.setDate(day.getDate() + ((due.day - day.getDay() + 7) % 7));
  for (; ; day.setDate(day.getDate() + 7)) {
    const at = new Date(day);
    at.setHours(Math.floor(due.atH), Math.round((due.atH % 1) * 60), 0, 0);
    const dueMs = at.getTime();
    if (dueMs > untilMs) return found;
    if (dueMs > fromMs && dueMs >= due.fromMs) found.push({ id: `${id} ${dayWord(day)}`, order, dueMs });
  }
}

/** "2026-05-02", of the calendar where the machine stands. */
function dayWord(day: Date): string {
  const two = (n: number) => String(n).padStart(2, '0');
  return `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`;
}
