import { batchName } from '../ui/batch-name';
import { type PlannedBatch, visitsOf } from '@oat-crock/contract/api';
import { textOf } from '../ui/units';
import { written } from '../ui/dates';
import { mass, span } from '../ui/words';
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
  const visit = (atMs: number, of: string, says: string, minutes: number): Timed => ({
    atMs,
    at: written(atMs, 'clock'),
    of,
    says: textOf(says),
    minutes,
    takes: span(minutes),
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
        ),
      ),
    ...planned.flatMap((plannedBatch) => feedingVisits(plannedBatch, visit)),
    ...planned.flatMap((p) =>
      p.dueMs === null ? [] : [visit(p.dueMs, batchName(p), `Handed on: ${mass(p.productG)}.`, 0)],
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
  visit: (atMs: number, of: string, says: string, minutes: number) => Timed,
): readonly Timed[] {
  const { feed } = plannedBatch;
  if (!feed) return [];
  const of = `Starter for ${batchName(plannedBatch)}`;
  const says = `Stir ${feed.starterG.toFixed(0)} g of the culture into ${mass(feed.milkG)} of scalded milk at ${feed.tempC.toFixed(0)} °C.`;
  return [
    visit(feed.beginMs, of, says, FEED_MIN.begin),
    visit(feed.ripeMs, of, 'It is ripe: put it into the cold until it is taken.', FEED_MIN.ripe),
  ];
}
