import { SAFE_PH } from '../constants/safety-limits.js';
import type { Batch, CueSeen } from '../batch/replay.js';
import { CULTURES } from '../constants/cultures.js';
import { unmeasured, type Environment } from '../environment/environment.js';
import { pouredBy } from '../make/plan.js';
import { advanced, firstOf } from '../make/run.js';
import { assessSafety, type Finding } from '../safety/rules.js';
import type { Context } from './panel.js';
import type { BoundStage } from '../stages/registry.js';
import type { CrockState } from '../state/crock-state.js';
import { stateAt } from './series.js';
import { timelineOf, type Timeline, type TimelineStage } from './timeline.js';

/** What the rules are told of a make. */
export interface FindingsOf {
  readonly batch: Batch;
  /** The stages as planned. */
  readonly planned: readonly BoundStage[];
  /** As its log tells it, with what was learned of it. */
  readonly timeline: Timeline;
  readonly here: CrockState;
  /** A usual starter, place and milk. */
  readonly nominal: Environment;
  /** Ids of readings and looks that are more likely wrong than right: they pass nothing and fail nothing. */
  readonly doubtful: ReadonlySet<string>;
}

/**
 * What the rules of safety have to say of a batch as it stands. Time and acidity are those of a usual starter before anything
 * was read, or what was learned where that is worse: readings make no verdict milder but by being sound evidence of acid.
 */
export function findingsOf({ batch, planned, timeline, here, nominal, doubtful }: FindingsOf): Finding[] {
  const unread = timelineOf(batch, planned, unmeasured(nominal), timeline.nowMs);
  const souringAt = timeline.stages.find((s) => s.stage.kind.endsBy === 'acidity');
  const begun = souringAt && souringAt.status !== 'ahead' ? souringAt : null;
  const current = timeline.stages.find((s) => s.status === 'now');
  const usual = begun && unread.stages.find((s) => s.stage.id === begun.stage.id);
  const phs = batch.readings.filter((r) => r.quantity === 'ph' && !doubtful.has(r.id));
  return assessSafety({
    state: worseOf(here, stateAt(unread, timeline.nowMs)),
    past: pastOf(timeline, here),
    measuredPh: phs.at(-1)?.value ?? null,
    rawMilk: pouredBy(timeline.stages.map((s) => s.stage)).some((s) => s.treatment === 'raw'),
    souringMin: begun?.status === 'now' ? (timeline.nowMs - begun.beginMs) / 60_000 : null,
    forecastMin: usual ? expectedMin(usual, nominal) : null,
    clockMin: begun?.stage.kind.endsAt && begun.endMs !== null ? (begun.endMs - begun.beginMs) / 60_000 : null,
    acidSeen: acidSeen(batch.cues.filter((c) => !doubtful.has(c.id))),
    onCounter: current?.stage.params['where'] === 'counter',
    ended: batch.ended?.how === 'finished',
  });
}

/** The crock as it is, with the acidity and the hours warm of the worse of two reckonings. */
function worseOf(here: CrockState, unread: CrockState): CrockState {
  return { ...here, ph: Math.max(here.ph, unread.ph), warmMin: Math.max(here.warmMin, unread.warmMin) };
}

/**
 * True where something that can be believed has shown that acid guards it: pH 4.6 or less as measured last, or, where there
 * is curd to look at, two looks of a set curd and a clean sour smell.
 */
export function acidShown({ batch, doubtful }: Pick<Context, 'batch' | 'doubtful'>, end: CrockState): boolean {
  const ph = batch.readings.findLast((r) => r.quantity === 'ph' && !doubtful.has(r.id));
  if (ph) return ph.value <= SAFE_PH;
  return end.inputs.casein > 0 && acidSeen(batch.cues.filter((c) => !doubtful.has(c.id)));
}

/** Two different looks of a set curd, and a clean sour smell, each as it was seen last. */
function acidSeen(cues: readonly CueSeen[]): boolean {
  const last = (cue: string) => cues.findLast((c) => c.cue === cue)?.answer ?? '';
  const isSet = ['leaves-the-wall', 'stands'].includes(last('set'));
  const hasWhey = ['a-film', 'a-pool'].includes(last('whey'));
  const isSour = ['mild', 'tangy', 'sharp'].includes(last('taste'));
  return isSet && (hasWhey || isSour) && last('smell') === 'bright-acid';
}

/** What it has passed through until now. */
export function pastOf(timeline: Timeline, here: CrockState): readonly CrockState[] {
  const states = timeline.stages.filter((s) => s.status !== 'ahead').flatMap((s) => s.run.states);
  return [...states.filter((s) => s.minute < here.minute), here];
}

/** Longest that a souring is reckoned, min. */
const LONGEST_MIN = 5 * 24 * 60;
/** Where the starter as planned would never do it, the time is that of a fresh one at this dose. */
const FRESH_DOSE = 0.025;

/** Minutes that a souring would take a usual starter, with nothing read. */
function expectedMin(at: TimelineStage, nominal: Environment): number | null {
  const begin = firstOf(at.run);
  const planned = soursIn(at.stage, begin, nominal);
  if (planned !== null || !begin.souring) return planned;
  const biomass = FRESH_DOSE * CULTURES[begin.souring.culture].biomassPerDose;
  return soursIn(at.stage, { ...begin, souring: { ...begin.souring, biomass, dead: false } }, nominal);
}

/** Minutes until a stage has soured a crock as wanted; null where it never does. */
function soursIn(stage: BoundStage, begin: CrockState, nominal: Environment): number | null {
  const target = stage.kind.target(stage.params);
  let state = begin;
  while (state.ph > target && state.minute - begin.minute < LONGEST_MIN) {
    state = advanced(stage, state, unmeasured(nominal), stage.kind.stepMin);
  }
  return state.ph <= target ? state.minute - begin.minute : null;
}
