import { type Text } from '../messages/message.js';
import { balanceOf, type Balance } from '../balance/yield.js';
import type { Batch } from '../batch/replay.js';
import { temperatureTrace } from '../batch/temperature-trace.js';
import { clockFrom, PLAIN_WALL } from '../environment/day-clock.js';
import { NOMINAL_MEMBER, type Environment, type Member } from '../environment/environment.js';
import { ALWAYS_AWAKE, type Wake, kitchenFor, swingFrom, type Household } from '../make/household.js';
import type { DrainForecast } from '../forecast/drain-forecast.js';
import { expectedCues } from '../forecast/expected-cues.js';
import type { ForecastOptions } from '../forecast/souring-forecast.js';
import { plannedOf } from '../make/planned.js';
import { firstOf, lastOf } from '../make/run.js';
import { gearDemandsOf, type GearDemand } from '../make/gear-demands.js';
import type { Choices } from '../methods/method.js';
import type { RunsOff, SetAside } from '../stages/kind.js';
import type { Finding } from '../safety/rules.js';
import type { BoundStage } from '../stages/registry.js';
import { solidsFraction, totalG } from '../materials/composition.js';
import { bodyWord, firmness, type CrockState } from '../state/crock-state.js';
import { learnedHere, type LearnedHere } from '../learn/here.js';
import type { Known } from '../learn/recall.js';
import { expecting } from '../learn/expecting.js';
import { widened, widthAt } from '../learn/widths.js';
import { deviationsOf, type Deviation } from './deviations.js';
import { findingsOf } from './findings.js';
import { tasksOf, type Task } from './tasks.js';
import { learnDrains, learnSouring, memberOf, type LearnedDrain, type LearnedSouring } from './learn.js';
import { outcomeOf, type Outcome } from './outcome.js';
import { repliesOf } from './replies.js';
import type { Reply } from './reply.js';
import { panelOf, type StagePanel } from './panel.js';
import { safetyRecord, type SafetyRecord } from './safety-record.js';
import { runOffEndG, weighedNow, type WeighedNow } from './weighed.js';
import { seriesOf, stateAt, type SeriesPoint } from './series.js';
import { msOf, timelineOf, type Timeline, type TimelineStage } from './timeline.js';

/** When something is ready: likely, and from P10 to P90. Null where it would not get there. */
export interface ReadyWindow {
  readonly stageId: string;
  readonly by: 'acidity' | 'solids';
  /** The clock ends it: it is ready just then, whatever it is. */
  readonly byClock: boolean;
  readonly target: number;
  readonly p10Ms: number | null;
  readonly p50Ms: number | null;
  readonly p90Ms: number | null;
  /** Chance (0–1) that it never gets there because the starter is dead; it counts in the three above. */
  readonly deadChance: number;
}

/** A stage of a followed make, plain enough to cross a worker's door. */
export interface FollowedStage {
  readonly id: string;
  readonly kind: string;
  readonly name: Text;
  readonly endsBy: string;
  readonly target: number;
  readonly status: 'done' | 'now' | 'ahead';
  readonly beginMs: number;
  readonly endMs: number | null;
  readonly cautions: readonly Text[];
  readonly panel: StagePanel;
}

/** The crock at a moment, in the numbers a page shows. */
export interface CrockView {
  readonly massG: number;
  readonly wheyG: number;
  readonly tempC: number;
  readonly ph: number;
  readonly solidsPct: number;
  readonly firmness: number;
  readonly firmnessWord: Text;
  readonly soured: boolean;
  readonly betaLgDenaturedPct: number;
  readonly pasteurised: boolean;
  readonly warmHours: number;
}

/** A vessel or a place that a make stands in, from when to when; null where it would never leave it. */
export interface FollowedDemand extends Omit<GearDemand, 'firstStep' | 'lastStep'> {
  readonly fromMs: number;
  readonly toMs: number | null;
}

/** Everything a page or a planner wants to know of one batch now. Plain data. */
export interface Followed {
  readonly batchId: string;
  readonly nowMs: number;
  readonly stages: readonly FollowedStage[];
  readonly tasks: readonly Task[];
  readonly windows: readonly ReadyWindow[];
  readonly demands: readonly FollowedDemand[];
  readonly series: readonly SeriesPoint[];
  readonly now: CrockView;
  readonly end: CrockView;
  readonly balanceNow: Balance;
  readonly balanceEnd: Balance;
  /** What was weighed of whey or buttermilk and of what is put by, as it stands now. */
  readonly weighedNow: WeighedNow;
  /** What is to be in the bowl under it in the end, g: whey, or buttermilk as it drains. */
  readonly runOffEndG: number;
  readonly fan: readonly { readonly atMs: number; readonly p10: number; readonly p50: number; readonly p90: number }[];
  readonly drain: { readonly wantedWheyG: number; readonly beginMs: number; readonly loadedG: number } | null;
  /** What runs off in this make, where anything does. */
  readonly runsOff: RunsOff | null;
  /** What is put by in this make, where anything is. */
  readonly setsAside: SetAside | null;
  readonly doubtful: readonly string[];
  /** What there is to say to what hands logged, oldest first. */
  readonly replies: readonly Reply[];
  /** When what is looked at will change, from now on. */
  readonly expected: readonly { readonly cue: string; readonly answer: string; readonly atMs: number }[];
  readonly findings: readonly Finding[];
  /** What an inspector would ask for. */
  readonly safety: SafetyRecord;
  /** What comes of it: its label, and what is left besides, as it will end. */
  readonly outcome: Outcome;
  /** What was done otherwise than planned, and what that does to the end. */
  readonly deviations: readonly Deviation[];
  readonly learned: { readonly activity: number; readonly incubatorOffsetC: number; readonly drainTime: number };
  /** What the kitchen's makes have taught that acts on it. */
  readonly taught: readonly LearnedHere[];
  /** False where the last stage never ends as things stand. */
  readonly arrives: boolean;
}

/** A batch worked out: run as it was done, with what was learned on the way. */
export interface WorkedOut {
  readonly batch: Batch;
  /** Every choice of the make, the method's own where the maker made none. */
  readonly choices: Choices;
  readonly timeline: Timeline;
  /** The same before anything was read of it. */
  readonly firstPass: Timeline;
  readonly environment: Environment;
  readonly nominal: Environment;
  readonly souring: LearnedSouring | null;
  readonly drains: readonly LearnedDrain[];
  /** The stages as planned. */
  readonly planned: readonly BoundStage[];
  readonly wake: Wake;
  readonly known: Known | undefined;
}

const MS_PER_MIN = 60_000;

/** Runs a batch as it was done and learns from its readings. */
export function workOut(batch: Batch, nowMs: number, options: ForecastOptions, household: Household = {}): WorkedOut {
  const { choices, stages } = plannedOf(batch, household.known);
  const trace = temperatureTrace(
    batch.readings.filter((r) => r.quantity === 'tempC').map((r) => ({ atMs: r.atMs, tempC: r.value })),
  );
  const endNowMs = batch.ended ? Math.min(nowMs, batch.ended.atMs) : nowMs;
  const kitchen = kitchenFor(choices, household.kitchen, household.known);
  const environmentOf = (member: Member): Environment => ({
    kitchen,
    clock: clockFrom(batch.startedMs, household.wall ?? PLAIN_WALL),
    ...swingFrom(batch.startedMs, kitchen.roomC, household),
    member,
    measured: (fromMinute, toMinute) => {
      const toMs = Math.min(endNowMs, batch.startedMs + toMinute * MS_PER_MIN);
      const known = trace(batch.startedMs + fromMinute * MS_PER_MIN, toMs);
      return known && { minute: (known.atMs - batch.startedMs) / MS_PER_MIN, tempC: known.tempC };
    },
  });
  const wake = household.wake ?? ALWAYS_AWAKE;
  const nominal = environmentOf(NOMINAL_MEMBER);
  const { known } = household;
  const { expected, souringPriorFor, drainPriorFor } = expecting(stages, choices, nominal, known);
  const usual = { ...nominal, member: expected };
  const firstPass = timelineOf(batch, stages, usual, endNowMs, wake);
  const souring = learnSouring(batch, firstPass, usual, options, souringPriorFor);
  const soured = environmentOf(memberOf(souring, [], expected));
  const drains = learnDrains(batch, timelineOf(batch, stages, soured, endNowMs, wake), soured, options, drainPriorFor);
  const environment = environmentOf(memberOf(souring, drains, expected));
  const timeline = timelineOf(batch, stages, environment, endNowMs, wake);
  return { batch, choices, timeline, firstPass, environment, nominal, souring, drains, planned: stages, wake, known };
}

/**
 * Follows a batch: runs it as it was done, learns from its readings, forecasts the rest.
 * Pure: same batch, moment, household and options give the same answer.
 */
export function follow(batch: Batch, nowMs: number, options: ForecastOptions, household: Household = {}): Followed {
  return summarise(workOut(batch, nowMs, options, household));
}

function summarise(worked: WorkedOut): Followed {
  const { batch, timeline, environment, nominal, souring, planned, wake, known } = worked;
  const doubtful = souring ? souring.forecast.doubtful.map((i) => souring.readingIds[i]!) : [];
  const context = { batch, timeline, environment, wake, doubtful: new Set(doubtful) };
  const here = stateAt(timeline, timeline.nowMs);
  const last = timeline.stages[timeline.stages.length - 1]!;
  const findings = findingsOf({ batch, planned, timeline, here, nominal, doubtful: context.doubtful });
  const isLost = findings.some(({ level }) => level === 'discard');
  const panels = new Map(timeline.stages.map((at) => [at.stage.id, panelOf(at, context)]));
  const windows = windowsOf(worked);
  return {
    batchId: batch.id,
    nowMs: timeline.nowMs,
    stages: timeline.stages.map((at) => {
      const panel = panels.get(at.stage.id)!;
      return stageOf(at, isLost ? withoutGoingOn(panel) : panel);
    }),
    tasks: tasksOf(timeline, environment, batch),
    windows,
    demands: standsIn(timeline),
    series: seriesOf(timeline),
    now: viewOf(here),
    end: viewOf(lastOf(last.run)),
    balanceNow: balanceOf(here),
    balanceEnd: balanceOf(lastOf(last.run)),
    weighedNow: weighedNow(batch, timeline),
    runOffEndG: runOffEndG(timeline),
    fan: souring ? souring.forecast.fan.map((f) => ({ ...f, atMs: souring.at.beginMs + f.min * 60_000 })) : [],
    drain: drainOf(worked),
    runsOff: timeline.stages.find((s) => s.stage.kind.runsOff)?.stage.kind.runsOff ?? null,
    setsAside: timeline.stages.find((s) => s.stage.kind.setsAside)?.stage.kind.setsAside ?? null,
    doubtful,
    replies: repliesOf({ ...context, nominal, isLost }, panels, new Map(windows.map((w) => [w.stageId, w.p50Ms]))),
    expected: expectedCues(timeline.stages.flatMap((s) => s.run.states))
      .map(({ cue, answer, fromMin }) => ({ cue, answer, atMs: msOf(timeline, fromMin) }))
      .filter(({ atMs }) => atMs > timeline.nowMs),
    findings,
    safety: safetyRecord(batch, timeline, here),
    outcome: outcomeOf(lastOf(last.run), context, planned),
    deviations: deviationsOf(context, planned),
    learned: {
      activity: environment.member.activity,
      incubatorOffsetC: environment.member.incubatorOffsetC,
      drainTime: environment.member.drainTime,
    },
    taught: learnedHere(planned, known),
    arrives: last.endMs !== null && timeline.stages.length === planned.length,
  };
}

function stageOf({ stage: { id, kind, params }, ...at }: TimelineStage, panel: StagePanel): FollowedStage {
  return {
    id,
    kind: kind.kind,
    name: kind.name(params),
    endsBy: kind.endsBy,
    target: kind.target(params),
    status: at.status,
    beginMs: at.beginMs,
    endMs: at.endMs,
    cautions: kind.cautions(params, firstOf(at.run)),
    panel,
  };
}

/** When what sours or drains in a make is ready, as it was worked out. */
export function windowsOf({ timeline, firstPass, souring, drains, known }: WorkedOut): readonly ReadyWindow[] {
  const shift = souringShiftMs(timeline, firstPass);
  return [
    ...(souring ? [windowOf(souring.at, souring.forecast, 'acidity', shift)] : []),
    ...drains.map((drain) => windowOf(onTimeline(timeline, drain), drain.forecast, 'solids', 0)),
  ].map((window) => asWideAsHeld(window, timeline, known));
}

/** A window of what is still to come, as wide as this kitchen's have had to be to hold. */
function asWideAsHeld(window: ReadyWindow, { stages, nowMs }: Timeline, known: Known | undefined): ReadyWindow {
  const { p10Ms, p50Ms, p90Ms, by } = window;
  const at = stages.find(({ stage }) => stage.id === window.stageId);
  if (!at || window.byClock || at.status === 'done' || p50Ms === null) return window;
  const { beginMs } = at;
  const share = Math.max(0, nowMs - beginMs) / Math.max(1, p50Ms - beginMs, nowMs - beginMs);
  const [from, to] = widened(p10Ms, p50Ms, p90Ms, widthAt(known?.learned, by, share));
  // Before it has begun, or by now, it is not ready.
  const first = Math.max(beginMs, Math.min(nowMs, p10Ms ?? Infinity));
  return { ...window, p10Ms: from === null ? null : Math.max(first, from), p90Ms: to };
}

/** The draining at hand, or the last one. */
function drainOf({ timeline, drains }: WorkedOut): Followed['drain'] {
  const drain = drains.find((d) => d.at.status !== 'done') ?? drains.at(-1);
  if (!drain) return null;
  const straining = onTimeline(timeline, drain);
  return {
    wantedWheyG: drain.wheyBeforeG + drain.wantedWheyG,
    beginMs: straining.beginMs,
    loadedG: totalG(firstOf(straining.run).masses),
  };
}

/** Nobody is told to go on with what is to be discarded. */
function withoutGoingOn(panel: StagePanel): StagePanel {
  return { ...panel, branches: panel.branches.filter(({ does }) => does.do !== 'next') };
}

function standsIn({ stages }: Timeline): readonly FollowedDemand[] {
  return gearDemandsOf(stages.map((s) => s.run)).map(({ firstStep, lastStep, ...demand }) => ({
    ...demand,
    fromMs: stages[firstStep]!.beginMs,
    toMs: stages[lastStep]!.endMs,
  }));
}

/** How far what was learned has moved the begin of a souring that lies ahead. */
function souringShiftMs(timeline: Timeline, firstPass: Timeline): number {
  const begin = (t: Timeline) => t.stages.find((s) => s.stage.kind.endsBy === 'acidity')?.beginMs ?? 0;
  return begin(timeline) - begin(firstPass);
}

function onTimeline(timeline: Timeline, drain: LearnedDrain) {
  return timeline.stages.find((s) => s.stage.id === drain.at.stage.id) ?? drain.at;
}

function windowOf(
  at: Timeline['stages'][number],
  forecast: Pick<DrainForecast, 'p10Min' | 'p50Min' | 'p90Min'> & { readonly deadChance?: number },
  by: ReadyWindow['by'],
  shiftMs: number,
): ReadyWindow {
  const byClock = at.stage.kind.endsAt !== undefined;
  const ms = (min: number | null) => (byClock ? at.endMs : min === null ? null : at.beginMs + shiftMs + min * 60_000);
  return {
    byClock,
    stageId: at.stage.id,
    by,
    target: at.stage.kind.target(at.stage.params),
    p10Ms: ms(forecast.p10Min),
    p50Ms: ms(forecast.p50Min),
    p90Ms: ms(forecast.p90Min),
    deadChance: forecast.deadChance ?? 0,
  };
}

function viewOf(state: CrockState): CrockView {
  return {
    massG: totalG(state.masses),
    wheyG: totalG(state.whey),
    tempC: state.tempC,
    ph: state.ph,
    solidsPct: 100 * solidsFraction(state.masses),
    firmness: firmness(state),
    firmnessWord: bodyWord(state),
    soured: state.souring !== null,
    betaLgDenaturedPct: 100 * (1 - (state.native.betaLgA + state.native.betaLgB) / 2),
    pasteurised: state.pasteurisedShare >= 1,
    warmHours: state.warmMin / 60,
  };
}
