import { say, type Text } from '../messages/message.js';
import { amount, temp } from '../messages/quantity.js';
import { COOLING, SAFE_PH } from '../constants/safety-limits.js';
import type { Batch } from '../batch/replay.js';
import { unmeasured, type Environment } from '../environment/environment.js';
import type { Wake } from '../make/household.js';
import { MEASURES, type Measure, type MeasureId } from '../stages/measures.js';
import type { Ask, Branch, Gauge, Seen } from '../stages/watch.js';
import { firstOf, lastOf, runStage, stateIn, type StageRun } from '../make/run.js';
import { untilWoken } from '../make/waking.js';
import { msOf, type Timeline, type TimelineStage } from './timeline.js';

/** A line of points in time. */
export type TimeLine = readonly (readonly [atMs: number, value: number])[];

/** One axis of a stage's drawing: as it went and goes on, and as it was planned. */
export interface Drawn {
  readonly measure: MeasureId;
  readonly name: Text;
  readonly unit: Measure['unit'];
  readonly shows: readonly [number, number];
  readonly line: TimeLine;
  readonly planned: TimeLine;
}

/** A stage drawn: its measures and a limit to stay under, where one holds. */
export interface DrawnStage {
  readonly left: Drawn;
  readonly right: Drawn | null;
  readonly limit: { readonly says: Text; readonly line: TimeLine } | null;
}

/** What a page shows of a stage: figures, drawing, what to log, and the ways to go. */
export interface StagePanel {
  readonly gauges: readonly Gauge[];
  readonly drawn: DrawnStage | null;
  readonly asks: readonly Ask[];
  readonly branches: readonly Branch[];
}

/** Most points drawn of one line. */
const POINTS = 60;

/** The make that a stage is looked at in. */
export interface Context {
  readonly batch: Batch;
  readonly timeline: Timeline;
  readonly environment: Environment;
  readonly wake: Wake;
  /** Ids of lines that contradict all the rest: they call for nothing. */
  readonly doubtful: ReadonlySet<string>;
}

/** A stage as it was planned from where it really began: by its clock or its end, with nothing measured. */
export function plannedRun(at: TimelineStage, { environment, timeline, wake }: Context): StageRun {
  const unread = unmeasured(environment);
  return untilWoken(runStage(at.asPlanned, at.before, unread), unread, timeline.startMs, wake);
}

/** The panel of one stage of a timeline. */
export function panelOf(at: TimelineStage, context: Context): StagePanel {
  const { batch, timeline, environment } = context;
  const { kind, params } = at.stage;
  const planned = plannedRun(at, context);
  const begun = firstOf(at.run);
  const seen: Seen = {
    begun,
    here: hereOf(timeline, at, environment),
    planned: lastOf(planned),
    environment,
    looks: looksDuring(context, at),
    over: at.status !== 'now' || batch.ended !== null,
  };
  return {
    gauges: kind.watch?.(params, seen) ?? weighedGauges(at, seen),
    drawn: drawnOf(timeline, at, planned),
    asks: kind.asks?.(params, begun) ?? [],
    branches: kind.branches?.(params, seen) ?? [],
  };
}

/** The crock as this stage has it now: at its end once it is over, at its begin while it lies ahead. */
function hereOf(timeline: Timeline, at: TimelineStage, environment: Environment) {
  if (at.status === 'done') return lastOf(at.run);
  if (at.status === 'ahead') return firstOf(at.run);
  const minute = (timeline.nowMs - timeline.startMs) / 60_000;
  return stateIn(at.run, Math.min(minute, lastOf(at.run).minute), environment);
}

function looksDuring(
  { batch, doubtful }: Context,
  { beginMs, endMs, status }: TimelineStage,
): Readonly<Record<string, string>> {
  const untilMs = status === 'done' ? (endMs ?? Infinity) : Infinity;
  const seen = batch.cues.filter((c) => !doubtful.has(c.id) && c.atMs >= beginMs - 1 && c.atMs <= untilMs);
  return Object.fromEntries(seen.map((c) => [c.cue, c.answer]));
}

/** Where a kind names no figures: what it weighs in, and the warmth. */
function weighedGauges({ stage, before }: TimelineStage, { here }: Seen): Gauge[] {
  const weighed = stage.kind.weighIn?.(stage.params, before) ?? [];
  return [
    ...weighed.map(({ what, massG, measure }): Gauge => ({
      what,
      unit: 'g',
      planned: massG,
      now: measure ?? '',
    })),
    { what: say('follow.panel.temperature'), unit: '°C', planned: null, now: here.tempC },
  ];
}

function drawnOf(timeline: Timeline, at: TimelineStage, planned: StageRun): DrawnStage | null {
  const { kind } = at.stage;
  const chart = kind.chart ?? (kind.endsBy === 'temperature' ? ({ left: 'tempC' } as const) : null);
  if (!chart) return null;
  const draw = (id: MeasureId): Drawn => {
    const { name, unit, of, shows } = MEASURES[id] as Measure;
    const line = ({ states }: StageRun): TimeLine => {
      const every = Math.max(1, Math.ceil(states.length / POINTS));
      return states
        .filter((_, i) => i % every === 0 || i === states.length - 1)
        .map((s) => [msOf(timeline, s.minute), of(s, states[0]!)]);
    };
    return { measure: id, name, unit, shows, line: line(at.run), planned: line(planned) };
  };
  return {
    left: draw(chart.left),
    right: chart.right ? draw(chart.right) : null,
    limit: chart.limit === 'cooling' ? coolingLimit(timeline, at) : null,
  };
}

/**
 * The line a hot crock must stay under as it cools (FDA Food Code 3-501.14), from when it fell below 57 °C; null where it
 * never was that hot, or where a culture makes it sour in time.
 */
function coolingLimit(timeline: Timeline, at: TimelineStage): DrawnStage['limit'] {
  const states = timeline.stages.flatMap((s) => s.run.states);
  if (states.some((s) => s.souring !== null) || lastOf(at.run).ph <= SAFE_PH) return null;
  const hot = states.findLast((s) => s.tempC >= COOLING.hotC && s.minute <= lastOf(at.run).minute);
  if (!hot) return null;
  const from = Math.max(hot.minute, firstOf(at.run).minute - COOLING.allMin);
  return {
    says: say('follow.panel.twoHoursFourMore', {
      hot: amount(COOLING.hotC),
      middle: temp(COOLING.middleC),
      cold: temp(COOLING.coldC),
    }),
    line: [
      [msOf(timeline, from), COOLING.hotC],
      [msOf(timeline, from + COOLING.firstMin), COOLING.middleC],
      [msOf(timeline, from + COOLING.allMin), COOLING.coldC],
    ],
  };
}
