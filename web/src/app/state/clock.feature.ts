import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import { kitchenTime, type ClockReading } from '@oat-crock/contract/api';

/** Whether the server is being heard. */
export type Line = 'opening' | 'open' | 'lost';

export interface ClockState {
  readonly clock: ClockReading | null;
  /** How far this device's clock is ahead of the server's, ms. */
  readonly aheadMs: number;
  readonly line: Line;
}

/** The kitchen's clock, held against this device's. */
export type Compared = Pick<ClockState, 'aheadMs'> & { readonly clock: ClockReading };

/** What the kitchen's clock shows while this device's shows a moment; the device's own until the kitchen's is known. */
export function kitchenMsAt({ clock, aheadMs }: ClockState, deviceMs: number): number {
  return clock ? kitchenTime(clock, deviceMs - aheadMs) : deviceMs;
}

export const ClockActions = createActionGroup({
  source: 'clock',
  events: {
    Received: props<{ clock: ClockReading }>(),
    /** The clock was asked for, and the two clocks held against each other. */
    Compared: props<Compared>(),
    /** This device slept, or its clock was set. */
    'Device Jumped': emptyProps(),
    'Rate Wanted': props<{ rate: number }>(),
    'Line Open': emptyProps(),
    'Line Lost': emptyProps(),
  },
});

const initial: ClockState = { clock: null, aheadMs: 0, line: 'opening' };

export const clockFeature = createFeature({
  name: 'clock',
  reducer: createReducer(
    initial,
    on(ClockActions.received, (state, { clock }) => ({ ...state, clock })),
    on(ClockActions.compared, (state, { clock, aheadMs }) => ({ ...state, clock, aheadMs })),
    on(ClockActions.lineOpen, (state) => ({ ...state, line: 'open' as const })),
    on(ClockActions.lineLost, (state) => ({ ...state, line: 'lost' as const })),
  ),
});
