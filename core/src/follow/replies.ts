import { say } from '../messages/message.js';
import type { LogLine, StandingEntry } from '../batch/replay.js';
import { unmeasured, type Environment } from '../environment/environment.js';
import { stateIn, type StageRun } from '../make/run.js';
import type { CrockState } from '../state/crock-state.js';
import { plannedRun, type Context, type StagePanel } from './panel.js';
import { replyToAcidity } from './reply-to-acidity.js';
import { replyToAdded, replyToRunOff, replyToWeighed } from './reply-to-amount.js';
import { replyToLook } from './reply-to-look.js';
import { replyToWarmth } from './reply-to-warmth.js';
import { watch, type Heard, type Replied, type Reply } from './reply.js';
import { stateAt } from './series.js';
import type { TimelineStage } from './timeline.js';
import { answerId } from '../stages/answers.js';

/** Lines that are answered, the newest: an older one was answered in its time. */
const ANSWERED = 24;

/** The make that is asked about, and what surrounds it where nothing was learned of this make: what a plan is measured by. */
export interface Asked extends Context {
  readonly nominal: Environment;
  /** It is to be thrown away: nothing about it is as it should be. */
  readonly isLost: boolean;
}

/** When what is waited for is likely ready, ms, by the id of its stage. */
export type ReadyAt = ReadonlyMap<string, number | null>;

/**
 * What there is to say to each line that hands logged, oldest first: whether it matters, and what to do. What contradicts all the
 * rest is said to, as it counts for nothing. Instruments talk all day and are not answered.
 */
export function repliesOf(
  { nominal, isLost, ...context }: Asked,
  panels: ReadonlyMap<string, StagePanel>,
  readyAt: ReadyAt,
): readonly Reply[] {
  const lines = context.batch.log.filter(isAnswered).slice(-ANSWERED);
  const newest = lines.at(-1)?.entry.id;
  const asPlanned = plannedRuns({ ...context, environment: nominal });
  return lines.flatMap((line) => {
    const at = stageAt(context, line.atMs);
    if (!at) return [];
    const heard = heardAt(
      context,
      at,
      line.atMs,
      stateIn(asPlanned(at), minuteOf(context, line.atMs), unmeasured(nominal)),
    );
    const readyMs = line.entry.id === newest && at.status === 'now' ? (readyAt.get(at.stage.id) ?? null) : null;
    const replied = context.doubtful.has(line.entry.id)
      ? watch(say('reply.doubtful'))
      : replyTo(line.now ?? line.entry.body, heard, { panel: panels.get(at.stage.id), readyMs });
    return replied && !(isLost && replied.tone === 'good') ? [{ entryId: line.entry.id, ...replied }] : [];
  });
}

function isAnswered({ entry, fate, now }: LogLine): boolean {
  const { type } = now ?? entry.body;
  return entry.source === 'hand' && fate !== 'taken back' && (type === 'reading' || type === 'cue' || type === 'added');
}

/** The stage that a moment falls in; the later of two that meet there. */
function stageAt({ timeline }: Context, atMs: number): TimelineStage | null {
  return timeline.stages.findLast((s) => s.status !== 'ahead' && s.beginMs <= atMs + 1) ?? null;
}

/** The stages as planned, each run once however many lines are said to it. */
function plannedRuns(context: Context): (at: TimelineStage) => StageRun {
  const runs = new Map<TimelineStage, StageRun>();
  return (at) => {
    const run = runs.get(at) ?? plannedRun(at, context);
    runs.set(at, run);
    return run;
  };
}

const minuteOf = ({ timeline }: Context, atMs: number) => (atMs - timeline.startMs) / 60_000;

function heardAt(context: Context, at: TimelineStage, atMs: number, planned: CrockState): Heard {
  const { timeline } = context;
  const later = timeline.stages.slice(timeline.stages.indexOf(at) + 1);
  return { at, later, atMs, here: stateAt(timeline, atMs), planned, context };
}

interface Beside {
  readonly panel: StagePanel | undefined;
  readonly readyMs: number | null;
}

function replyTo(
  body: StandingEntry['body'] | LogLine['entry']['body'],
  heard: Heard,
  { panel, readyMs }: Beside,
): Replied | null {
  if (body.type === 'cue') return replyToLook(body.cue, answerId(body.answer), heard);
  if (body.type === 'added') return replyToAdded(body.what, body.massG, heard, panel?.gauges ?? []);
  if (body.type !== 'reading') return null;
  const { quantity, value, by } = body;
  if (quantity === 'tempC') return replyToWarmth(value, heard);
  if (quantity === 'ph') return replyToAcidity(value, by, heard, readyMs);
  if (quantity === 'wheyG') return replyToRunOff(value, heard, readyMs);
  return quantity === 'productG' ? null : replyToWeighed(quantity, value, heard);
}
