import { totalG } from '../materials/composition.js';
import type { CrockState } from '../state/crock-state.js';
import { firstOf, lastOf } from '../make/run.js';
import { msOf, type Timeline } from './timeline.js';

/** One point of the pour. */
export interface SeriesPoint {
  readonly atMs: number;
  readonly massG: number;
  /** All whey drained so far. */
  readonly wheyG: number;
  readonly ph: number;
  readonly tempC: number;
  readonly stageId: string;
}

/** Most points kept of one stage. */
const POINTS_PER_STAGE = 60;

/** The make as a line of points through time, at most sixty a stage, first and last of each kept. */
export function seriesOf(timeline: Timeline): SeriesPoint[] {
  return timeline.stages.flatMap(({ stage, run }) => {
    const every = Math.max(1, Math.ceil(run.states.length / POINTS_PER_STAGE));
    const states = run.states.filter((_, i) => i % every === 0 || i === run.states.length - 1);
    return states.map((state) => pointOf(timeline, state, stage.id));
  });
}

function pointOf(timeline: Timeline, state: CrockState, stageId: string): SeriesPoint {
  return {
    atMs: msOf(timeline, state.minute),
    massG: totalG(state.masses),
    wheyG: totalG(state.whey),
    ph: state.ph,
    tempC: state.tempC,
    stageId,
  };
}

/** The crock at a moment: the nearest state at or after it, the last one past the end. */
export function stateAt(timeline: Timeline, atMs: number): CrockState {
  for (const { run } of timeline.stages) {
    const end = lastOf(run);
    if (msOf(timeline, end.minute) < atMs) continue;
    return run.states.find((s) => msOf(timeline, s.minute) >= atMs - 1) ?? end;
  }
  const last = timeline.stages[timeline.stages.length - 1];
  if (!last) throw new RangeError('A make has at least one stage');
  return msOf(timeline, firstOf(last.run).minute) > atMs ? firstOf(last.run) : lastOf(last.run);
}
