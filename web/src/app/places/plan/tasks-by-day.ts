import { type PlannedBatch, doersOf, visitsOf } from '@oat-crock/contract/api';
import { mass as massOf, temp as tempOf } from '@oat-crock/core';
import { batchName } from '../../shared/ui/batch-name';
import { textOf, tell } from '../../shared/ui/said';
import { written } from '../../shared/ui/dates';
import { mass, span } from '../../shared/ui/words';
import type { LaneBatch } from './lane-geometry';
import { dayHeading } from './plan-words';

/** A visit to the crocks, in words. */
export interface Visit {
  readonly atMs: number;
  readonly at: string;
  readonly of: string;
  readonly says: string;
  readonly takes: string;
}

/** A day, and when hands are needed in it. */
export interface DayOfTasks {
  readonly day: string;
  readonly takes: string;
  readonly visits: readonly Visit[];
}

/** A feeding takes so long to begin, and to put into the cold, minutes. */
const FEED_MIN = { begin: 10, ripe: 5 } as const;

interface Timed extends Visit {
  readonly minutes: number;
}

/** Everything that hands do, of planned makes and of those that are on, day by day. */
export function tasksByDay(planned: readonly PlannedBatch[], live: readonly LaneBatch[]): readonly DayOfTasks[] {
  const visit = (atMs: number, of: string, says: string, minutes: number, who = ''): Timed => ({
    atMs,
    at: written(atMs, 'clock'),
    of,
    says,
    minutes,
    takes: who ? tell('page.plan.tasksByDay.by', { time: span(minutes), who }) : span(minutes),
  });
  const visits = [
    ...[
      ...planned.map((p) => ({ of: batchName(p), tasks: p.tasks })),
      ...live.map((l) => ({ of: l.name, tasks: l.tasks })),
    ]
      .flatMap(({ of, tasks }) => visitsOf(tasks.filter((h) => h.minutes > 0)).map((sitting) => ({ of, sitting })))
      .map(({ of, sitting: { fromMs, tasks } }) =>
        visit(
          fromMs,
          of,
          tasks.map((h) => textOf(h.says)).join(' '),
          tasks.reduce((sum, h) => sum + h.minutes, 0),
          textOf(doersOf(tasks[0]!)),
        ),
      ),
    ...planned.flatMap((plannedBatch) => feedingVisits(plannedBatch, visit)),
    ...planned.flatMap((p) =>
      p.dueMs === null
        ? []
        : [visit(p.dueMs, batchName(p), tell('page.plan.tasksByDay.handedOn', { product: mass(p.productG) }), 0)],
    ),
  ].sort((a, b) => a.atMs - b.atMs);
  return [...Map.groupBy(visits, (v) => dayHeading(v.atMs))].map(([day, own]) => ({
    day,
    takes: span(own.reduce((sum, v) => sum + v.minutes, 0)),
    visits: own,
  }));
}

function feedingVisits(
  plannedBatch: PlannedBatch,
  visit: (atMs: number, of: string, says: string, minutes: number, who?: string) => Timed,
): readonly Timed[] {
  const { feed } = plannedBatch;
  if (!feed) return [];
  const of = tell('page.plan.tasksByDay.starterFor', { plannedBatch: batchName(plannedBatch) });
  const says = tell('page.plan.tasksByDay.stirIn', {
    starter: massOf(feed.starterG, 0),
    milk: mass(feed.milkG),
    temp: tempOf(feed.tempC),
  });
  return [
    visit(feed.beginMs, of, says, FEED_MIN.begin, feed.who),
    visit(feed.ripeMs, of, tell('page.plan.tasksByDay.ripePutIntoCold'), FEED_MIN.ripe),
  ];
}
