import { type Asleep, isNight } from '@oat-crock/calendar';
import { type PlannedTask, type PlannedBatch, type PourPoint } from '@oat-crock/contract/api';
import { type Batch, type Followed, say, type Text } from '@oat-crock/core';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { batchName } from '../../shared/ui/batch-name';
import type { BatchTrouble } from '../../planner/planner-api';
import { named } from '../../shared/ui/said';

/** A pour in a lane: one that is planned, or one that is on. */
export interface LaneBatch {
  readonly id: string;
  readonly name: string;
  readonly is: 'planned' | 'live';
  readonly startMs: number;
  readonly readyMs: number;
  readonly readyLateMs: number;
  readonly dueMs: number | null;
  readonly pinned: boolean;
  readonly course: readonly PourPoint[];
  readonly tasks: readonly PlannedTask[];
  /** Moments at which its culture is fed, and ripe. */
  readonly feedMs: readonly number[];
  /** The vessel it begins in. */
  readonly lane: Text;
  /** Something of it does not hold. */
  readonly troubled: boolean;
}

/** A lane: a vessel, and its pours in rows so that none covers another. */
export interface Lane {
  readonly name: Text;
  readonly rows: readonly (readonly LaneBatch[])[];
}

/** What stands in no vessel that is known: a make that is on leads all lanes. */
const NO_VESSEL = say('page.plan.laneGeometry.onTheCounter');
const ON_NOW = say('page.plan.laneGeometry.onNow');

/** A planned batch in its lane. */
export function plannedLane(plannedBatch: PlannedBatch, troubles: readonly BatchTrouble[]): LaneBatch {
  return {
    id: plannedBatch.id,
    name: batchName(plannedBatch),
    is: 'planned',
    startMs: plannedBatch.startMs,
    readyMs: plannedBatch.readyMs,
    readyLateMs: plannedBatch.readyLateMs,
    dueMs: plannedBatch.dueMs,
    pinned: plannedBatch.pinned,
    course: plannedBatch.course,
    tasks: plannedBatch.tasks,
    feedMs: plannedBatch.feed ? [plannedBatch.feed.beginMs, plannedBatch.feed.ripeMs] : [],
    lane: plannedBatch.gear[0] ?? NO_VESSEL,
    troubled: troubles.some((t) => t.plannedBatchId === plannedBatch.id),
  };
}

/** A live make in its lane; by when it is wanted, where it was planned. */
export function liveLane(batch: Batch, followed: Followed, vessel: string | null, dueMs: number | null): LaneBatch {
  const { series, tasks, windows, stages } = followed;
  const readyMs = stages.at(-1)?.endMs ?? series.at(-1)!.atMs;
  const late = windows.reduce((ms, w) => ms + (w.p90Ms !== null && w.p50Ms !== null ? w.p90Ms - w.p50Ms : 0), 0);
  return {
    id: batch.id,
    name: batch.name,
    is: 'live',
    startMs: batch.startedMs,
    readyMs,
    readyLateMs: readyMs + late,
    dueMs,
    pinned: false,
    course: series,
    tasks: tasks
      .filter((h) => h.status !== 'done')
      .map(({ stageId, instruction: says, atMs, minutes, earliestMs, latestMs }) => ({
        stageId,
        says,
        atMs,
        minutes,
        earliestMs,
        latestMs,
      })),
    feedMs: [],
    lane: vessel ?? ON_NOW,
    troubled: dueMs !== null && readyMs + late > dueMs,
  };
}

/** What is looked at, and how large it is drawn. */
export interface LaneFrame {
  readonly width: number;
  readonly fromMs: number;
  readonly untilMs: number;
  readonly asleep: Asleep;
}

export const timeAcross = ({ fromMs, untilMs, width }: LaneFrame): ScaleLinear<number, number> =>
  scaleLinear().domain([fromMs, untilMs]).range([0, width]);

/** Width of a letter of a name, px: near enough that no name covers another. */
export const LETTER_PX = 6.6;
const APART_PX = 14;

/** Where a planned batch ends, px: at the latest it may be ready, or when it is handed on. */
const endOf = ({ readyLateMs, dueMs }: LaneBatch, x: ScaleLinear<number, number>): number =>
  x(Math.max(readyLateMs, dueMs ?? 0));

/** Where a planned batch and its name end, px. */
function rightOf(plannedBatch: LaneBatch, x: ScaleLinear<number, number>): number {
  return Math.max(endOf(plannedBatch, x), Math.max(0, x(plannedBatch.startMs)) + plannedBatch.name.length * LETTER_PX);
}

/** Lanes in order of their names, those of the planned batches in view; in each as many rows as it takes that none covers another. */
export function lanesOf(plannedBatches: readonly LaneBatch[], frame: LaneFrame): readonly Lane[] {
  const x = timeAcross(frame);
  const inView = plannedBatches.filter((p) => endOf(p, x) > 0 && x(firstOf(p)) < frame.width);
  return [...Map.groupBy(inView, (p) => p.lane)]
    .sort(([a], [b]) => Number(b === ON_NOW) - Number(a === ON_NOW) || named(a).localeCompare(named(b)))
    .map(([name, own]): Lane => {
      const rows: { plannedBatches: LaneBatch[]; rightPx: number }[] = [];
      for (const plannedBatch of own.toSorted((a, b) => firstOf(a) - firstOf(b))) {
        const row = rows.find((r) => r.rightPx + APART_PX < x(firstOf(plannedBatch)));
        const rightPx = rightOf(plannedBatch, x);
        if (row) {
          row.plannedBatches.push(plannedBatch);
          row.rightPx = rightPx;
        } else rows.push({ plannedBatches: [plannedBatch], rightPx });
      }
      return { name, rows: rows.map((r) => r.plannedBatches) };
    });
}

const firstOf = (plannedBatch: LaneBatch) => Math.min(plannedBatch.startMs, ...plannedBatch.feedMs);

/** Thickness for a mass, px: one scale for all pours, so that they can be compared. */
export function thicknessOf(plannedBatches: readonly LaneBatch[], mostPx: number): ScaleLinear<number, number> {
  const heaviest = plannedBatches.reduce(
    (most, p) => p.course.reduce((m, c) => Math.max(m, c.massG + c.wheyG), most),
    1,
  );
  return scaleLinear().domain([0, heaviest]).range([0, mostPx]);
}

/** Hands that come in the night, of some. */
export const inTheNight = (tasks: readonly PlannedTask[], asleep: Asleep): readonly PlannedTask[] =>
  tasks.filter((h) => h.minutes > 0 && isNight(h.atMs, asleep));

/** A moment moved by some pixels, to the quarter of an hour. */
export function movedBy(atMs: number, px: number, frame: LaneFrame): number {
  const QUARTER = 15 * 60_000;
  const byMs = (px * (frame.untilMs - frame.fromMs)) / frame.width;
  return atMs + Math.round(byMs / QUARTER) * QUARTER;
}
