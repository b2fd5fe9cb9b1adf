import type { Batch } from '../batch/replay.js';
import { kitchenFor, swingFrom, type Household } from '../make/household.js';
import { timelineOf } from '../follow/timeline.js';
import { cultureOf } from '../stages/culture-of.js';
import { lastOf, stateIn } from '../make/run.js';
import { plannedOf } from '../make/planned.js';
import { seedFromText, seededRandom } from '../random/random.js';
import type { CrockState } from '../state/crock-state.js';
import { INSTRUMENT_KINDS, type CrockSimulator, type SimulatedKind } from './kinds.js';
import { hiddenMember, simulateReading } from './simulated.js';

const MS_PER_MIN = 60_000;

/**
 * The hidden true state of a simulated batch at a moment: the engine run with a member that the batch's own name
 * draws, so that every simulated instrument, and every start of them, sees the same crock. Null before it began and after its end.
 *
 * @param room the true room it stands in, where that is known
 */
export function hiddenTruth(batch: Batch, nowMs: number, room: Pick<Household, 'roomAt'> = {}): CrockState | null {
  return hiddenCourse(batch, nowMs, room)(nowMs);
}

/** The same at any moment up to another (ms), for one run of the engine. */
function hiddenCourse(
  batch: Batch,
  untilMs: number,
  room: Pick<Household, 'roomAt'>,
): (atMs: number) => CrockState | null {
  if (untilMs < batch.startedMs || batch.ended) return () => null;
  const { choices, stages } = plannedOf(batch);
  const kitchen = kitchenFor(choices);
  const environment = {
    kitchen,
    ...swingFrom(batch.startedMs, kitchen.roomC, room),
    member: hiddenMember(cultureOf(stages) ?? 'thermophilic', truthSeed(batch.id)),
  };
  const timeline = timelineOf(batch, stages, environment, untilMs);
  return (atMs) => {
    const minute = (atMs - batch.startedMs) / MS_PER_MIN;
    const run = timeline.stages.findLast((stage) => stage.beginMs <= atMs)?.run;
    return run && minute >= 0 ? stateIn(run, Math.min(minute, lastOf(run).minute), environment) : null;
  };
}

/** The seed of a batch's hidden truth: the chance part of its ULID, so that the time of day has no say. */
export function truthSeed(batchId: string): number {
  return seedFromText(batchId.slice(10));
}

/** True where an instrument has something to measure. */
export const canRead = (kind: CrockSimulator, state: CrockState): boolean => INSTRUMENT_KINDS[kind].canRead(state);

/**
 * What a simulated instrument reads of a batch at moments up to another (ms): the same each time it is asked; null where it has nothing to
 * read.
 */
export function simulatedReadings(
  kind: CrockSimulator,
  batch: Batch,
  untilMs: number,
  room: Pick<Household, 'roomAt'> = {},
): (atMs: number) => number | null {
  const stateAtMoment = hiddenCourse(batch, untilMs, room);
  return (atMs) => {
    const state = stateAtMoment(atMs);
    if (!state || !canRead(kind, state)) return null;
    return simulateReading(kind, state, seededRandom(seedFromText(`${batch.id} ${kind} ${atMs}`)));
  };
}

/** Moments (ms) after `afterMs` up to `untilMs` at which a simulated instrument reads. */
export function readingMoments(kind: SimulatedKind, afterMs: number, untilMs: number): number[] {
  const everyMs = INSTRUMENT_KINDS[kind].simulated.everyMin * 60_000;
  const first = (Math.floor(afterMs / everyMs) + 1) * everyMs;
  const count = Math.max(0, Math.floor((untilMs - first) / everyMs) + 1);
  return Array.from({ length: count }, (_, i) => first + i * everyMs);
}
