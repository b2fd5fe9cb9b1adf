import { createActionGroup, createFeature, createReducer, createSelector, on, props } from '@ngrx/store';
import type { Known, Pooled, TaughtByMake } from '@oat-crock/core';

/** What a make taught, and the line of the culture that soured it. */
export interface TaughtInLine extends TaughtByMake {
  readonly line: string | null;
  readonly generation: number;
}

export const LearnedActions = createActionGroup({
  source: 'learned',
  events: {
    /** Finished makes were worked out, and taught so much: all that waited at once, so that what follows is worked out once. */
    Taught: props<{ taught: readonly TaughtInLine[] }>(),
    /** All lessons together come to this. */
    Pooled: props<{ pooled: Pooled }>(),
  },
});

export interface LearnedState {
  readonly byBatch: Readonly<Record<string, TaughtInLine>>;
  readonly pooled: Pooled;
}

const initial: LearnedState = { byBatch: {}, pooled: { known: [], covariance: [] } };

export const learnedFeature = createFeature({
  name: 'learned',
  reducer: createReducer(
    initial,
    on(LearnedActions.taught, (state, { taught }) => ({
      ...state,
      byBatch: { ...state.byBatch, ...Object.fromEntries(taught.map((one) => [one.batchId, one])) },
    })),
    on(LearnedActions.pooled, (state, { pooled }) => ({ ...state, pooled })),
  ),
  extraSelectors: ({ selectByBatch }) => ({
    selectTaught: createSelector(selectByBatch, (byBatch) => Object.values(byBatch)),
  }),
});

/** What is known of a make of a line; nothing where no make has taught anything. */
export function knownOf(pooled: Pooled, line: string | null): Known | undefined {
  return pooled.known.length > 0 ? { learned: pooled, line: line ?? undefined } : undefined;
}
