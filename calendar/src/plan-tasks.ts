import { mass as massOf, say, temp as tempOf, weighed, type Text } from '@oat-crock/core';
import { visitsOf, type PlannedBatch, type Visit } from '@oat-crock/contract/api';

/** Hands of the plan that come next: a make to be begun, or the feeding of its culture before it. */
export interface PlanTask {
  readonly plannedBatch: PlannedBatch;
  readonly is: 'begin' | 'feed';
  readonly atMs: number;
}

const MIN_MS = 60_000;

/** The visit that begins a planned make; null where it takes no hands. */
export const firstVisit = (plannedBatch: PlannedBatch): Visit | null =>
  visitsOf(plannedBatch.tasks.filter((h) => h.minutes > 0))[0] ?? null;

/** What these hands do, in a sentence of metric quantities. */
export function planTaskSays({ plannedBatch, is }: PlanTask): Text {
  if (is === 'begin') return firstVisit(plannedBatch)?.tasks[0]?.says ?? say('hands.begin');
  const { starterG, milkG, tempC } = plannedBatch.feed!;
  return say('hands.feed', { starter: massOf(starterG, 0), milk: weighed(milkG), temp: tempOf(tempC) });
}

/** So long ahead the hands of a plan stand among those of Today. */
const AHEAD_MS = 24 * 60 * MIN_MS;
const SHOWN = 4;
/** A feeding that was not begun by then is not begun at all: its make is planned anew. */
const FEED_LATE_MS = 60 * MIN_MS;

/** Everything that a plan has begun or fed, in order of time. */
export function allPlanTasks(plannedBatches: readonly PlannedBatch[]): readonly PlanTask[] {
  return plannedBatches
    .flatMap((plannedBatch): PlanTask[] => [
      { plannedBatch, is: 'begin', atMs: plannedBatch.startMs },
      ...(plannedBatch.feed ? [{ plannedBatch, is: 'feed' as const, atMs: plannedBatch.feed.beginMs }] : []),
    ])
    .sort((a, b) => a.atMs - b.atMs);
}

/** What of a plan comes next on Today: what is to be begun, and what is to be fed for it. */
export const planTasks = (plannedBatches: readonly PlannedBatch[], nowMs: number): readonly PlanTask[] =>
  allPlanTasks(plannedBatches)
    .filter(({ is, atMs }) => atMs < nowMs + AHEAD_MS && (is === 'begin' || atMs > nowMs - FEED_LATE_MS))
    .slice(0, SHOWN);
