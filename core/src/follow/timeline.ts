import type { Batch } from '../batch/replay.js';
import type { Environment } from '../environment/environment.js';
import { ALWAYS_AWAKE, type Wake } from '../make/household.js';
import { coldCrock, finishStage, lastOf, runEnded, runStage, type StageRun } from '../make/run.js';
import { doneMinute, untilWoken } from '../make/waking.js';
import type { BoundStage } from '../stages/registry.js';
import type { CrockState } from '../state/crock-state.js';
import type { Told, Weighed } from '../stages/told.js';

const MS_PER_MIN = 60_000;

/** One stage of a live make: what was done of it and what is still to come. */
export interface TimelineStage {
  readonly stage: BoundStage;
  /** The same as it was planned, before the log told how it came out. */
  readonly asPlanned: BoundStage;
  readonly status: 'done' | 'now' | 'ahead';
  /** When it began, or is planned to. */
  readonly beginMs: number;
  /** When it ended, or is due to; null where it would never end. */
  readonly endMs: number | null;
  /** The crock just before it began. */
  readonly before: CrockState;
  /** Its states so far (or as planned); `run` goes on to its end where that lies ahead. */
  readonly run: StageRun;
}

/** The stages of a make in time, minute 0 being the start of the batch. */
export interface Timeline {
  readonly startMs: number;
  readonly nowMs: number;
  readonly stages: readonly TimelineStage[];
}

/** Milliseconds of a minute of the make. */
export function msOf(timeline: Pick<Timeline, 'startMs'>, minute: number): number {
  return timeline.startMs + minute * MS_PER_MIN;
}

/**
 * When each stage was begun by the log. Null for those not begun; the first began with the make, and a step of it says that its
 * hands are done.
 */
export function beginnings(batch: Batch, stages: readonly BoundStage[]): (number | null)[] {
  return stages.map((stage, i) => {
    if (i === 0) return batch.startedMs;
    // Done that was pressed twice is one step: the first counts.
    return batch.steps.find((s) => s.stageId === stage.id)?.atMs ?? null;
  });
}

/** A stage as the log tells it came out, where it tells anything that its kind listens to. */
function asTold(
  stage: BoundStage,
  batch: Batch,
  { fromMs, untilMs, isOver }: { readonly fromMs: number; readonly untilMs: number; readonly isOver: boolean },
): BoundStage {
  const { told } = stage.kind;
  if (!told) return stage;
  const during = (atMs: number) => atMs >= fromMs && (atMs < untilMs || (!isOver && atMs === untilMs));
  const weighed: Partial<Record<Weighed, number>> = {};
  for (const { quantity, value, atMs } of batch.readings) {
    if ((quantity === 'grainsG' || quantity === 'asideG') && during(atMs)) weighed[quantity] = value;
  }
  const heard: Told = {
    added: batch.added
      .filter((a) => during(a.atMs))
      .map(({ what, massG, atMs }) => ({ what, massG, minute: (atMs - batch.startedMs) / MS_PER_MIN })),
    weighed,
    untilMinute: (untilMs - batch.startedMs) / MS_PER_MIN,
    over: isOver,
  };
  return { ...stage, params: told(stage.params, heard) };
}

/**
 * Runs a make as it was done until now and as it will go on from here.
 * A stage passed over in the log is run for the time there was, at most until it is done.
 */
export function timelineOf(
  batch: Batch,
  stages: readonly BoundStage[],
  environment: Environment,
  nowMs: number,
  wake: Wake = ALWAYS_AWAKE,
): Timeline {
  const startMs = batch.startedMs;
  const begun = beginnings(batch, stages);
  const current = begun.findLastIndex((ms) => ms !== null);
  const endMs = batch.ended?.atMs ?? null;
  const course: Course = { startMs, endMs, nowMs, environment, wake };
  const timeline: TimelineStage[] = [];
  let state = coldCrock(environment);
  for (const [i, asPlanned] of stages.entries()) {
    const beginMs = msOf({ startMs }, state.minute);
    const next = begun.slice(i + 1).find((ms) => ms !== null) ?? endMs;
    const span = { fromMs: begun[i] ?? beginMs, untilMs: next ?? nowMs, isOver: next !== null };
    const stage = i <= current ? asTold(asPlanned, batch, span) : asPlanned;
    const ran =
      next !== null && i < current
        ? ranBefore(stage, state, course, { nextMs: next, isNextLogged: begun[i + 1] !== null })
        : i === current
          ? running(stage, state, course)
          : ahead(stage, state, course);
    timeline.push({ stage, asPlanned, beginMs, before: state, ...ran });
    state = lastOf(ran.run);
    // What never ends, or was the end of the make, is the last there is of it.
    if (ran.endMs === null || (i === current && endMs !== null)) break;
  }
  return { startMs, nowMs, stages: timeline };
}

/** What the stages of a make are run through: its begin and end, the moment it is followed to, and where. */
interface Course {
  readonly startMs: number;
  readonly endMs: number | null;
  readonly nowMs: number;
  readonly environment: Environment;
  readonly wake: Wake;
}
type Ran = Pick<TimelineStage, 'status' | 'endMs' | 'run'>;

const minuteOf = ({ startMs }: Course, ms: number) => Math.max(0, (ms - startMs) / MS_PER_MIN);
const endOf = (course: Course, run: StageRun) => msOf(course, lastOf(run).minute);

/** A stage already behind: for exactly the time it had, or until done where the log passed over the next one. */
function ranBefore(
  stage: BoundStage,
  state: CrockState,
  course: Course,
  { nextMs, isNextLogged }: { readonly nextMs: number; readonly isNextLogged: boolean },
): Ran {
  const { environment } = course;
  const availableMin = Math.max(0, minuteOf(course, nextMs) - state.minute);
  const untilDone = isNextLogged ? null : runStage(stage, state, environment);
  const isDone = untilDone !== null && lastOf(untilDone).minute - state.minute <= availableMin;
  const run = isDone ? untilDone : runEnded(stage, state, environment, availableMin);
  return { status: 'done', endMs: endOf(course, run), run };
}

/** The stage at hand: as it went until now, and as it goes on; ended where the make was. */
function running(stage: BoundStage, state: CrockState, course: Course): Ran {
  const { environment, endMs, nowMs, startMs, wake } = course;
  const elapsed = Math.max(0, minuteOf(course, endMs ?? nowMs) - state.minute);
  const soFar = runStage(stage, state, environment, elapsed);
  const isEnded = endMs !== null;
  const run = isEnded ? soFar : untilWoken(finishStage(soFar, environment), environment, startMs, wake);
  return { status: isEnded ? 'done' : 'now', endMs: run.finished ? endOf(course, run) : null, run };
}

/** A stage that lies ahead. */
function ahead(stage: BoundStage, state: CrockState, course: Course): Ran {
  const { environment, startMs, wake } = course;
  const run = untilWoken(runStage(stage, state, environment), environment, startMs, wake);
  return { status: 'ahead', endMs: run.finished ? endOf(course, run) : null, run };
}

/** When a stage's work was (or will be) done, however long it is then left; null where it never is. */
export function doneMsOf(timeline: Timeline, at: TimelineStage, environment: Environment): number | null {
  const minute = doneMinute(at.run, environment);
  return minute === null ? null : msOf(timeline, minute);
}
