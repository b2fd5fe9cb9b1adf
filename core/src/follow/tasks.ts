import type { Text } from '../messages/message.js';
import type { Batch } from '../batch/replay.js';
import type { Environment } from '../environment/environment.js';
import { courseOf, firstOf, lastOf } from '../make/run.js';
import type { CueScale } from '../stages/kind.js';
import { doneMsOf, type Timeline, type TimelineStage } from './timeline.js';

/** A moment at which somebody must be there. */
export interface Task {
  /** The stage these hands begin. */
  readonly stageId: string;
  readonly name: Text;
  readonly instruction: Text;
  /** What is said when it is recorded: what is over, "It is at 85 °C", or what begins, "Start heating". */
  readonly says: Text;
  readonly minutes: number;
  /** When it is best done, ms: once it is ready, or when somebody is awake if it can wait that long. */
  readonly atMs: number;
  /** When it is ready, ms; and how early or late it may be (its give). */
  readonly readyMs: number;
  readonly earliestMs: number;
  readonly latestMs: number;
  /** What being early or late costs. */
  readonly cost: Text;
  /** What shows that the time has come. */
  readonly lookFor: Text;
  readonly status: 'done' | 'due' | 'ahead';
  readonly gear: readonly string[];
  readonly cues: readonly CueScale[];
}

/** Milliseconds in a minute. */
const MIN_MS = 60_000;

/**
 * The hands of a make in order: each stage begins with some. A hand is due once the stage before it is done.
 * The give of a hand is the give of the stage that it ends.
 */
export function tasksOf(timeline: Timeline, environment: Environment, batch: Pick<Batch, 'steps' | 'ended'>): Task[] {
  return timeline.stages.flatMap((at, i) => {
    const before = timeline.stages[i - 1];
    if (before && before.endMs === null) return [];
    // A make begins with its first stage: that its hands are done is a step of its own.
    const recorded = i === 0 ? at.status === 'done' || isRecorded(batch, at) : at.status !== 'ahead';
    return [taskOf(timeline, environment, at, before, recorded || batch.ended !== null)];
  });
}

const isRecorded = ({ steps }: Pick<Batch, 'steps'>, { stage }: TimelineStage) =>
  steps.some((s) => s.stageId === stage.id);

/** What is said when a hand is recorded. */
function saysOf({ stage }: TimelineStage, before: TimelineStage | undefined): Text {
  if (!before) return stage.kind.over(stage.params);
  const { kind, params } = before.stage;
  return kind.brief ? stage.kind.begins(stage.params) : kind.over(params);
}

function taskOf(
  timeline: Timeline,
  environment: Environment,
  at: TimelineStage,
  before: TimelineStage | undefined,
  done: boolean,
): Task {
  const { kind, params } = at.stage;
  const readyMs = before && !done ? (doneMsOf(timeline, before, environment) ?? at.beginMs) : at.beginMs;
  const atMs = before?.status === 'now' && at.beginMs <= timeline.nowMs ? readyMs : at.beginMs;
  const slack = before && !done ? slackAt(before, environment) : { earlyMin: 0, lateMin: 0, cost: '' };
  return {
    stageId: at.stage.id,
    name: kind.name(params),
    instruction: kind.instruction(params, before ? lastOf(before.run) : firstOf(at.run), lastOf(at.run)),
    says: saysOf(at, before),
    minutes: kind.handsMin(params),
    atMs,
    readyMs,
    earliestMs: readyMs - slack.earlyMin * MIN_MS,
    latestMs: readyMs + slack.lateMin * MIN_MS,
    cost: slack.cost,
    lookFor: before ? before.stage.kind.endCue(before.stage.params, lastOf(before.run)) : '',
    status: done ? 'done' : atMs <= timeline.nowMs ? 'due' : 'ahead',
    gear: kind.gear(params),
    cues: kind.cues,
  };
}

function slackAt(before: TimelineStage, environment: Environment) {
  const { kind, params } = before.stage;
  const since = firstOf(before.run).minute;
  const doneAt = before.run.states.findIndex((s) => kind.done(s, params, environment, since));
  const untilDone = doneAt < 0 ? before.run : { ...before.run, states: before.run.states.slice(0, doneAt + 1) };
  return kind.slack(params, courseOf(untilDone, environment));
}
