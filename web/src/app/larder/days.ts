import { format, parse } from 'date-fns';
import { written } from '../ui/dates';

const DAY = 'yyyy-MM-dd';

/** The day of the calendar that a moment falls on here: "2026-05-02". */
export function dayOf(at: Date | number): string {
  return format(at, DAY);
}

/** Noon of a day of the calendar, so that no clock change moves it to another. */
export function noonOf(day: string): Date {
  return parse(`${day} 12`, `${DAY} HH`, 0);
}

/** A day as it is said: "Wed 6 May". */
export function sayDay(day: string): string {
  return written(noonOf(day), 'day');
}
