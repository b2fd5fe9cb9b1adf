import type { Person, PlanDays, Stretch } from '@oat-crock/core';
import type { Away, Helper, Settings, WeeklyAway } from '@oat-crock/contract/api';
import type { Asleep, Hours, Works } from './night.js';
import { daysOver, momentAt, sameHourOn, weekdayOf, type Zone } from './zone.js';

const MIN_MS = 60_000;

/**
 * Stretches of each day of a zone's calendar from one hour to another, over midnight where the second is not the later, in order,
 * ms. A night in which the clocks are changed is as long as it is.
 *
 * @param isOn whether a day of the week (0 is Sunday) counts
 */
export function dailyStretches(
  { fromH, toH }: Hours,
  fromMs: number,
  untilMs: number,
  zone: Zone,
  isOn: (weekday: number) => boolean = () => true,
): readonly { readonly fromMs: number; readonly untilMs: number }[] {
  const over = toH <= fromH ? 24 : 0;
  return daysOver(sameHourOn(fromMs, -1, zone), untilMs, zone)
    .filter((day) => isOn(weekdayOf(day)))
    .map((day) => ({ fromMs: momentAt(day, fromH, zone), untilMs: momentAt(day, toH + over, zone) }))
    .filter((s) => s.untilMs > fromMs && s.fromMs < untilMs && s.untilMs > s.fromMs);
}

/** The same in minutes from a plan's beginning. */
function daily(hours: Hours, fromMs: number, untilMs: number, zone: Zone, isOn?: (weekday: number) => boolean) {
  return dailyStretches(hours, fromMs, untilMs, zone, isOn).map((s): Stretch => ({
    fromMin: (s.fromMs - fromMs) / MIN_MS,
    toMin: (s.untilMs - fromMs) / MIN_MS,
  }));
}

/** When a household sleeps. */
export function asleepOf({ asleepFromH, asleepToH, zone }: Settings): Asleep {
  return { fromH: asleepFromH, toH: asleepToH, zone };
}

/** When a household is at its crocks. */
export function worksOf({ worksFromH, worksToH, worksDays }: Settings): Works {
  return { fromH: worksFromH, toH: worksToH, days: worksDays };
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
    asleep: asleep.fromH === asleep.toH ? [] : daily(asleep, fromMs, untilMs, asleep.zone),
    works: daily(works, fromMs, untilMs, asleep.zone, (day) => works.days.includes(day)),
    away: away.map((a) => ({ fromMin: (a.fromMs - fromMs) / MIN_MS, toMin: (a.toMs - fromMs) / MIN_MS })),
  };
}

/** Times away, once and each week, as minutes of a plan. */
function awayOver(
  away: readonly Away[],
  weekly: readonly WeeklyAway[],
  fromMs: number,
  untilMs: number,
  zone: Zone,
): readonly Stretch[] {
  return [
    ...away.map((a) => ({ fromMin: (a.fromMs - fromMs) / MIN_MS, toMin: (a.toMs - fromMs) / MIN_MS })),
    ...weekly.flatMap(({ days, ...hours }) => daily(hours, fromMs, untilMs, zone, (day) => days.includes(day))),
  ];
}

/** Somebody who is there in some hours only, less when they are away. */
function helperOver(helper: Helper, fromMs: number, horizonMin: number, zone: Zone): Person {
  const { name, days, fromH, toH, works, wishes, mostH, away = [], awayWeekly = [] } = helper;
  const untilMs = fromMs + horizonMin * MIN_MS;
  const isOn = (day: number) => days.includes(day);
  const there = daily({ fromH, toH }, fromMs, untilMs, zone, isOn);
  const edges = [0, ...there.flatMap((s) => [Math.max(0, s.fromMin), Math.min(horizonMin, s.toMin)]), horizonMin];
  const elsewhere = Array.from({ length: edges.length / 2 }, (_, i) => ({
    fromMin: edges[2 * i]!,
    toMin: edges[2 * i + 1]!,
  })).filter((s) => s.toMin > s.fromMin);
  return {
    ...{ name, asleep: [], works: works ? daily(works, fromMs, untilMs, zone, isOn) : null },
    away: [...elsewhere, ...awayOver(away, awayWeekly, fromMs, untilMs, zone)],
    ...(wishes && { wishes }),
    ...(mostH !== undefined && { mostMin: 60 * mostH }),
  };
}

/** The days of a plan that begins at a moment, by the household's clock. */
export function planDays({ zone, asleepToH }: Settings, fromMs: number, horizonMin: number): PlanDays {
  const days = daysOver(sameHourOn(fromMs, -1, zone), fromMs + horizonMin * MIN_MS, zone);
  return { midnightsMin: days.map((day) => (momentAt(day, 0, zone) - fromMs) / MIN_MS), morningH: asleepToH };
}

/** Everybody's hours over a plan that begins at a moment: those of the house, and of those who help. */
export function peopleOver(settings: Settings, fromMs: number, horizonMin: number): readonly Person[] {
  const { away, awayWeekly, mostH, helpers, zone } = settings;
  const untilMs = fromMs + horizonMin * MIN_MS;
  const house = personOver('', asleepOf(settings), worksOf(settings), [], fromMs, horizonMin);
  return [
    {
      ...house,
      away: awayOver(away, awayWeekly, fromMs, untilMs, zone),
      ...(mostH !== null && { mostMin: 60 * mostH }),
    },
    ...helpers.map((helper) => helperOver(helper, fromMs, horizonMin, zone)),
  ];
}
