import {
  awakeMin,
  listOf,
  say,
  type Text,
  stageExtension,
  type Break,
  type Choices,
  type CultureId,
  type StageExtension,
  type Plan,
  type PlannedMake,
} from '@oat-crock/core';
import type { Occurrence } from './orders.js';

const MIN_MS = 60_000;

/** A task of a planned make: what they do, when, for how long, and how early or late they may come. */
export interface PlannedTask {
  readonly stageId: string;
  readonly says: Text;
  /** Whose hands they are; left out, or empty, where they are those of the house. */
  readonly who?: string;
  /** Who lends a hand, where it takes two; empty where that is somebody of the house. */
  readonly with?: string;
  readonly atMs: number;
  readonly minutes: number;
  readonly earliestMs: number;
  readonly latestMs: number;
}

/** The feeding of a culture before a planned make. */
export interface PlannedFeed {
  readonly culture: CultureId;
  /** Who feeds it; left out, or empty, where it is somebody of the house. */
  readonly who?: string;
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

/** What of a planned make is for one order. */
export interface PlannedShare {
  /** Of which order, and of which day of it. */
  readonly occurrenceId: string;
  readonly whom: string;
  readonly productG: number;
  readonly dueMs: number | null;
}

/** A make as a plan that was taken has it. */
export interface PlannedBatch {
  /** ULID: the same for as long as it is of the same order, day and part, however it is moved. */
  readonly id: string;
  /** Of which order, and of which day of it. */
  readonly occurrenceId: string;
  readonly part: number;
  readonly parts: number;
  readonly name: Text;
  readonly whom: string;
  readonly methodId: string;
  readonly choices: Choices;
  readonly productG: number;
  /** What of it is for which order, the first that is handed on first, where it is made for several; left out where it is for one. */
  readonly shares?: readonly PlannedShare[];
  readonly startMs: number;
  readonly readyMs: number;
  /** Ready by then nine times in ten. */
  readonly readyLateMs: number;
  readonly dueMs: number | null;
  /** A step that is made to last longer, on purpose. */
  readonly extension: StageExtension | null;
  /** What did not hold of it when it was taken, and was taken all the same: it is no news then. */
  readonly accepted: readonly Break['is'][];
  /** True where somebody has put it there: it is not moved by itself. */
  readonly pinned: boolean;
  readonly tasks: readonly PlannedTask[];
  readonly gear: readonly string[];
  readonly feed: PlannedFeed | null;
  /** So many times the starter is taken, as its culture is tired by then; 1 where it is strong. */
  readonly starterTimes: number;
  /** Why it is kept warm another way than it was to be, and what is otherwise; null where it is as it was to be. */
  readonly instead: Text | null;
  /** How it is likely to go, for a drawing; empty once it is begun, as its batch then shows how it goes. */
  readonly course: readonly PourPoint[];
  /** The batch it was begun as; null while it is planned. */
  readonly batchId: string | null;
}

/** Tasks that follow each other within so many minutes are one visit to the crocks. */
const ONE_VISIT_MIN = 30;

/** Hands that are done in one visit, by one of those who are there. */
export interface Visit<T = PlannedTask> {
  readonly fromMs: number;
  readonly untilMs: number;
  readonly tasks: readonly T[];
}

/** Whose hands a task has: "Bo", "Bo and Ada", "ourselves and Bo"; empty where it is one of the house. */
export function doersOf({ who = '', with: second }: Pick<PlannedTask, 'who' | 'with'>): Text {
  if (second === undefined) return who;
  const name = (of: string): Text => of || say('plan.ourselves');
  return say('plan.doers', { names: listOf([name(who), name(second)]) });
}

/** The visits that tasks, in order of time, come to: those of a planned batch, or of all that is on. */
export function visitsOf<T extends Pick<PlannedTask, 'atMs' | 'minutes' | 'who' | 'with'>>(
  tasks: readonly T[],
): readonly Visit<T>[] {
  const visits: { fromMs: number; untilMs: number; tasks: T[] }[] = [];
  for (const task of tasks) {
    const last = visits.at(-1);
    const untilMs = task.atMs + task.minutes * MIN_MS;
    const before = last?.tasks.at(-1);
    const isSame = (before?.who ?? '') === (task.who ?? '') && before?.with === task.with;
    if (last && isSame && task.atMs - last.untilMs <= ONE_VISIT_MIN * MIN_MS) {
      last.tasks.push(task);
      last.untilMs = Math.max(last.untilMs, untilMs);
    } else visits.push({ fromMs: task.atMs, untilMs, tasks: [task] });
  }
  return visits;
}

/**
 * A plan as it is kept: each make as a planned batch. What was kept of the same order, day and part before keeps its id, so that a
 * calendar that has it moves it rather than show it twice.
 *
 * @param startMs the moment at which the plan begins
 * @param before planned batches as they were kept, those that were taken away among them
 */
export function plannedBatchesOf(
  { makes }: Pick<Plan, 'makes'>,
  occurrences: readonly Occurrence[],
  startMs: number,
  before: readonly PlannedBatch[],
  newId: (occurrenceId: string, part: number) => string,
  { isPinned, accepted }: PlanMarks = NO_MARKS,
): readonly PlannedBatch[] {
  const wanted = new Map(occurrences.map((o) => [o.id, o]));
  return makes.flatMap((make): PlannedBatch[] => {
    const occurrence = wanted.get(make.orderId);
    if (!occurrence) return [];
    const begun = begunOf(occurrence.id, before);
    const part = freeParts(begun)(make.part);
    const kept = keptOf(make, part, before);
    const plannedBatch = plannedBatchOf(
      make,
      occurrence,
      startMs,
      kept?.id ?? newId(occurrence.id, part),
      sharesOf(make, wanted),
    );
    const marks = { pinned: isPinned(make), accepted: accepted(make) };
    return [{ ...plannedBatch, ...marks, part, parts: make.parts + begun.length }];
  });
}

/** The planned batch that a make was kept as: of the same order and part, or of others of which it is first now. */
function keptOf({ shares }: PlannedMake, part: number, before: readonly PlannedBatch[]): PlannedBatch | undefined {
  const planned = before.filter((p) => p.batchId === null);
  const [first, ...others] = shares.map(({ orderId }) => orderId);
  const own = planned.find((p) => p.occurrenceId === first && p.part === part);
  return own ?? planned.find((p) => others.includes(p.occurrenceId) || isFor(p, first!));
}

/** True where a planned batch is made for an order and day, alone or among others. */
export const isFor = (plannedBatch: Pick<PlannedBatch, 'occurrenceId' | 'shares'>, id: string): boolean =>
  wantedIdsOf(plannedBatch).includes(id);

/** The orders and days that a planned batch is made for, the first that is handed on first. */
export const wantedIdsOf = ({
  occurrenceId,
  shares,
}: Pick<PlannedBatch, 'occurrenceId' | 'shares'>): readonly string[] =>
  shares?.map((share) => share.occurrenceId) ?? [occurrenceId];

/** What of a make is for which order; nothing where it is for one. */
function sharesOf(
  { shares, network }: PlannedMake,
  wanted: ReadonlyMap<string, Occurrence>,
): Pick<PlannedBatch, 'shares'> {
  const askedG = shares.reduce((sum, s) => sum + s.productG, 0);
  const own = shares.flatMap(({ orderId, productG }): PlannedShare[] => {
    const occurrence = wanted.get(orderId);
    const massG = Math.round((network.productG * productG) / askedG);
    return occurrence
      ? [{ occurrenceId: orderId, whom: occurrence.order.whom, productG: massG, dueMs: occurrence.dueMs }]
      : [];
  });
  return own.length > 1 ? { shares: own } : {};
}

/** What something wanted is called: "Quark for the bakery". */
export const wantedName = (name: Text, whom: string): Text => (whom ? say('plan.nameFor', { name, whom }) : name);

/** What a planned make is called: as what is wanted, and which part of it. */
export function plannedBatchName({ name, whom, shares, part, parts }: PlannedBatch): Text {
  const wanted = shares ? sharedName(name, shares) : wantedName(name, whom);
  return parts > 1 ? say('plan.namePart', { name: wanted, part, parts }) : wanted;
}

/** "Quark for the bakery and the quay", "Quark for the bakery and 2 more" */
function sharedName(name: Text, shares: readonly PlannedShare[]): Text {
  const whoms = [...new Set(shares.map((s) => s.whom || say('plan.ourselves')))];
  const more = whoms.length - MOST_NAMED;
  const named = more > 0 ? [...whoms.slice(0, MOST_NAMED), say('schedule.move.more', { more })] : whoms;
  return whoms.every((whom) => typeof whom !== 'string') ? name : say('plan.nameFor', { name, whom: listOf(named) });
}

const MOST_NAMED = 2;

/** What is known of a make besides where it is. */
export interface PlanMarks {
  readonly isPinned: (make: PlannedMake) => boolean;
  readonly accepted: (make: PlannedMake) => readonly Break['is'][];
}

const NO_MARKS: PlanMarks = { isPinned: () => false, accepted: () => [] };

/** Parts of an order and day that were begun. */
export const begunOf = (occurrenceId: string, plannedBatches: readonly PlannedBatch[]): readonly PlannedBatch[] =>
  plannedBatches.filter((p) => p.occurrenceId === occurrenceId && p.batchId !== null);

/** The number of the first, second, … part that is not begun, counted from 1. */
export function freeParts(begun: readonly PlannedBatch[]): (nth: number) => number {
  const taken = new Set(begun.map((p) => p.part));
  return (nth) => {
    let part = 0;
    for (let left = nth; left > 0;) if (!taken.has(++part)) left--;
    return part;
  };
}

function plannedBatchOf(
  make: PlannedMake,
  { id: occurrenceId, order, dueMs }: Occurrence,
  startMs: number,
  id: string,
  shares: Pick<PlannedBatch, 'shares'>,
): PlannedBatch {
  const { network, mode, steps, hands, feed } = make;
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
    ...shares,
    startMs: ms(mode.startMin),
    readyMs: ms(mode.readyMin),
    readyLateMs: ms(mode.readyLateMin),
    dueMs,
    extension: stageExtension(network, mode.extension),
    accepted: [],
    pinned: false,
    tasks: network.steps.map((step, i): PlannedTask => {
      const { stageId, says } = step;
      const { who, with: second, beginMin } = hands.steps[i]!;
      const atMs = ms(beginMin);
      // How early or late hands may come is the slack of the step before them.
      const slack = network.steps[i - 1]?.slack ?? { earlyMin: 0, lateMin: 0 };
      const moved = steps[i - 1]?.movedMin ?? 0;
      return {
        stageId,
        says,
        ...(who !== '' && { who }),
        ...(second !== undefined && { with: second }),
        atMs,
        // Hands that must stay are there until it is over.
        minutes: awakeMin(step),
        earliestMs: Math.min(atMs, Math.round(ms(steps[i]!.beginMin) - (slack.earlyMin + moved) * MIN_MS)),
        latestMs: Math.max(atMs, Math.round(ms(steps[i]!.beginMin) + (slack.lateMin - moved) * MIN_MS)),
      };
    }),
    gear: make.gear.map((g) => g.name ?? g.kind),
    feed: feed && {
      culture: feed.culture,
      ...(hands.feed!.begin.who !== '' && { who: hands.feed!.begin.who }),
      beginMs: ms(hands.feed!.begin.beginMin),
      ripeMs: ms(feed.ripeMin),
      milkG: Math.round(feed.milkG),
      starterG: Math.round(10 * feed.starterG) / 10,
      tempC: feed.tempC,
    },
    starterTimes: rounded(make.starterTimes, 1),
    instead: make.instead,
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
