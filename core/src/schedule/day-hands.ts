import { LABOUR_UNITS, type Person, type PlanDays } from './hours.js';
import type { Resource, Use } from './instance.js';
import type { Network } from './network.js';
import type { Committed } from './planning-problem.js';
import { FEED_HANDS, type Need } from './starters.js';
import { awakeMin, type Times } from './timeline.js';

/** Minutes of hands of each day, as a resource: each of its slots is a day of the plan. */
export interface DayRow {
  readonly resource: number;
  readonly midnightsMin: readonly number[];
}

/** The day of the plan that a minute falls on. */
export function dayAt({ midnightsMin }: Pick<DayRow, 'midnightsMin'>, minute: number): number {
  let day = 0;
  while (day + 1 < midnightsMin.length && midnightsMin[day + 1]! <= minute) day++;
  return day;
}

/**
 * How many minutes of hands are enough for all of some people together, day by day, less what is on already; null where somebody has as
 * many as come.
 */
export function dayRowOf(
  people: readonly Person[],
  { midnightsMin }: PlanDays,
  committed: readonly Committed[],
  slots: number,
  resource: number,
): { readonly row: DayRow; readonly resource: Resource } | null {
  if (people.length === 0 || people.some(({ mostMin }) => mostMin === undefined)) return null;
  const enough = people.reduce((sum, { mostMin }) => sum + mostMin!, 0);
  const row = { resource, midnightsMin: midnightsMin.slice(0, slots) };
  const capacity = new Int32Array(slots).fill(LABOUR_UNITS * enough);
  for (const { atMin, minutes } of committed.flatMap(({ tasks }) => tasks)) {
    const day = dayAt(row, atMin);
    capacity[day] = Math.max(0, capacity[day]! - LABOUR_UNITS * minutes);
  }
  return { row, resource: { id: 'day', capacity } };
}

/** The hands of a make by the days they fall on, with those of the feeding before it; of what takes two both are counted. */
export function dayUses(
  row: DayRow,
  { steps }: Network,
  likely: Times,
  starter: Need,
  hasTwo: boolean,
): readonly Use[] {
  const byDay = new Map<number, number>();
  const add = (atMin: number, minutes: number) => {
    const day = dayAt(row, atMin);
    byDay.set(day, (byDay.get(day) ?? 0) + LABOUR_UNITS * minutes);
  };
  steps.forEach((step, i) => add(likely[i]!, awakeMin(step) * (step.forTwo && hasTwo ? 2 : 1)));
  if (starter.is === 'feed') {
    add(starter.feed.beginMin, FEED_HANDS.beginMin);
    add(starter.feed.ripeMin, FEED_HANDS.endMin);
  }
  return [...byDay]
    .filter(([, units]) => units > 0)
    .map(([day, units]) => ({ resource: row.resource, from: day, to: day + 1, units: Math.round(units), setting: 0 }));
}
