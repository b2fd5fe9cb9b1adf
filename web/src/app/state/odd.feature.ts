import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';
import type { OddRecord } from '@oat-crock/contract/api';

export const OddActions = createActionGroup({
  source: 'odd records',
  events: {
    /** Records that the server leaves out, as they stand. */
    Received: props<{ odd: readonly OddRecord[] }>(),
    'Take away': props<{ record: OddRecord }>(),
  },
});

interface OddState {
  readonly records: readonly OddRecord[];
}

const initial: OddState = { records: [] };

export const oddFeature = createFeature({
  name: 'odd',
  reducer: createReducer<OddState>(
    initial,
    on(OddActions.received, (_state, { odd }) => ({ records: odd })),
  ),
});
