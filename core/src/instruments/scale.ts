import { totalG } from '../materials/composition.js';
import { IN_A_CROCK, type CrockInstrumentKind } from './kind.js';

/** Whey is weighed once it drains. */
export const SCALE = {
  quantity: 'wheyG',
  by: 'scale',
  bounds: { min: 0, max: 100_000 },
  keeping: { ...IN_A_CROCK, notable: 10 },
  moved: 60,
  simulated: { noiseSd: 2, resolution: 1, everyMin: 10, driftPerH: 20, wandersPerH: 0, jumps: [-1, 200_000, 5] },
  canRead: (state) => state.curd.draining !== null,
  reads: (state) => totalG(state.whey),
} as const satisfies CrockInstrumentKind;
