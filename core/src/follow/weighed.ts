import type { Quantity } from '../batch/entry.js';
import type { Batch } from '../batch/replay.js';
import { totalG } from '../materials/composition.js';
import type { CrockState } from '../state/crock-state.js';
import { lastOf } from '../make/run.js';
import { stateAt } from './series.js';
import type { Timeline } from './timeline.js';

/** What runs off and what is put by, as it was weighed and as it must stand now, g; null where nobody weighed it. */
export interface WeighedNow {
  readonly wheyG: number | null;
  readonly asideG: number | null;
}

/**
 * What runs off into the bowl that is weighed, g, in the end: without what is worked out of butter on the board later.
 */
export function runOffEndG(timeline: Timeline): number {
  const last = timeline.stages.findLast((s) => s.stage.kind.runsOff !== undefined || s.stage.kind.kind === 'whey-back');
  return last ? totalG(lastOf(last.run).whey) : 0;
}

/**
 * The last weighing of each, moved on by what is reckoned since: what still drained after it, and what was whisked back into
 * the curd, which is in the product and no longer in the bowl.
 */
export function weighedNow({ readings }: Pick<Batch, 'readings'>, timeline: Timeline): WeighedNow {
  const now = (quantity: Quantity, of: (state: CrockState) => number): number | null => {
    const last = readings.findLast((r) => r.quantity === quantity);
    if (!last) return null;
    const since = of(stateAt(timeline, timeline.nowMs)) - of(stateAt(timeline, last.atMs));
    return Math.max(0, Math.round(last.value + since));
  };
  // Buttermilk runs off at once; what is worked out of the grains later never reaches its bowl.
  const isButter = timeline.stages.some((s) => s.stage.kind.runsOff?.is === 'buttermilk');
  return {
    wheyG: now('wheyG', ({ whey }) => (isButter ? 0 : totalG(whey))),
    asideG: now('asideG', ({ aside }) => totalG(aside)),
  };
}
