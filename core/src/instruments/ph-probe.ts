import { IN_A_CROCK, type CrockInstrumentKind } from './kind.js';

/** pH is read once there is a culture. */
export const PH_PROBE = {
  quantity: 'ph',
  by: 'meter',
  bounds: { min: 2.5, max: 9 },
  keeping: { ...IN_A_CROCK, notable: 0.05 },
  moved: 0.2,
  simulated: {
    noiseSd: 0.025,
    resolution: 0.01,
    everyMin: 15,
    driftPerH: 0.04,
    wandersPerH: 0.002,
    jumps: [14, 0, 6.9],
  },
  canRead: (state) => state.souring !== null,
  reads: (state) => state.ph,
} as const satisfies CrockInstrumentKind;
