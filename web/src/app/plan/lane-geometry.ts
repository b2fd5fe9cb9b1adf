import { type Asleep, isNight } from '@oat-crock/calendar';
import { type PlannedHand, type PlannedPour, pourName, type PourPoint } from '@oat-crock/contract/wire';
import type { Batch, Followed } from '@oat-crock/core';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import type { PourTrouble } from './planner-api';

/** A pour in a lane: one that is planned, or one that is on. */
export interface LanePour {
  readonly id: string;
  readonly name: string;
  readonly is: 'planned' | 'live';
  readonly startMs: number;
  readonly readyMs: number;
  readonly readyLateMs: number;
  readonly dueMs: number | null;
  readonly pinned: boolean;
  readonly course: readonly PourPoint[];
  readonly hands: readonly PlannedHand[];
  /** Moments at which its culture is fed, and ripe. */
  readonly feedMs: readonly number[];
  /** The vessel it begins in. */
  readonly lane: string;
  /** Something of it does not hold. */
  readonly troubled: boolean;
}

/** A lane: a vessel, and its pours in rows so that none covers another. */
export interface Lane {
  readonly name: string;
  readonly rows: readonly (readonly LanePour[])[];
}

/** What stands in no vessel that is known: a make that is on leads all lanes. */
const NO_VESSEL = 'On the counter';
const ON_NOW = 'On now';

/** A planned pour in its lane. */
export function plannedLane(pour: PlannedPour, troubles: readonly PourTrouble[]): LanePour {
  return {
    id: pour.id,
    name: pourName(pour),
    is: 'planned',
    startMs: pour.startMs,
    readyMs: pour.readyMs,
    readyLateMs: pour.readyLateMs,
    dueMs: pour.dueMs,
    pinned: pour.pinned,
    course: pour.course,
    hands: pour.hands,
    feedMs: pour.feed ? [pour.feed.beginMs, pour.feed.ripeMs] : [],
    lane: pour.gear[0] ?? NO_VESSEL,
    troubled: troubles.some((t) => t.pourId === pour.id),
  };
}

/** A live make in its lane; by when it is wanted, where it was planned. */
export function liveLane(batch: Batch, followed: Followed, vessel: string | null, dueMs: number | null): LanePour {
  const { series, hands, windows, stages } = followed;
  const readyMs = stages.at(-1)?.endMs ?? series.at(-1)!.atMs;
  const late = windows.reduce((ms, w) => ms + (w.p90Ms !== null && w.p50Ms !== null ? w.p90Ms - w.p50Ms : 0), 0);
  return {
    id: batch.id,
    name: batch.name,
    is: 'live',
    startMs: batch.startedMs,
    readyMs,
    readyLateMs: readyMs + late,
    dueMs,
    pinned: false,
    course: series,
    hands: hands
      .filter((h) => h.status !== 'done')
      .map(({ stageId, instruction: says, atMs, minutes, earliestMs, latestMs }) => ({
        stageId,
        says,
        atMs,
        minutes,
        earliestMs,
        latestMs,
      })),
    feedMs: [],
    lane: vessel ?? ON_NOW,
    troubled: dueMs !== null && readyMs + late > dueMs,
  };
}

/** What is looked at, and how large it is drawn. */
export interface LaneFrame {
  readonly width: number;
  readonly fromMs: number;
  readonly untilMs: number;
  readonly asleep: Asleep;
}

export const timeAcross = ({ fromMs, untilMs, width }: LaneFrame): ScaleLinear<number, number> =>
  scaleLinear().domain([fromMs, untilMs]).range([0, width]);

/** Width of a letter of a name, px: near enough that no name covers another. */
export const LETTER_PX = 6.6;
const APART_PX = 14;

/** Where a pour ends, px: at the latest it may be ready, or when it is handed on. */
const endOf = ({ readyLateMs, dueMs }: LanePour, x: ScaleLinear<number, number>): number =>
  x(Math.max(readyLateMs, dueMs ?? 0));

/** Where a pour and its name end, px. */
function rightOf(pour: LanePour, x: ScaleLinear<number, number>): number {
  return Math.max(endOf(pour, x), Math.max(0, x(pour.startMs)) + pour.name.length * LETTER_PX);
}

/** Lanes in order of their names, those of the pours in view; in each as many rows as it takes that none covers another. */
export function lanesOf(pours: readonly LanePour[], frame: LaneFrame): readonly Lane[] {
  const x = timeAcross(frame);
  const inView = pours.filter((p) => endOf(p, x) > 0 && x(firstOf(p)) < frame.width);
  return [...Map.groupBy(inView, (p) => p.lane)]
    .sort(([a], [b]) => Number(b === ON_NOW) - Number(a === ON_NOW) || (a < b ? -1 : 1))
    .map(([name, own]): Lane => {
      const rows: { pours: LanePour[]; rightPx: number }[] = [];
      for (const pour of own.toSorted((a, b) => firstOf(a) - firstOf(b))) {
        const row = rows.find((r) => r.rightPx + APART_PX < x(firstOf(pour)));
        const rightPx = rightOf(pour, x);
        if (row) {
          row.pours.push(pour);
          row.rightPx = rightPx;
        } else rows.push({ pours: [pour], rightPx });
      }
      return { name, rows: rows.map((r) => r.pours) };
    });
}

const firstOf = (pour: LanePour) => Math.min(pour.startMs, ...pour.feedMs);

/** Thickness for a mass, px: one scale for all pours, so that they can be compared. */
export function thicknessOf(pours: readonly LanePour[], mostPx: number): ScaleLinear<number, number> {
  const heaviest = pours.reduce((most, p) => p.course.reduce((m, c) => Math.max(m, c.massG + c.wheyG), most), 1);
  return scaleLinear().domain([0, heaviest]).range([0, mostPx]);
}

/** Hands that come in the night, of some. */
export const inTheNight = (hands: readonly PlannedHand[], asleep: Asleep): readonly PlannedHand[] =>
  hands.filter((h) => h.minutes > 0 && isNight(h.atMs, asleep));

/** A moment moved by some pixels, to the quarter of an hour. */
export function movedBy(atMs: number, px: number, frame: LaneFrame): number {
  const QUARTER = 15 * 60_000;
  const byMs = (px * (frame.untilMs - frame.fromMs)) / frame.width;
  return atMs + Math.round(byMs / QUARTER) * QUARTER;
}
