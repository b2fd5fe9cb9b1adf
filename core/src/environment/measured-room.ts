/** A reading of the room, by a logger that hangs in it. */
export interface RoomReading {
  readonly atMs: number;
  readonly tempC: number;
}

const HOUR_MS = 3_600_000;

/** Readings nearer to each other than this are joined by a line. */
const JOINED_MS = 2 * HOUR_MS;
/** How far the room is off its usual course, it is half as much so many hours from the reading. */
const HALF_GONE_MS = 6 * HOUR_MS;

/**
 * The course of a room, °C by the moment (ms), from what was read in it: measured where there are readings; between those far
 * apart, before the first and after the last, how far it was from its usual course fades.
 *
 * @param readings in order of time
 * @param usualC the room's usual course, °C at a moment
 */
export function roomCourse(
  readings: readonly RoomReading[],
  usualC: (atMs: number) => number,
): (atMs: number) => number {
  const offC = readings.map(({ atMs, tempC }) => tempC - usualC(atMs));
  return (atMs) => {
    const after = firstAfter(readings, atMs);
    const [before, next] = [readings[after - 1], readings[after]];
    const [offBefore, offNext] = [offC[after - 1] ?? 0, offC[after] ?? 0];
    if (before && next && next.atMs - before.atMs <= JOINED_MS) {
      const share = (atMs - before.atMs) / Math.max(1, next.atMs - before.atMs);
      return usualC(atMs) + offBefore + share * (offNext - offBefore);
    }
    const fromBefore = before ? offBefore * faded(atMs - before.atMs) : 0;
    const fromNext = next ? offNext * faded(next.atMs - atMs) : 0;
    return usualC(atMs) + fromBefore + fromNext;
  };
}

/** Mean of a room over the day before a moment, °C; null where it was read too seldom to say. */
export function roomMeanOver(readings: readonly RoomReading[], nowMs: number): number | null {
  const lastDay = readings.filter(({ atMs }) => atMs > nowMs - 24 * HOUR_MS && atMs <= nowMs);
  const hours = new Set(lastDay.map(({ atMs }) => Math.floor(atMs / HOUR_MS)));
  if (hours.size < 12) return null;
  const byHour = [...hours].map((hour) => mean(lastDay.filter(({ atMs }) => Math.floor(atMs / HOUR_MS) === hour)));
  return byHour.reduce((sum, c) => sum + c, 0) / byHour.length;
}

const faded = (ms: number) => 0.5 ** (ms / HALF_GONE_MS);

const mean = (readings: readonly RoomReading[]) => readings.reduce((sum, r) => sum + r.tempC, 0) / readings.length;

/** Place of the first reading after a moment. */
function firstAfter(readings: readonly RoomReading[], atMs: number): number {
  let [low, high] = [0, readings.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (readings[middle]!.atMs <= atMs) low = middle + 1;
    else high = middle;
  }
  return low;
}
