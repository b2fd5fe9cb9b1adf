import { createActionGroup, createFeature, createReducer, createSelector, on, props } from '@ngrx/store';
import type { Followed } from '@oat-crock/core';

export const FollowActions = createActionGroup({
  source: 'follow',
  events: {
    /** A batch's forecast was worked out. */
    'Worked Out': props<{ followed: Followed }>(),
    /** A batch could not be worked out. */
    Failed: props<{ batchId: string; why: string }>(),
    /** A page looks at a batch that is no longer live: follow it once. */
    Wanted: props<{ batchId: string }>(),
  },
});

export interface FollowState {
  readonly byBatch: Readonly<Record<string, Followed>>;
  readonly failed: Readonly<Record<string, string>>;
  readonly wanted: string | null;
}

const initial: FollowState = { byBatch: {}, failed: {}, wanted: null };

export const followFeature = createFeature({
  name: 'follow',
  reducer: createReducer(
    initial,
    on(FollowActions.workedOut, (state, { followed }) => ({
      ...state,
      byBatch: { ...state.byBatch, [followed.batchId]: followed },
      failed: without(state.failed, followed.batchId),
    })),
    on(FollowActions.failed, (state, { batchId, why }) => ({ ...state, failed: { ...state.failed, [batchId]: why } })),
    on(FollowActions.wanted, (state, { batchId }) => ({ ...state, wanted: batchId })),
  ),
});

function without(failed: Readonly<Record<string, string>>, id: string): Readonly<Record<string, string>> {
  return Object.fromEntries(Object.entries(failed).filter(([key]) => key !== id));
}

/** One batch's forecast, or null until it is worked out. */
export const selectFollowed = (id: string) =>
  createSelector(followFeature.selectByBatch, (byBatch) => byBatch[id] ?? null);
