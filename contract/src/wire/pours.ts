import {
  heldStage,
  type Break,
  type Choices,
  type CultureId,
  type HeldStage,
  type Plan,
  type PlannedMake,
} from '@oat-crock/core';
import type { Occurrence } from './orders.js';

const MIN_MS = 60_000;

/** Hands of a planned make: what they do, when, for how long, and how early or late they may come. */
export interface PlannedHand {
  readonly stageId: string;
  readonly says: string;
  readonly atMs: number;
  readonly minutes: number;
  readonly earliestMs: number;
  readonly latestMs: number;
}

/** The feeding of a culture before a planned make. */
export interface PlannedFeed {
  readonly culture: CultureId;
  readonly beginMs: number;
  readonly ripeMs: number;
  readonly milkG: number;
  readonly starterG: number;
  readonly tempC: number;
}

/** The crock at a moment of a planned make. */
export interface PourPoint {
  readonly atMs: number;
  readonly massG: number;
  readonly wheyG: number;
  readonly ph: number;
  readonly tempC: number;
}

/** A make as a plan that was taken has it. */
export interface PlannedPour {
  /** ULID: the same for as long as it is of the same order, day and part, however it is moved. */
  readonly id: string;
  /** Of which order, and of which day of it. */
  readonly occurrenceId: string;
  readonly part: number;
  readonly parts: number;
  readonly name: string;
  readonly whom: string;
  readonly methodId: string;
  readonly choices: Choices;
  readonly productG: number;
  readonly startMs: number;
  readonly readyMs: number;
  /** Ready by then nine times in ten. */
  readonly readyLateMs: number;
  readonly dueMs: number | null;
  /** A step that is held on, on purpose. */
  readonly held: HeldStage | null;
  /** What did not hold of it when it was taken, and was taken all the same: it is no news then. */
  readonly accepted: readonly Break['is'][];
  /** True where somebody has put it there: it is not moved by itself. */
  readonly pinned: boolean;
  readonly hands: readonly PlannedHand[];
  readonly gear: readonly string[];
  readonly feed: PlannedFeed | null;
  /** So many times the starter is taken, as its culture is tired by then; 1 where it is strong. */
  readonly starterTimes: number;
  /** How it is likely to go, for a drawing; empty once it is begun, as its batch then shows how it goes. */
  readonly course: readonly PourPoint[];
  /** The batch it was begun as; null while it is planned. */
  readonly batchId: string | null;
}

/** Sittings: hands that follow each other within so many minutes are one visit to the crocks. */
const ONE_SITTING_MIN = 30;

/** Hands that are done in one visit. */
export interface Sitting {
  readonly fromMs: number;
  readonly untilMs: number;
  readonly hands: readonly PlannedHand[];
}

/** The visits that a pour asks for, in order of time. */
export function sittingsOf(hands: readonly PlannedHand[]): readonly Sitting[] {
  const sittings: { fromMs: number; untilMs: number; hands: PlannedHand[] }[] = [];
  for (const hand of hands) {
    const last = sittings.at(-1);
    const untilMs = hand.atMs + hand.minutes * MIN_MS;
    if (last && hand.atMs - last.untilMs <= ONE_SITTING_MIN * MIN_MS) {
      last.hands.push(hand);
      last.untilMs = Math.max(last.untilMs, untilMs);
    } else sittings.push({ fromMs: hand.atMs, untilMs, hands: [hand] });
  }
  return sittings;
}

/**
 * A plan as it is kept: each make as a pour. What was kept of the same order, day and part before keeps its id, so that a
 * calendar that has it moves it rather than show it twice.
 *
 * @param startMs the moment at which the plan begins
 * @param before pours as they were kept, those that were taken away among them
 */
export function poursOf(
  { makes }: Pick<Plan, 'makes'>,
  occurrences: readonly Occurrence[],
  startMs: number,
  before: readonly PlannedPour[],
  newId: (occurrenceId: string, part: number) => string,
  { isPinned, accepted }: PourMarks = NO_MARKS,
): readonly PlannedPour[] {
  const wanted = new Map(occurrences.map((o) => [o.id, o]));
  return makes.flatMap((make): PlannedPour[] => {
    const occurrence = wanted.get(make.orderId);
    if (!occurrence) return [];
    const begun = begunOf(occurrence.id, before);
    const part = freeParts(begun)(make.part);
    const kept = before.find((p) => p.occurrenceId === occurrence.id && p.part === part && p.batchId === null);
    const pour = pourOf(make, occurrence, startMs, kept?.id ?? newId(occurrence.id, part));
    const marks = { pinned: isPinned(make), accepted: accepted(make) };
    return [{ ...pour, ...marks, part, parts: make.parts + begun.length }];
  });
}

/** What something wanted is called: "Quark for the bakery". */
export const wantedName = (name: string, whom: string): string => (whom ? `${name} for ${whom}` : name);

/** What a planned make is called: as what is wanted, and which part of it. */
export const pourName = ({ name, whom, part, parts }: PlannedPour): string =>
  `${wantedName(name, whom)}${parts > 1 ? `, ${part} of ${parts}` : ''}`;

/** What is known of a make besides where it is. */
export interface PourMarks {
  readonly isPinned: (make: PlannedMake) => boolean;
  readonly accepted: (make: PlannedMake) => readonly Break['is'][];
}

const NO_MARKS: PourMarks = { isPinned: () => false, accepted: () => [] };

/** Parts of an order and day that were begun. */
export const begunOf = (occurrenceId: string, pours: readonly PlannedPour[]): readonly PlannedPour[] =>
  pours.filter((p) => p.occurrenceId === occurrenceId && p.batchId !== null);

/** The number of the first, second, … part that is not begun, counted from 1. */
export function freeParts(begun: readonly PlannedPour[]): (nth: number) => number {
  const taken = new Set(begun.map((p) => p.part));
  return (nth) => {
    let part = 0;
    for (let left = nth; left > 0;) if (!taken.has(++part)) left--;
    return part;
  };
}

function pourOf(
  make: PlannedMake,
  { id: occurrenceId, order, dueMs }: Occurrence,
  startMs: number,
  id: string,
): PlannedPour {
  const { network, way, steps, feed } = make;
  const ms = (min: number) => Math.round(startMs + min * MIN_MS);
  return {
    id,
    occurrenceId,
    part: make.part,
    parts: make.parts,
    name: network.name,
    whom: order.whom,
    methodId: network.methodId,
    choices: network.choices,
    productG: Math.round(network.productG),
    startMs: ms(way.startMin),
    readyMs: ms(way.readyMin),
    readyLateMs: ms(way.readyLateMin),
    dueMs,
    held: heldStage(network, way.held),
    accepted: [],
    pinned: false,
    hands: network.steps.map(({ stageId, says, handsMin }, i): PlannedHand => {
      const atMs = ms(steps[i]!.beginMin);
      // How early or late hands may come is the give of the step before them.
      const give = network.steps[i - 1]?.give ?? { earlyMin: 0, lateMin: 0 };
      const moved = steps[i - 1]?.movedMin ?? 0;
      return {
        stageId,
        says,
        atMs,
        minutes: handsMin,
        earliestMs: Math.round(atMs - (give.earlyMin + moved) * MIN_MS),
        latestMs: Math.round(atMs + (give.lateMin - moved) * MIN_MS),
      };
    }),
    gear: make.gear.map((g) => g.name ?? g.kind),
    feed: feed && {
      culture: feed.culture,
      beginMs: ms(feed.beginMin),
      ripeMs: ms(feed.ripeMin),
      milkG: Math.round(feed.milkG),
      starterG: Math.round(10 * feed.starterG) / 10,
      tempC: feed.tempC,
    },
    starterTimes: rounded(make.starterTimes, 1),
    course: courseOf(make, ms),
    batchId: null,
  };
}

const rounded = (value: number, digits: number) => Number(value.toFixed(digits));

/** The usual course of its network, at the moments of its own steps. */
function courseOf({ network: { course }, steps }: PlannedMake, ms: (min: number) => number): readonly PourPoint[] {
  return course.map(({ step, share, massG, wheyG, ph, tempC }) => {
    const { beginMin, endMin } = steps[step]!;
    return {
      atMs: ms(beginMin + share * (endMin - beginMin)),
      massG: Math.round(massG),
      wheyG: Math.round(wheyG),
      ph: rounded(ph, 2),
      tempC: rounded(tempC, 1),
    };
  });
}
