import { IN_A_CROCK, type CrockInstrumentKind } from './kind.js';

export const THERMOMETER = {
  quantity: 'tempC',
  by: 'thermometer',
  bounds: { min: -5, max: 110 },
  keeping: { ...IN_A_CROCK, notable: 0.5 },
  moved: 1.5,
  simulated: {
    noiseSd: 0.15,
    resolution: 0.1,
    everyMin: 5,
    driftPerH: 0.6,
    wandersPerH: 0,
    jumps: [250, -40, 3],
  },
  canRead: () => true,
  reads: (state) => state.tempC,
} as const satisfies CrockInstrumentKind;
