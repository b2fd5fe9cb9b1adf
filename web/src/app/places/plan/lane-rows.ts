import { isNight } from '@oat-crock/calendar';
import type { ScaleLinear } from 'd3-scale';
import { acidStops, ribbons } from '../../shared/pour/geometry';
import { textOf, tell } from '../../shared/ui/said';
import { dayTime, span } from '../../shared/ui/words';
import { lanesOf, LETTER_PX, thicknessOf, timeAcross, type LaneFrame, type LaneBatch } from './lane-geometry';

/** Heights of a row, px: at least and at most, down to its hands and its ribbon, and below it. */
const ROW = { least: 52, most: 86, tasks: 24, ribbon: 23, foot: 7 } as const;
/** Room for the days and hours, for the name of a vessel, and below all lanes, px. */
export const AXIS_PX = 34;
const LANE_HEAD_PX = 15;
const FOOT_PX = 6;
/** Brush dots grow with the minutes of hands, as far as this, px. */
const DOT = { least: 1.8, perRoot: 1.15, most: 7 } as const;
const SHORTEST_PX = 4;

/**
 * Lanes with their rows where they are drawn: as high as there is room for, higher than that where there are many.
 *
 * @param pours what is drawn, what is being moved among it where it would be
 * @param scaledBy pours by whose mass all are drawn: it stays while one of them is moved
 */
export function placedLanes(
  plannedBatches: readonly LaneBatch[],
  scaledBy: readonly LaneBatch[],
  frame: LaneFrame,
  heightPx: number,
) {
  const lanes = lanesOf(plannedBatches, frame);
  const count = lanes.reduce((n, l) => n + l.rows.length, 0);
  const room = heightPx - AXIS_PX - FOOT_PX;
  const fits = Math.floor((room - lanes.length * LANE_HEAD_PX) / Math.max(1, count));
  const rowPx = Math.min(ROW.most, Math.max(ROW.least, fits));
  const thick = thicknessOf(scaledBy, rowPx - ROW.ribbon - ROW.foot);
  let y = 0;
  const placed = lanes.map(({ name, rows }) => {
    const top = y;
    y += LANE_HEAD_PX + rows.length * rowPx;
    const drawn = rows.flatMap((row, r) =>
      row.map((plannedBatch) => rowOf(plannedBatch, { y: top + LANE_HEAD_PX + r * rowPx, rowPx }, thick, frame)),
    );
    return { name, y: top, rows: drawn };
  });
  return { lanes: placed, heightPx: Math.max(room, y + FOOT_PX) };
}

/** A pour as it is drawn, in its row. */
function rowOf(
  plannedBatch: LaneBatch,
  { y, rowPx }: { readonly y: number; readonly rowPx: number },
  thick: ScaleLinear<number, number>,
  frame: LaneFrame,
) {
  const x = timeAcross(frame);
  const left = x(plannedBatch.startMs);
  return {
    plannedBatch,
    y,
    rowPx,
    left,
    right: Math.max(x(plannedBatch.readyMs), left + SHORTEST_PX),
    nameX: Math.min(Math.max(4, left), Math.max(4, frame.width - plannedBatch.name.length * LETTER_PX)),
    ribbonY: ROW.ribbon,
    handsY: ROW.tasks,
    ...ribbons(plannedBatch.course, x, thick, 0, true),
    stops: acidStops(plannedBatch.course),
    fade: { from: x(plannedBatch.readyMs), until: x(plannedBatch.readyLateMs) },
    dueX: plannedBatch.dueMs === null ? null : x(plannedBatch.dueMs),
    feeds: plannedBatch.feedMs.map((ms) => x(ms)),
    tasks: plannedBatch.tasks
      .filter((h) => h.minutes > 0)
      .map((task) => ({
        task,
        x: x(task.atMs),
        fromX: x(task.earliestMs),
        untilX: x(task.latestMs),
        r: Math.min(DOT.most, DOT.least + DOT.perRoot * Math.sqrt(task.minutes)),
        night: isNight(task.atMs, frame.asleep),
        words: `${textOf(task.says)} ${dayTime(task.atMs)}, ${span(task.minutes)}`,
      })),
    words: wordsOf(plannedBatch),
  };
}

/** A pour in a sentence, for who does not see it. */
function wordsOf({ name, startMs, readyMs, dueMs, pinned, troubled }: LaneBatch): string {
  const wanted = dueMs === null ? '' : tell('page.plan.laneRows.wanted', { due: dayTime(dueMs) });
  const marks = `${pinned ? tell('page.plan.laneRows.pinned') : ''}${troubled ? tell('page.plan.laneRows.doesNotHold') : ''}`;
  return tell('page.plan.laneRows.beginReady', {
    name,
    start: dayTime(startMs),
    ready: dayTime(readyMs),
    wanted,
    marks,
  });
}
