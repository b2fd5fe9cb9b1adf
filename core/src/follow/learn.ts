import { volumeMl } from '../stages/pass-time.js';
import type { Batch, Reading } from '../batch/replay.js';
import { isSouringCue, type SouringReading } from '../assimilate/evidence.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { gelPointPh } from '../physics/gel.js';
import { heatCapacityKJPerK } from '../physics/heat.js';
import {
  NOMINAL_MEMBER,
  type Environment,
  type KnownTemp,
  type MeasuredTemps,
  type Member,
} from '../environment/environment.js';
import type { ScorePrior } from '../assimilate/score-prior.js';
import { forecastDrain, STANDARD_DRAIN, type DrainForecast } from '../forecast/drain-forecast.js';
import { forecastSouring, type ForecastOptions, type SouringForecast } from '../forecast/souring-forecast.js';
import { starterScores, type SouringProblem, type WarmPlace } from '../forecast/souring-ensemble.js';
import { firstOf, type StageRun } from '../make/run.js';
import type { Drainage } from '../stages/kind.js';
import { lawFor } from '../stages/pass-time.js';
import type { BoundStage } from '../stages/registry.js';
import { totalG } from '../state/composition.js';
import type { CrockState, Living } from '../state/crock-state.js';
import type { Timeline, TimelineStage } from './timeline.js';

const MIN_MS = 60_000;

/** How far ahead a souring is forecast, min. */
const HORIZON_MIN = 24 * 60;
const LONG_HORIZON_MIN = 72 * 60;

/** A probe's readings are its own and drift together: one per half hour counts. */
const PROBE_BIN_MIN = 30;

/** A souring with what is known of it beforehand. */
export type KnownSouring = SouringProblem & { readonly prior: ScorePrior };

/** What the souring of a batch looks like, with the entries its readings came from. */
export interface LearnedSouring {
  readonly at: TimelineStage;
  readonly problem: KnownSouring;
  readonly forecast: SouringForecast;
  readonly readingIds: readonly string[];
}

/** The souring stage of a run, as a problem for the ensemble, with the temperatures that were read of it. */
export function souringProblem(
  run: StageRun,
  environment: Environment,
  temps: readonly KnownTemp[] = [],
): KnownSouring | null {
  const begin = firstOf(run);
  const { kind, params } = run.stage;
  if (kind.endsBy !== 'acidity' || !kind.around || !begin.souring) return null;
  const nominal = { ...environment, member: NOMINAL_MEMBER };
  const around = kind.around(params, volumeMl(begin), nominal);
  const { vitality, lag } = environment.member;
  const asNominal = (living: Pick<Living, 'biomass' | 'lagQ'>) => ({
    biomass: living.biomass / vitality,
    lagQ: living.lagQ / lag,
  });
  const law = lawFor(begin.souring.culture, begin.souring.milk);
  return {
    law,
    starter: begin.souring.prior,
    prior: starterScores(begin.souring.prior),
    ...asNominal(begin.souring),
    beside: begin.souring.beside.map(({ culture, biomass, lagQ }) => ({
      law: lawFor(culture, begin.souring!.milk),
      ...asNominal({ biomass, lagQ }),
    })),
    lacticMolPerKg: begin.souring.lacticMolPerKg,
    tempC: begin.tempC,
    place: {
      aroundC: around.aroundC,
      tauMin: (heatCapacityKJPerK(begin.masses, begin.tempC) * 1000) / around.uaWPerK / 60,
      measured: measuredFrom(begin.minute, environment),
      swingC: roomSwing(run.stage, begin, nominal),
    },
    targetPh: kind.target(params),
    gelPh: gelPointPh(denaturedBetaLg(begin.native)),
    horizonMin: law.culture.muOptPerH > 1.2 ? HORIZON_MIN : LONG_HORIZON_MIN,
    temps,
  };
}

/** What was measured, by the minutes of the souring. */
function measuredFrom(beginMinute: number, { measured }: Environment): MeasuredTemps | undefined {
  if (!measured) return undefined;
  return (from, to) => {
    const known = measured(beginMinute + from, beginMinute + to);
    return known && { ...known, minute: known.minute - beginMinute };
  };
}

/** How far a crock's surroundings are from their mean by the minutes of its souring, °C; undefined where they do not follow the room. */
function roomSwing({ kind, params }: BoundStage, begin: CrockState, environment: Environment): WarmPlace['swingC'] {
  const { roomSwingC, kitchen } = environment;
  if (!roomSwingC || !kind.around) return undefined;
  const aroundC = (roomC: number) =>
    kind.around!(params, volumeMl(begin), { ...environment, kitchen: { ...kitchen, roomC } }).aroundC;
  const share = aroundC(kitchen.roomC + 1) - aroundC(kitchen.roomC);
  return share > 0 ? (min) => share * roomSwingC(begin.minute + min) : undefined;
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

/** The course of a run's straining and the whey (g) that must leave for its texture; null where nothing drains. */
export function drainProblem(run: StageRun, environment: Environment): Drainage | null {
  const { kind, params } = run.stage;
  if (!kind.drainage) return null;
  const begin = firstOf(run);
  return kind.drainage(begin, params, { ...environment, member: NOMINAL_MEMBER });
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
