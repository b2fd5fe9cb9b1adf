import type { PlannedPour } from '@oat-crock/contract/wire';
import { dayTime } from '../ui/words';
import type { LanePour } from './lane-geometry';
import type { HandAt, PourMoved } from './planner-api';

/** A pour that is being moved: where to, and what becomes of it. */
export interface Moving {
  readonly pour: PlannedPour;
  readonly startMs: number;
  /** The hand that is moved, and to when; null where all of it is. */
  readonly hand: HandAt | null;
  /** What becomes of it there; that of the last place that was told, until the next is. */
  readonly told: PourMoved | null;
}

/** A pour as it would be where it is moved to: as it was told, and until then the same at another time. */
export function movedLane(pour: LanePour, { told, startMs, pour: was }: Moving): LanePour {
  if (told) {
    const { startMs: at, readyMs, readyLateMs, course, hands } = told.pour;
    return { ...pour, startMs: at, readyMs, readyLateMs, course, hands, troubled: told.breaks.length > 0 };
  }
  const by = startMs - was.startMs;
  return {
    ...pour,
    startMs,
    readyMs: pour.readyMs + by,
    readyLateMs: pour.readyLateMs + by,
    course: pour.course.map((p) => ({ ...p, atMs: p.atMs + by })),
    hands: pour.hands.map((h) => ({ ...h, atMs: h.atMs + by })),
  };
}

/** What becomes of it, in words: when, whether it holds, what does not, and where it would. */
export function movingWords({ told, hand, startMs }: Moving): string {
  if (!told) return `${dayTime(hand?.atMs ?? startMs)}: looking…`;
  const { pour, breaks, repair } = told;
  const at = pour.hands.find((h) => h.stageId === hand?.stageId)?.atMs ?? pour.startMs;
  const when = `${dayTime(at)}, ready ${dayTime(pour.readyMs)}`;
  if (breaks.length === 0) return `${when}: it holds.`;
  const why = breaks.map((b) => b.says).join(' ');
  const where = repair ? `Nearest that holds: ${dayTime(repair.startMs)} (R).` : 'Nowhere else would it hold.';
  return `${when}. ${why} ${where}`;
}
