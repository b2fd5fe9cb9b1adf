import type { Person, Stretch } from '@oat-crock/core';
import type { Asleep, Works } from './night.js';
import type { Away, Helper, Settings } from './settings.js';

const MIN_MS = 60_000;

/** The days of the calendar that a stretch of time touches, each as the moment at which it begins where the machine stands. */
function daysFrom(fromMs: number, untilMs: number): readonly Date[] {
  const first = new Date(fromMs);
  first.setHours(0, 0, 0, 0);
  first.setDate(first.getDate() - 1);
  const days: Date[] = [];
  for (const day = first; day.getTime() < untilMs; day.setDate(day.getDate() + 1)) days.push(new Date(day));
  return days;
}

/** An hour of a day of the calendar, ms: hours may run on into the next day. Where clocks are changed it is what the clock shows. */
function atHour(day: Date, hour: number): number {
  const at = new Date(day);
  at.setHours(Math.floor(hour), Math.round((hour % 1) * 60), 0, 0);
  return at.getTime();
}

/**
 * Stretches of each day of the calendar from one hour to another, over midnight where the second is the earlier, in minutes
 * from a moment on. A night in which the clocks are changed is as long as it is.
 */
function daily(
  { fromH, toH }: { readonly fromH: number; readonly toH: number },
  fromMs: number,
  untilMs: number,
  isOn: (day: Date) => boolean,
): readonly Stretch[] {
  const over = toH <= fromH ? 24 : 0;
  return daysFrom(fromMs, untilMs)
    .filter(isOn)
    .map((day) => ({ begin: atHour(day, fromH), end: atHour(day, toH + over) }))
    .filter(({ begin, end }) => end > fromMs && begin < untilMs && end > begin)
    .map(({ begin, end }) => ({ fromMin: (begin - fromMs) / MIN_MS, toMin: (end - fromMs) / MIN_MS }));
}

/** Somebody's hours over a plan that begins at a moment: nights, working hours and times away as minutes of it. */
export function personOver(
  name: string,
  asleep: Asleep,
  works: Works,
  away: readonly Away[],
  fromMs: number,
  horizonMin: number,
): Person {
  const untilMs = fromMs + horizonMin * MIN_MS;
  return {
    name,
    asleep: asleep.fromH === asleep.toH ? [] : daily(asleep, fromMs, untilMs, () => true),
    works: daily(works, fromMs, untilMs, (day) => works.days.includes(day.getDay())),
    away: away.map((a) => ({ fromMin: (a.fromMs - fromMs) / MIN_MS, toMin: (a.toMs - fromMs) / MIN_MS })),
  };
}

/** Somebody who is there in some hours only. */
function helperOver({ name, fromH, toH, days }: Helper, fromMs: number, horizonMin: number): Person {
  const there = daily({ fromH, toH }, fromMs, fromMs + horizonMin * MIN_MS, (day) => days.includes(day.getDay()));
  const edges = [0, ...there.flatMap((s) => [Math.max(0, s.fromMin), Math.min(horizonMin, s.toMin)]), horizonMin];
  const away = Array.from({ length: edges.length / 2 }, (_, i) => ({
    fromMin: edges[2 * i]!,
    toMin: edges[2 * i + 1]!,
  }));
  return { name, asleep: [], works: null, away: away.filter((s) => s.toMin > s.fromMin) };
}

/** Everybody's hours over a plan that begins at a moment: those of the house, and of those who help. */
export function peopleOver(settings: Settings, fromMs: number, horizonMin: number): readonly Person[] {
  const { asleepFromH, asleepToH, worksFromH, worksToH, worksDays, away, helpers } = settings;
  const asleep = { fromH: asleepFromH, toH: asleepToH };
  const works = { fromH: worksFromH, toH: worksToH, days: worksDays };
  return [
    personOver('', asleep, works, away, fromMs, horizonMin),
    ...helpers.map((helper) => helperOver(helper, fromMs, horizonMin)),
  ];
}
