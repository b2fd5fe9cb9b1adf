import { makeCost } from '../make/make-cost.js';
import { balanceOf } from '../balance/yield.js';
import type { Score } from '../batch/entry.js';
import type { Batch } from '../batch/replay.js';
import type { TimelineStage } from '../follow/timeline.js';
import { windowsOf, workOut, type WorkedOut } from '../follow/follow.js';
import type { ForecastOptions } from '../forecast/souring-forecast.js';
import type { Household } from '../make/household.js';
import { GIVEN_AT, type GivenWindow } from '../learn/widths.js';
import { lastOf } from '../make/run.js';
import { untilMoment } from './until-moment.js';

const HOUR_MS = 3_600_000;

/** What a finished make comes to, in figures that can be held against those of others. */
export interface MakeFigures {
  /** All that went in, what came of it, and what was forecast to when it began, g. */
  readonly inG: number;
  readonly productG: number;
  readonly forecastG: number;
  /** Of what went in: the product, and what no weighing accounts for, percent. */
  readonly yieldPct: number;
  readonly lostPct: number;
  /** All that was paid for it, and what a kilo of product comes to, in the maker's money; null where nothing had a price. */
  readonly outlay: number | null;
  readonly perKg: number | null;
  /** pH as it was last measured; null where it never was. */
  readonly endPh: number | null;
  /** Hours that it soured, and that it was forecast to when it began to; null where nothing soured, or a clock ended it. */
  readonly souredH: number | null;
  readonly forecastSouredH: number | null;
  /** Mean temperature while it soured, °C. */
  readonly souredC: number | null;
  readonly score: Score | null;
  /** What was poured first, by its name, and the place it was kept warm in, by its choice; null where none is named. */
  readonly milk: string | null;
  readonly keeper: string | null;
  /** Windows that would have been given at some moments of it, from what was known then. */
  readonly given: readonly GivenWindow[];
}

/**
 * What a finished make comes to. Null for one that is on or was discarded.
 *
 * The forecasts are made anew from what had been logged by then, so that they are those of this engine, whichever it was then.
 * What was ready is taken to have been when a meter's readings crossed the aim; where none did, when the next step was begun.
 */
export function makeFiguresOf(batch: Batch, options: ForecastOptions, household: Household = {}): MakeFigures | null {
  const { ended } = batch;
  if (ended?.how !== 'finished') return null;
  const worked = workOut(batch, ended.atMs, options, household);
  const end = lastOf(worked.timeline.stages.at(-1)!.run);
  const balance = balanceOf(end);
  const begun = workOut(untilMoment(batch, batch.startedMs), batch.startedMs, options, household);
  const { productG, wheyG, heldBackG } = ended;
  const { inG } = balance;
  const accounted =
    productG + (wheyG ?? balance.wheyG) + (heldBackG ?? balance.heldBackG) + balance.asideG + balance.evaporatedG;
  const runs = worked.timeline.stages.map(({ run }) => run);
  const { isPriced, outlay, perKg } = makeCost(runs, worked.planned, worked.choices, productG);
  const soured = worked.timeline.stages.find(({ stage }) => stage.kind.endsBy === 'acidity');
  const given = givenIn(batch, worked, options, household);
  const states = soured?.run.states ?? [];
  const byHand = soured !== undefined && soured.stage.kind.endsAt === undefined && soured.status === 'done';
  const readyMs = byHand ? readyMsOf(batch, soured) : null;
  const souring = given.find((window) => window.by === 'acidity' && window.share === GIVEN_AT[0]);
  return {
    inG,
    productG,
    forecastG: balanceOf(lastOf(begun.timeline.stages.at(-1)!.run)).productG,
    yieldPct: (100 * productG) / inG,
    lostPct: (100 * (inG - accounted)) / inG,
    outlay: isPriced ? outlay : null,
    perKg: isPriced ? perKg : null,
    endPh: batch.readings.findLast(({ quantity }) => quantity === 'ph')?.value ?? null,
    souredH: soured && readyMs !== null ? (readyMs - soured.beginMs) / HOUR_MS : null,
    forecastSouredH: souring ? souring.p50H : null,
    souredC: states.length > 0 ? states.reduce((sum, { tempC }) => sum + tempC, 0) / states.length : null,
    score: ended.score,
    milk: nameOf(batch),
    keeper: typeof worked.choices['keeper'] === 'string' ? worked.choices['keeper'] : null,
    given,
  };
}

/** What was poured first, where it was a lot of one's own: those have names of their own. */
function nameOf({ stocks }: Batch): string | null {
  const name = stocks[0]?.name;
  return typeof name === 'string' ? name : null;
}

function givenIn(batch: Batch, worked: WorkedOut, options: ForecastOptions, household: Household): GivenWindow[] {
  return windowsOf(worked)
    .filter(({ byClock }) => !byClock)
    .flatMap(({ stageId, by }) => {
      const at = worked.timeline.stages.find(({ stage }) => stage.id === stageId)!;
      if (at.status !== 'done' || at.endMs === null) return [];
      const readyMs = readyMsOf(batch, at)!;
      return GIVEN_AT.flatMap((share): GivenWindow[] => {
        const givenMs = at.beginMs + share * (readyMs - at.beginMs);
        const then = workOut(untilMoment(batch, givenMs), givenMs, options, household);
        const window = windowsOf(then).find((w) => w.stageId === stageId && w.by === by);
        if (!window || window.p10Ms === null || window.p50Ms === null || window.p90Ms === null) return [];
        const hours = (ms: number) => (ms - givenMs) / HOUR_MS;
        const [p10H, p50H, p90H] = [hours(window.p10Ms), hours(window.p50Ms), hours(window.p90Ms)];
        return [{ by, share, aheadH: hours(readyMs), p10H, p50H, p90H }];
      });
    });
}

/** When what a stage was for was there, ms: where a meter's readings crossed its aim, else where it was ended; null where it was not. */
function readyMsOf(batch: Batch, { stage, beginMs, endMs }: TimelineStage): number | null {
  const { kind, params } = stage;
  return (kind.endsBy === 'acidity' ? crossedMs(batch, kind.target(params), beginMs) : null) ?? endMs;
}

/** When a meter's readings first crossed a pH, ms, on the line between the two about it; null where they did not. */
function crossedMs({ readings }: Batch, targetPh: number, fromMs: number): number | null {
  const read = readings.filter(({ quantity, by, atMs }) => quantity === 'ph' && by === 'meter' && atMs >= fromMs);
  const below = read.findIndex(({ value }) => value <= targetPh);
  const [before, after] = [read[below - 1], read[below]];
  if (!before || !after) return null;
  return before.atMs + ((before.value - targetPh) / (before.value - after.value)) * (after.atMs - before.atMs);
}
