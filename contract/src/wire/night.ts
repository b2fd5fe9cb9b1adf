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
  const at = new Date(atMs + HAIR_MS);
  const hour = at.getHours() + at.getMinutes() / 60;
  return toH <= fromH ? hour >= fromH || hour < toH : hour >= fromH && hour < toH;
}

/** A moment as it is where somebody is awake, else the next waking hour. */
export function wakeAfter(atMs: number, asleep: Asleep): number {
  if (!isNight(atMs, asleep)) return atMs;
  const waking = new Date(atMs);
  waking.setHours(asleep.toH, 0, 0, 0);
  if (waking.getTime() < atMs) waking.setDate(waking.getDate() + 1);
  return waking.getTime();
}
