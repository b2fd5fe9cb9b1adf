import type { Followed } from '../follow/follow.js';
import type { Committed } from './planning-problem.js';

const MIN_MS = 60_000;

/**
 * A live make as a plan has to leave it alone: the hands that are still to come, and the gear it stands in until it is likely out
 * of it nine times in ten.
 *
 * @param startMs the moment at which the plan begins
 * @param horizonMin what would never leave its gear keeps it so long
 */
export function committedOf(name: string, followed: Followed, startMs: number, horizonMin: number): Committed {
  const { tasks, demands, windows, stages } = followed;
  const minutes = (ms: number) => (ms - startMs) / MIN_MS;
  /** What a stage may still take longer than is likely, ms. */
  const lateMs = (stageId: string) => {
    const window = windows.find((w) => w.stageId === stageId);
    const over = stages.find((s) => s.id === stageId)?.status === 'done';
    return !window || over || window.p50Ms === null || window.p90Ms === null ? 0 : window.p90Ms - window.p50Ms;
  };
  return {
    name,
    tasks: tasks
      .filter((hand) => hand.status !== 'done')
      .map((hand) => ({ atMin: Math.max(0, minutes(hand.atMs)), minutes: hand.minutes })),
    demands: demands
      .map(({ gear, litres, keepC, fromMs, toMs }) => {
        const within = stages.filter((s) => s.beginMs < (toMs ?? Infinity) && (s.endMs ?? Infinity) > fromMs);
        const late = within.reduce((sum, s) => sum + lateMs(s.id), 0);
        const toMin = toMs === null ? horizonMin : Math.min(horizonMin, minutes(toMs + late));
        return { gear, litres, keepC, fromMin: Math.max(0, minutes(fromMs)), toMin };
      })
      .filter(({ fromMin, toMin }) => toMin > fromMin),
  };
}
