import { atMinute, unmeasured, type Environment } from '../environment/environment.js';
import { FRESH_COW_PH } from '../constants/milk.js';
import { emptyCrock, type CrockState } from '../state/crock-state.js';
import { solidsFraction } from '../materials/composition.js';
import { LONGEST_STAGE_MIN, type Course, type EndsBy } from '../stages/kind.js';
import type { BoundStage } from '../stages/registry.js';

/** A stage as it was run: the states it passed through, first and last included. */
export interface StageRun {
  readonly stage: BoundStage;
  readonly states: readonly CrockState[];
  /** False where it would never have ended by itself. */
  readonly finished: boolean;
}

/** Precision with which the end of a stage is found, minutes. */
const END_PRECISION_MIN = 0.02;

/**
 * Runs one stage from a state until its work is done, or for exactly `forMin` minutes where given.
 * A stage that is not done after five days is returned unfinished.
 */
export function runStage(stage: BoundStage, from: CrockState, environment: Environment, forMin?: number): StageRun {
  const begun = stage.kind.begin(from, stage.params, atMinute(environment, from.minute));
  return goOn(stage, [begun], from.minute, environment, forMin);
}

/** Runs a stage that somebody ended after so many minutes: what it was for is done by then, whatever the clock says. */
export function runEnded(stage: BoundStage, from: CrockState, environment: Environment, afterMin: number): StageRun {
  const run = runStage(stage, from, paced(stage, from, environment, afterMin), afterMin);
  const { windUp } = stage.kind;
  return windUp ? { ...run, states: [...run.states.slice(0, -1), windUp(lastOf(run), stage.params)] } : run;
}

/** A kitchen is quicker than reckoned at most so many times, by ice, stirring and a thin pot; sooner than that, the hand was too soon. */
const MOST_QUICKER = 1.6;

/**
 * The kitchen as it must be for a stage to have come to its aim just when somebody ended it, where that is what the stage's kind
 * takes to be so: the same course of temperature, stretched or squeezed. What was measured meanwhile counts before all else.
 */
function paced(stage: BoundStage, from: CrockState, environment: Environment, afterMin: number): Environment {
  const { kind } = stage;
  if (kind.endsAtAim === undefined || afterMin <= 0) return environment;
  const sinceMin = from.minute;
  if (environment.measured?.(sinceMin + 1e-6, sinceMin + afterMin)) return environment;
  const natural = runStage(stage, from, unmeasured(environment));
  const tookMin = lastOf(natural).minute - sinceMin;
  if (!natural.finished) return environment;
  const isLikely = afterMin > tookMin === (kind.endsAtAim === 'when later') && tookMin <= MOST_QUICKER * afterMin;
  if (!isLikely && !wasAtAim(stage, from, environment, afterMin)) return environment;
  const tempAt = (minute: number) => tempIn(natural, sinceMin + ((minute - sinceMin) * tookMin) / afterMin);
  return { ...environment, measured: (_, toMinute) => ({ minute: toMinute, tempC: tempAt(toMinute) }) };
}

/** What is measured so soon after a stage (min) tells whether it ended at its aim. */
const SOON_MIN = 20;

/** Whether what was measured soon after a stage is nearer to its aim than to where the engine's kitchen would have brought it. */
function wasAtAim(stage: BoundStage, from: CrockState, environment: Environment, afterMin: number): boolean {
  const endMin = from.minute + afterMin;
  const soon = environment.measured?.(endMin, endMin + SOON_MIN);
  if (!soon) return false;
  const wouldBeC = lastOf(runStage(stage, from, unmeasured(environment), afterMin)).tempC;
  return Math.abs(soon.tempC - stage.kind.target(stage.params)) < Math.abs(soon.tempC - wouldBeC);
}

/** The temperature at a minute of a run, on the line between the states that were kept. */
function tempIn({ states }: StageRun, minute: number): number {
  const next = states.findIndex((s) => s.minute >= minute);
  if (next <= 0) return states[next === 0 ? 0 : states.length - 1]!.tempC;
  const [a, b] = [states[next - 1]!, states[next]!];
  return a.tempC + ((minute - a.minute) / (b.minute - a.minute)) * (b.tempC - a.tempC);
}

/** Lets a stage that was run for a time go on until its work is done. */
export function finishStage(run: StageRun, environment: Environment): StageRun {
  return goOn(run.stage, run.states, firstOf(run).minute, environment);
}

/** Lets a stage go on for some minutes whether its work is done or not. */
export function runOn(run: StageRun, environment: Environment, minutes: number): StageRun {
  const since = firstOf(run).minute;
  return {
    ...goOn(run.stage, run.states, since, environment, lastOf(run).minute - since + minutes),
    finished: run.finished,
  };
}

function goOn(
  stage: BoundStage,
  before: readonly CrockState[],
  since: number,
  environment: Environment,
  forMin?: number,
): StageRun {
  const { kind, params } = stage;
  const states = [...before];
  let state = states[states.length - 1]!;
  const until = forMin ?? LONGEST_STAGE_MIN;
  const done = (at: CrockState) => forMin === undefined && kind.done(at, params, environment, since);
  if (done(state)) return { stage, states, finished: true };
  while (state.minute - since < until - 1e-9) {
    const step = Math.min(kind.stepMin, until - (state.minute - since));
    const next = advanced(stage, state, environment, step);
    if (done(next)) {
      states.push(endWithin(stage, state, next, environment, since, step));
      return { stage, states, finished: true };
    }
    state = next;
    states.push(state);
  }
  return { stage, states, finished: forMin !== undefined };
}

/** Moves a crock on in a stage; the room is what it is half-way through. */
export function advanced(
  { kind, params }: BoundStage,
  from: CrockState,
  environment: Environment,
  minutes: number,
): CrockState {
  return kind.advance(from, params, atMinute(environment, from.minute + minutes / 2), minutes);
}

/** What decides the end of a stage, read off the crock. */
const MEASURES: Readonly<Record<EndsBy, (state: CrockState) => number>> = {
  clock: (state) => state.minute,
  temperature: (state) => state.tempC,
  acidity: (state) => state.ph,
  solids: (state) => solidsFraction(state.masses),
};

/**
 * A stage's end is looked for at whole parts of its last step. Were it a number like any other, the last bit of an
 * exponential would decide whether the clock of the next stage has run out, and engines differ there.
 */
const PARTS = 1024;

/** The state at which a stage is just done: about where a straight line through its last step meets what was wanted, else by halving. */
function endWithin(
  stage: BoundStage,
  from: CrockState,
  past: CrockState,
  environment: Environment,
  since: number,
  step: number,
): CrockState {
  const { kind, params } = stage;
  let notYet = 0;
  let done = step;
  let end = past;
  const tryAt = (minutes: number) => {
    if (minutes <= notYet || minutes >= done) return;
    const there = advanced(stage, from, environment, minutes);
    if (kind.done(there, params, environment, since)) [done, end] = [minutes, there];
    else notYet = minutes;
  };
  const part = Math.min(PARTS - 1, Math.floor(PARTS * shareWhere(stage, from, past, environment, since)));
  tryAt(((part + 1) * step) / PARTS);
  tryAt((part * step) / PARTS);
  while (done - notYet > END_PRECISION_MIN) tryAt((notYet + done) / 2);
  return end;
}

/** Share of a step (0–1) after which what decides its end is as wanted, were it to move evenly; a half where that is not known. */
function shareWhere(
  { kind, params }: BoundStage,
  from: CrockState,
  past: CrockState,
  environment: Environment,
  since: number,
): number {
  const endsAt = kind.endsAt?.(params, environment, since);
  const measure = MEASURES[endsAt === undefined ? kind.endsBy : 'clock'];
  const wanted = endsAt ?? kind.target(params) + (kind.endsBy === 'clock' ? since : 0);
  const share = (wanted - measure(from)) / (measure(past) - measure(from));
  return share > 0 && share <= 1 ? share : 0.5;
}

/** Runs a make from an empty crock; stops at the first stage that never ends. `settle` may let a done stage wait. */
export function runMake(
  stages: readonly BoundStage[],
  environment: Environment,
  settle: (run: StageRun) => StageRun = (run) => run,
): StageRun[] {
  const runs: StageRun[] = [];
  let state = coldCrock(environment);
  for (const stage of stages) {
    const run = settle(runStage(stage, state, environment));
    runs.push(run);
    state = lastOf(run);
    if (!run.finished) break;
  }
  return runs;
}

/** The crock before anything is in it: milk comes from the cold. */
export function coldCrock(environment: Environment): CrockState {
  return emptyCrock(environment.kitchen.refrigeratorC, FRESH_COW_PH.mean);
}

export function lastOf(run: StageRun): CrockState {
  return run.states[run.states.length - 1]!;
}

export function firstOf(run: StageRun): CrockState {
  return run.states[0]!;
}

/** The crock at a minute of a run, between the states that were kept: the last of them moved on to just then. */
export function stateIn(run: StageRun, minute: number, environment: Environment): CrockState {
  const before = run.states.findLast((s) => s.minute <= minute) ?? firstOf(run);
  return minute > before.minute ? advanced(run.stage, before, environment, minute - before.minute) : before;
}

/** A run's course about its end: earlier states from the run, later ones by letting it go on. */
export function courseOf(run: StageRun, environment: Environment): Course {
  const end = lastOf(run);
  const lastedMin = end.minute - firstOf(run).minute;
  const later: CrockState[] = [end];
  return {
    lastedMin,
    at: (fromEnd) => {
      if (fromEnd <= 0) return earlierState(run, end.minute + fromEnd);
      const { stepMin } = run.stage.kind;
      let last = later[later.length - 1]!;
      while (last.minute < end.minute + fromEnd - 1e-9) {
        last = advanced(run.stage, last, environment, Math.min(stepMin, end.minute + fromEnd - last.minute));
        later.push(last);
      }
      return later.find((s) => s.minute >= end.minute + fromEnd - 1e-6) ?? last;
    },
  };
}

function earlierState(run: StageRun, minute: number): CrockState {
  return run.states.find((s) => s.minute >= minute - 1e-6) ?? lastOf(run);
}
