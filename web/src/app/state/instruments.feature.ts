import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';
import type { Instrument } from '@oat-crock/contract/api';
import type { InstrumentFault } from '@oat-crock/core';

export const InstrumentActions = createActionGroup({
  source: 'instruments',
  events: {
    Received: props<{ instruments: readonly Instrument[] }>(),
    Place: props<{ id: string; batchId: string | null }>(),
    /** A simulated one is told to do something wrong, or nothing. */
    'Give Fault': props<{ id: string; fault: InstrumentFault | null }>(),
    Calibrate: props<{ id: string }>(),
  },
});

export interface InstrumentsState {
  readonly all: readonly Instrument[];
}

const initial: InstrumentsState = { all: [] };

export const instrumentsFeature = createFeature({
  name: 'instruments',
  reducer: createReducer(
    initial,
    on(InstrumentActions.received, (_state, { instruments }) => ({ all: instruments })),
    on(InstrumentActions.place, (state, { id, batchId }) => ({
      all: state.all.map((i) => (i.id === id ? { ...i, batchId } : i)),
    })),
  ),
});
