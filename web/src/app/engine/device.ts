import { localTime, momentAt, type Zone } from '@oat-crock/calendar';

/**
 * The only place of the page that asks this device for its clock, or works in its time zone. All else goes by the kitchen's clock
 * (`KitchenClock`) and the household's zone.
 */

/** Now by this device's clock, ms since the epoch. */
export const deviceNowMs = (): number => Date.now();

/** A moment as a date picker is given it: with the figures of the household's wall, whatever zone this device is in. */
export function pickerDate(atMs: number, zone: Zone): Date {
  const { year, month, day, hour } = localTime(atMs, zone);
  const minutes = Math.round(hour * 60);
  return new Date(year, month - 1, day, Math.floor(minutes / 60), minutes % 60);
}

/** The moment (ms) at which the household's wall shows the figures that were picked. */
export function pickedMoment(date: Date, zone: Zone): number {
  const day = { year: date.getFullYear(), month: date.getMonth() + 1, day: date.getDate() };
  return momentAt(day, date.getHours() + date.getMinutes() / 60, zone);
}
