import type { Batch, Reading } from '../batch/replay.js';
import { isSouringCue, type SouringReading } from '../assimilate/evidence.js';
import { NOMINAL_MEMBER, type Environment, type Member } from '../environment/environment.js';
import type { ScorePrior } from '../assimilate/score-prior.js';
import { forecastDrain, STANDARD_DRAIN, type DrainForecast } from '../forecast/drain-forecast.js';
import { forecastSouring, type ForecastOptions, type SouringForecast } from '../forecast/souring-forecast.js';
import type { KnownSouring } from '../forecast/souring-ensemble.js';
import { drainProblem, souringProblem } from '../make/forecast-problems.js';
import { firstOf } from '../make/run.js';
import type { BoundStage } from '../stages/registry.js';
import { totalG } from '../materials/composition.js';
import type { Timeline, TimelineStage } from './timeline.js';

const MIN_MS = 60_000;

/** A probe's readings are its own and drift together: one per half hour counts. */
const PROBE_BIN_MIN = 30;

/** What the souring of a batch looks like, with the entries its readings came from. */
export interface LearnedSouring {
  readonly at: TimelineStage;
  readonly problem: KnownSouring;
  readonly forecast: SouringForecast;
  readonly readingIds: readonly string[];
}

/** Forecast of a live batch's souring from everything logged while it soured. */
export function learnSouring(
  batch: Batch,
  timeline: Timeline,
  environment: Environment,
  options: ForecastOptions,
  priorFor: (problem: KnownSouring, stage: BoundStage) => ScorePrior = ({ prior }) => prior,
): LearnedSouring | null {
  const at = timeline.stages.find((s) => s.stage.kind.endsBy === 'acidity');
  if (!at) return null;
  const untilMs = at.status === 'done' ? at.endMs! : timeline.nowMs;
  const read = thinned(
    batch.readings.filter((r) => r.quantity === 'tempC' && r.atMs > at.beginMs && r.atMs <= untilMs),
  );
  const temps = read.map((r) => ({ minute: (r.atMs - at.beginMs) / MIN_MS, tempC: r.value }));
  const plain = souringProblem(at.run, environment, temps);
  if (!plain) return null;
  const problem = { ...plain, prior: priorFor(plain, at.stage) };
  const seen = souringReadings(batch, at.beginMs, untilMs);
  const forecast = forecastSouring(
    problem,
    seen.map((s) => s.reading),
    options,
  );
  return { at, problem, forecast, readingIds: seen.map((s) => s.id) };
}

/** pH readings and cues of the souring, minutes from its begin; a probe's own readings thinned to one a half hour. */
function souringReadings(
  batch: Batch,
  fromMs: number,
  untilMs: number,
): readonly { readonly id: string; readonly reading: SouringReading }[] {
  const during = (atMs: number) => atMs >= fromMs && atMs <= untilMs;
  const minOf = (atMs: number) => Math.round((atMs - fromMs) / MIN_MS);
  const phs = thinned(batch.readings.filter((r) => r.quantity === 'ph' && during(r.atMs))).map((r) => ({
    id: r.id,
    reading: { min: minOf(r.atMs), ph: r.value, by: r.by === 'strip' ? ('strip' as const) : ('meter' as const) },
  }));
  const cues = batch.cues
    .filter((c) => during(c.atMs) && isSouringCue(c.cue))
    .map((c) => ({ id: c.id, reading: { min: minOf(c.atMs), cue: c.cue, answer: c.answer } }));
  return [...phs, ...cues].sort((a, b) => a.reading.min - b.reading.min);
}

/** Keeps, of readings that crowd together, the newest of each half hour; a strip never in a meter's place. */
function thinned(readings: readonly Reading[]): Reading[] {
  const byBin = new Map<number, Reading>();
  for (const r of readings) {
    const bin = Math.floor(r.atMs / (PROBE_BIN_MIN * MIN_MS));
    if (r.by !== 'strip' || byBin.get(bin)?.by !== 'meter') byBin.set(bin, r);
  }
  return [...byBin.values()];
}

/** What one draining of a batch looks like. */
export interface LearnedDrain {
  readonly at: TimelineStage;
  readonly forecast: DrainForecast;
  readonly prior: ScorePrior;
  readonly wantedWheyG: number;
  /** Whey that had left before this draining began, g. */
  readonly wheyBeforeG: number;
  /** How many weighings it was learned from. */
  readonly weighings: number;
}

/** Forecast of every draining of a live batch from the whey weighed during it. */
export function learnDrains(
  batch: Batch,
  timeline: Timeline,
  environment: Environment,
  options: ForecastOptions,
  priorFor: (stage: BoundStage) => ScorePrior = () => STANDARD_DRAIN,
): readonly LearnedDrain[] {
  return timeline.stages.flatMap((at) => {
    const problem = drainProblem(at.run, environment);
    if (!problem) return [];
    const untilMs = at.status === 'done' ? at.endMs! : timeline.nowMs;
    const wheyBeforeG = totalG(firstOf(at.run).whey);
    const weighed = thinWhey(
      batch.readings
        .filter((r) => r.quantity === 'wheyG' && r.atMs >= at.beginMs && r.atMs <= untilMs)
        .map((r) => ({ min: (r.atMs - at.beginMs) / MIN_MS, wheyG: r.value - wheyBeforeG })),
    );
    const { course, wantedWheyG } = problem;
    const prior = priorFor(at.stage);
    const forecast = forecastDrain(course, wantedWheyG, weighed, options, prior);
    return [{ at, forecast, prior, wantedWheyG, wheyBeforeG, weighings: weighed.length }];
  });
}

/** A scale left under the cloth weighs every few minutes; one in twenty minutes counts. */
function thinWhey<T extends { readonly min: number }>(weighed: readonly T[]): T[] {
  const byBin = new Map<number, T>();
  for (const w of weighed) byBin.set(Math.floor(w.min / 20), w);
  return [...byBin.values()];
}

/** The batch as its readings show it, for the engine to run on; what nothing was read of is as expected. */
export function memberOf(
  souring: LearnedSouring | null,
  drains: readonly LearnedDrain[],
  expected: Member = NOMINAL_MEMBER,
): Member {
  const drain = drains.findLast((d) => d.weighings > 0);
  const { wheyReach, drainTime, drainExponent } = expected;
  return {
    ...(souring?.forecast.member ?? expected),
    wheyReach: drain?.forecast.reachFactor ?? wheyReach,
    drainTime: drain?.forecast.timeFactor ?? drainTime,
    drainExponent: drain?.forecast.exponent ?? drainExponent,
  };
}
