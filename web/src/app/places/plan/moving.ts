import type { PlannedBatch } from '@oat-crock/contract/api';
import { textOf, tell } from '../../shared/ui/said';
import { dayTime } from '../../shared/ui/words';
import type { LaneBatch } from './lane-geometry';
import type { TaskAt, BatchMoved } from '../../planner/planner-api';

/** A planned batch that is being moved: where to, and what becomes of it. */
export interface Moving {
  readonly plannedBatch: PlannedBatch;
  readonly startMs: number;
  /** The hand that is moved, and to when; null where all of it is. */
  readonly task: TaskAt | null;
  /** What becomes of it there; that of the last place that was told, until the next is. */
  readonly told: BatchMoved | null;
}

/** A planned batch as it would be where it is moved to: as it was told, and until then the same at another time. */
export function movedLane(plannedBatch: LaneBatch, { told, startMs, plannedBatch: was }: Moving): LaneBatch {
  if (told) {
    const { startMs: at, readyMs, readyLateMs, course, tasks } = told.plannedBatch;
    return { ...plannedBatch, startMs: at, readyMs, readyLateMs, course, tasks, troubled: told.breaks.length > 0 };
  }
  const by = startMs - was.startMs;
  return {
    ...plannedBatch,
    startMs,
    readyMs: plannedBatch.readyMs + by,
    readyLateMs: plannedBatch.readyLateMs + by,
    course: plannedBatch.course.map((p) => ({ ...p, atMs: p.atMs + by })),
    tasks: plannedBatch.tasks.map((h) => ({ ...h, atMs: h.atMs + by })),
  };
}

/** What becomes of it, in words: when, whether it holds, what does not, and where it would. */
export function movingWords({ told, task, startMs }: Moving): string {
  if (!told) return tell('page.plan.moving.looking', { at: dayTime(task?.atMs ?? startMs) });
  const { plannedBatch, breaks, repair } = told;
  const at = plannedBatch.tasks.find((h) => h.stageId === task?.stageId)?.atMs ?? plannedBatch.startMs;
  const when = { at: dayTime(at), ready: dayTime(plannedBatch.readyMs) };
  if (breaks.length === 0) return tell('page.plan.moving.holds', when);
  const where = repair
    ? tell('page.plan.moving.nearest', { at: dayTime(repair.startMs) })
    : tell('page.plan.moving.nowhere');
  return [tell('page.plan.moving.readyThen', when), ...breaks.map((b) => textOf(b.says)), where].join(' ');
}
