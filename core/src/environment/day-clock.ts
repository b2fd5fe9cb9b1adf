/** The clock on the wall of a kitchen, by the minutes of a make. */
export interface DayClock {
  /** The first minute, from one on, at which it shows an hour of the day (18.5 is half past six). */
  readonly nextAt: (minute: number, hour: number) => number;
  /** The first minute, from one on, at which somebody gets up. */
  readonly morning: (minute: number) => number;
}

/** The same by moments, ms. */
export interface WallClock {
  readonly nextAt: (atMs: number, hour: number) => number;
  readonly morning: (atMs: number) => number;
}

const DAY_MIN = 24 * 60;
const MS_PER_MIN = 60_000;

/** Where nobody has said when they get up. */
const USUAL_MORNING_H = 6;

/** A clock that shows midnight at moment 0, for a make that stands in no household. */
export const PLAIN_WALL: WallClock = {
  nextAt: (atMs, hour) => MS_PER_MIN * nextHour(atMs / MS_PER_MIN, hour),
  morning: (atMs) => MS_PER_MIN * nextHour(atMs / MS_PER_MIN, USUAL_MORNING_H),
};

function nextHour(minute: number, hour: number): number {
  return minute + ((((60 * hour - minute) % DAY_MIN) + DAY_MIN) % DAY_MIN);
}

/** A wall's clock by the minutes of a make that began at a moment, ms. */
export function clockFrom(startMs: number, { nextAt, morning }: WallClock): DayClock {
  const minuteOf = (ms: number) => (ms - startMs) / MS_PER_MIN;
  const msOf = (minute: number) => startMs + minute * MS_PER_MIN;
  return {
    nextAt: (minute, hour) => minuteOf(nextAt(msOf(minute), hour)),
    morning: (minute) => minuteOf(morning(msOf(minute))),
  };
}
