/** Sleeping hours, hours of the day. */
export interface Asleep {
  readonly fromH: number;
  readonly toH: number;
}

/** The sleeping hours of a dairy that has not said otherwise. */
export const ASLEEP: Asleep = { fromH: 22, toH: 6 };

/** A moment that is reckoned in minutes may lie a hair before the hour it was meant for; nobody sleeps for that. */
const HAIR_MS = 500;

/** True where a moment lies in the sleeping hours. */
export function isNight(atMs: number, { fromH, toH }: Asleep): boolean {
  // Who goes to sleep when they get up does not sleep.
  if (fromH === toH) return false;
  const hour = hourOf(new Date(atMs + HAIR_MS));
  return toH <= fromH ? hour >= fromH || hour < toH : hour >= fromH && hour < toH;
}

/** Hours of the day, and days of the week (0 is Sunday), in which somebody is at the crocks. */
export interface Works {
  readonly fromH: number;
  readonly toH: number;
  readonly days: readonly number[];
}

/** What a household is at, at a moment: hands are at home in working hours, unwelcome outside them, worst at night. */
export type HourKind = 'work' | 'off' | 'night';

/** What a household that sleeps and works so is at, at a moment. Working hours may run over midnight. */
export function hourKind(atMs: number, asleep: Asleep, { fromH, toH, days }: Works): HourKind {
  if (isNight(atMs, asleep)) return 'night';
  const at = new Date(atMs + HAIR_MS);
  const hour = hourOf(at);
  const overnight = toH <= fromH;
  const sinceYesterday = overnight && hour < toH;
  const day = (at.getDay() + (sinceYesterday ? 6 : 0)) % 7;
  const within = overnight ? sinceYesterday || hour >= fromH : hour >= fromH && hour < toH;
  return within && days.includes(day) ? 'work' : 'off';
}

const hourOf = (at: Date) => at.getHours() + at.getMinutes() / 60;

/** A moment as it is where somebody is awake, else the next waking hour. */
export function wakeAfter(atMs: number, asleep: Asleep): number {
  if (!isNight(atMs, asleep)) return atMs;
  const waking = new Date(atMs);
  waking.setHours(asleep.toH, 0, 0, 0);
  if (waking.getTime() < atMs) waking.setDate(waking.getDate() + 1);
  return waking.getTime();
}

/** A moment as it is where somebody is awake, else the hour at which they went to sleep. */
export function wakeBefore(atMs: number, asleep: Asleep): number {
  if (!isNight(atMs, asleep)) return atMs;
  const sleeping = new Date(atMs);
  sleeping.setHours(asleep.fromH, 0, 0, 0);
  if (sleeping.getTime() > atMs) sleeping.setDate(sleeping.getDate() - 1);
  return sleeping.getTime();
}
