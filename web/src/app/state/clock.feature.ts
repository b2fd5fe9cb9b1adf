import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { ClockReading } from '@oat-crock/contract/wire';

/** Whether the server is being heard. */
export type Line = 'opening' | 'open' | 'lost';

export interface ClockState {
  readonly clock: ClockReading | null;
  readonly line: Line;
}

export const ClockActions = createActionGroup({
  source: 'clock',
  events: {
    Told: props<{ clock: ClockReading }>(),
    'Rate Wanted': props<{ rate: number }>(),
    'Line Open': emptyProps(),
    'Line Lost': emptyProps(),
  },
});

const initial: ClockState = { clock: null, line: 'opening' };

export const clockFeature = createFeature({
  name: 'clock',
  reducer: createReducer(
    initial,
    on(ClockActions.told, (state, { clock }) => ({ ...state, clock })),
    on(ClockActions.lineOpen, (state) => ({ ...state, line: 'open' as const })),
    on(ClockActions.lineLost, (state) => ({ ...state, line: 'lost' as const })),
  ),
});
