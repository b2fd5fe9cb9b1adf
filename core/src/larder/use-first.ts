import type { Lot } from '../lots/lot.js';

/** How near its date a thing is. */
export type Nearness = 'past' | 'today' | 'soon' | 'keeps';

/** Days from now within which a date is near. */
const SOON_DAYS = 3;

/** Whole days from a day of the calendar to another ("2026-05-02"); negative where the second lies before. */
export function daysBetween(fromDay: string, toDay: string): number {
  return dayNumber(toDay) - dayNumber(fromDay);
}

/** Days of the Gregorian calendar since its year nought, counted from the first of March. */
function dayNumber(day: string): number {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const y = month > 2 ? year : year - 1;
  const m = (month + 9) % 12;
  return 365 * y + Math.floor(y / 4) - Math.floor(y / 100) + Math.floor(y / 400) + Math.floor((153 * m + 2) / 5) + date;
}

/** How near the date of a lot is on a day of the calendar. */
export function nearness(lot: Pick<Lot, 'useBy'>, today: string): Nearness {
  if (lot.useBy === null) return 'keeps';
  const days = daysBetween(today, lot.useBy);
  if (days < 0) return 'past';
  if (days === 0) return 'today';
  return days <= SOON_DAYS ? 'soon' : 'keeps';
}

/** Lots in the order in which they are best used: by date, what keeps last and by name. */
export function useFirst<T extends Pick<Lot, 'useBy' | 'name'>>(lots: readonly T[]): T[] {
  const last = '9999-12-31';
  return [...lots].sort((a, b) => {
    const [x, y] = [a.useBy ?? last, b.useBy ?? last];
    return x === y ? a.name.localeCompare(b.name) : x < y ? -1 : 1;
  });
}
