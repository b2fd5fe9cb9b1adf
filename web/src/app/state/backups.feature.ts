import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';
import type { BackupRun, Safekeeping } from '@oat-crock/contract/api';

export const BackupActions = createActionGroup({
  source: 'backups',
  events: {
    /** What came of the last, as a page begins with it. */
    'Last received': props<{ last: BackupRun | null }>(),
    /** How the data are kept safe, as the server tells it. */
    Received: props<{ safekeeping: Safekeeping }>(),
  },
});

interface BackupsState {
  readonly last: BackupRun | null;
  /** Null until it was asked for or told. */
  readonly safekeeping: Safekeeping | null;
}

const initial: BackupsState = { last: null, safekeeping: null };

export const backupsFeature = createFeature({
  name: 'backups',
  reducer: createReducer<BackupsState>(
    initial,
    on(BackupActions.lastReceived, (state, { last }) => ({ ...state, last })),
    on(BackupActions.received, (_state, { safekeeping }) => ({ last: safekeeping.last, safekeeping })),
  ),
});
