import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { PlannedBatch } from '@oat-crock/contract/api';
import type { KeptPlace } from '@oat-crock/core';

/** Makes put elsewhere than the plan that is held has them, in minutes from a moment. */
export interface PlanDraft {
  readonly fromMs: number;
  readonly places: readonly KeptPlace[];
  /** What it came of, in words. */
  readonly of: string;
}

export const PlanActions = createActionGroup({
  source: 'plan',
  events: {
    /** Makes were put elsewhere, or a whole other plan was looked at. */
    Drafted: props<{ draft: PlanDraft }>(),
    'Put Back': emptyProps(),
    /** A plan was taken; what was held before it may come back. */
    Taken: props<{ before: readonly PlannedBatch[] }>(),
    /** What was held before the last plan was taken is held again. */
    Undone: emptyProps(),
    Looked: props<{ days: number }>(),
    /** It is planned so far ahead from now on; as far as anything is wanted where it is null. */
    Ahead: props<{ aheadDays: number | null }>(),
    Recovered: props<{ draft: PlanDraft | null; days: number; aheadDays: number | null }>(),
  },
});

export interface PlanState {
  readonly draft: PlanDraft | null;
  /** Planned batches that were held before the last plan was taken; null where there is nothing to undo. */
  readonly before: readonly PlannedBatch[] | null;
  /** Days that are looked at. */
  readonly days: number;
  /** How far ahead it is planned, days; as far as anything is wanted where it is null. */
  readonly aheadDays: number | null;
}

export const SCALES = [1, 3, 7] as const;
/** How far ahead plans may be made whatever is wanted, days. */
export const AHEAD_DAYS = [7, 14, 30] as const;
const initial: PlanState = { draft: null, before: null, days: 3, aheadDays: null };

export const planFeature = createFeature({
  name: 'plan',
  reducer: createReducer(
    initial,
    on(PlanActions.drafted, (state, { draft }) => ({ ...state, draft })),
    on(PlanActions.putBack, (state) => ({ ...state, draft: null })),
    on(PlanActions.taken, (state, { before }) => ({ ...state, draft: null, before })),
    on(PlanActions.undone, (state) => ({ ...state, draft: null, before: null })),
    on(PlanActions.looked, (state, { days }) => ({ ...state, days })),
    on(PlanActions.ahead, (state, { aheadDays }) => ({ ...state, aheadDays })),
    on(PlanActions.recovered, (state, { draft, days, aheadDays }) => ({ ...state, draft, days, aheadDays })),
  ),
});
