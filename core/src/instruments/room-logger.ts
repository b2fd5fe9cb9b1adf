import type { InstrumentKind } from './kind.js';

/** A room is slow, and is read for ever. */
export const ROOM_LOGGER = {
  quantity: 'roomC',
  bounds: { min: -20, max: 60 },
  keeping: { everyMs: 600_000, apartMs: 60_000, notable: 0.5 },
  moved: 1.5,
  simulated: { noiseSd: 0.1, resolution: 0.1, everyMin: 10, driftPerH: 0.3, wandersPerH: 0, jumps: [85, -40, 3] },
} as const satisfies InstrumentKind;
