import type { WantedOrder } from '@oat-crock/contract/api';
import type { Likeness } from '@oat-crock/core';
import { weekdayHourWord, written } from '../ui/dates';
import { dayTime, span } from '../ui/words';
import type { PlanFound } from './planner-api';

/** So far ahead a weekday alone would be taken for that of this week. */
const THIS_WEEK_MS = 6 * 86_400_000;

/** A moment to come: "Sat 09:00", "Sat 12 Dec 09:00" once it is not of this week. */
export const whenWords = (atMs: number, nowMs: number): string =>
  atMs - nowMs < THIS_WEEK_MS ? dayTime(atMs) : written(atMs, 'dayClock');

/** When something is wanted: "Sat 09:00", "each Saturday 09:00", "some time". */
export function dueWords({ due }: Pick<WantedOrder, 'due'>, nowMs: number): string {
  if (due.is === 'some time') return 'some time';
  if (due.is === 'once') return whenWords(due.atMs, nowMs);
  return `each ${weekdayHourWord(due.day, due.atH)}`;
}

/** How a plan is, in a few short sentences that can be set beside those of another. */
export function likenessWords(likeness: Likeness, startMs: number): readonly string[] {
  const { nightMin, offMin, handsMin, meanAgeH, oldestH, leastToSpareH, firstMin, feedings } = likeness;
  const when =
    nightMin >= 1
      ? `${span(nightMin)} of hands in the night.`
      : offMin >= 1
        ? `No hands in the night, ${span(offMin)} outside working hours.`
        : 'All hands in working hours.';
  const begins = firstMin === null ? '' : ` First hands ${dayTime(startMs + firstMin * 60_000)}.`;
  const spare =
    leastToSpareH === null || leastToSpareH < 1 ? '' : ` One time in ten only ${span(60 * leastToSpareH)} to spare.`;
  const fed = feedings === 0 ? '' : `, ${feedings === 1 ? 'one feeding' : `${feedings} feedings`} of a culture before`;
  return [
    when + begins,
    ...(oldestH > 0 ? [`Fresh by ${span(60 * meanAgeH)}, ${span(60 * oldestH)} at most.${spare}`] : []),
    `${span(handsMin)} of hands in all${fed}.`,
  ];
}

/** A bound further off than this says nothing of how good a plan is. */
const TELLING_GAP = 0.25;

/** How good a plan is known to be. */
export function gapWords({ proven, gap }: Pick<PlanFound, 'proven' | 'gap'>): string {
  if (proven) return 'None is better.';
  if (gap > TELLING_GAP) return 'More rounds may find better.';
  const pct = 100 * gap;
  return `Within ${pct < 1 ? pct.toFixed(1) : pct.toFixed(0)} % of the best.`;
}

/** Time from one moment to another: "40 min later", "2 h earlier". */
export function shiftWords(fromMs: number, toMs: number): string {
  const minutes = (toMs - fromMs) / 60_000;
  return `${span(Math.abs(minutes))} ${minutes < 0 ? 'earlier' : 'later'}`;
}

/** The day a moment falls on, as a heading: "Thursday 23 November". */
export const dayHeading = (atMs: number): string => written(atMs, 'longDay');
