import { daysOver, hoursOver, localTime, momentAt } from '@oat-crock/calendar';
import { written } from '../../shared/ui/dates';
import { timeAcross, type LaneFrame } from './lane-geometry';

const HOUR_MS = 3_600_000;
/** Room that a day written out takes, a day in short, and an hour, px. */
const ROOM_PX = { longDay: 165, mark: 52, hour: 42 } as const;
const EVERY_H = [1, 2, 3, 6, 12] as const;

/** The days in view: where each begins, and as much of its name as there is room for. */
export function daysAcross(frame: LaneFrame) {
  const { fromMs, untilMs, width, asleep } = frame;
  const x = timeAcross(frame);
  const days = daysOver(fromMs, untilMs, asleep.zone).map((day) => momentAt(day, 0, asleep.zone));
  return days.map((at, i) => {
    const left = Math.max(0, x(at));
    const room = (i + 1 < days.length ? x(days[i + 1]!) : width) - left;
    const text = room > ROOM_PX.longDay ? written(at, 'longDay') : room > ROOM_PX.mark ? written(at, 'mark') : '';
    return { x: left, text, first: i === 0 };
  });
}

/** As many hours of the day as there is room for; midnight is a day's. */
export function hoursAcross(frame: LaneFrame) {
  const { fromMs, untilMs, width, asleep } = frame;
  const x = timeAcross(frame);
  const perHour = width / ((untilMs - fromMs) / HOUR_MS);
  const every = EVERY_H.find((h) => h * perHour >= ROOM_PX.hour) ?? 24;
  return hoursOver(fromMs, untilMs, every, asleep.zone)
    .filter((at) => localTime(at, asleep.zone).hour !== 0)
    .map((at) => ({ x: x(at), text: every < 24 ? written(at, 'hour') : '' }));
}

/** Something that comes at a moment, and what it is. */
export interface Coming {
  readonly id: string;
  readonly atMs: number;
  readonly words: string;
}

/** What comes in view, where it does. */
export function cansAcross(frame: LaneFrame, comes: readonly Coming[]) {
  const x = timeAcross(frame);
  return comes
    .filter(({ atMs }) => atMs >= frame.fromMs && atMs <= frame.untilMs)
    .map(({ id, atMs, words }) => ({ id, words, x: x(atMs) }));
}

/** Room that a can takes beside the word of an hour, px. */
const CAN_PX = { before: 6, after: 24 } as const;

/** Hours with no word where a can stands. */
export const withRoomFor = <T extends { readonly x: number; readonly text: string }>(
  cans: readonly { readonly x: number }[],
  hours: readonly T[],
): readonly T[] =>
  hours.map((hour) =>
    cans.some(({ x }) => x > hour.x - CAN_PX.before && x < hour.x + CAN_PX.after) ? { ...hour, text: '' } : hour,
  );
