import { createActionGroup, createFeature, createReducer, createSelector, on, props } from '@ngrx/store';
import type { Learned } from '@oat-crock/contract/api';
import type { Known, Pooled } from '@oat-crock/core';

export const LearnedActions = createActionGroup({
  source: 'learned',
  events: {
    /** What finished makes have taught, as the server worked it out. */
    Received: props<{ learned: Learned }>(),
  },
});

const initial: Learned = { pooled: { known: [], covariance: [] }, watched: [], settled: true };

export const learnedFeature = createFeature({
  name: 'learned',
  reducer: createReducer(
    initial,
    on(LearnedActions.received, (_state, { learned }) => learned),
  ),
  extraSelectors: ({ selectPooled, selectSettled }) => ({
    /** False only while nothing is known and finished makes are still being asked. */
    selectToHand: createSelector(selectPooled, selectSettled, ({ known }, settled) => settled || known.length > 0),
  }),
});

/** What is known of a make of a line; nothing where no make has taught anything. */
export function knownOf(pooled: Pooled, line: string | null): Known | undefined {
  return pooled.known.length > 0 ? { learned: pooled, line: line ?? undefined } : undefined;
}
