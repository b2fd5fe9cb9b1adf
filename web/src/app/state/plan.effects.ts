import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store, type Action } from '@ngrx/store';
import { EMPTY, of, tap, type Observable } from 'rxjs';
import { keepHere, keptHere } from './kept-here';
import { AHEAD_DAYS, PlanActions, planFeature, SCALES, type PlanDraft } from './plan.feature';

const KEY = 'oat-crock.plan';

interface KeptPlan {
  readonly draft: PlanDraft | null;
  readonly days: number;
  readonly aheadDays?: number | null;
}

/** Everything is kept under one name. */
const NAME = 'plan';

const isKept = (value: unknown): value is KeptPlan => {
  const kept = value as Partial<KeptPlan> | null;
  const draft = kept?.draft;
  const isScale = SCALES.some((d) => d === kept?.days);
  // A page of before kept none of it.
  const isAhead = (kept?.aheadDays ?? null) === null || AHEAD_DAYS.some((d) => d === kept?.aheadDays);
  return isScale && isAhead && (draft === null || (typeof draft?.fromMs === 'number' && Array.isArray(draft.places)));
};

/** What was moved and not taken when the page was closed comes back. */
const recover = createEffect(
  (): Observable<Action> => {
    const kept = keptHere(KEY, isKept)?.[NAME];
    return kept ? of(PlanActions.recovered({ ...kept, aheadDays: kept.aheadDays ?? null })) : EMPTY;
  },
  { functional: true },
);

const keep = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    const state = store.selectSignal(planFeature.selectPlanState);
    return actions$.pipe(
      ofType(
        PlanActions.drafted,
        PlanActions.putBack,
        PlanActions.taken,
        PlanActions.undone,
        PlanActions.looked,
        PlanActions.ahead,
      ),
      tap(() => {
        const { draft, days, aheadDays } = state();
        keepHere(KEY, { [NAME]: { draft, days, aheadDays } satisfies KeptPlan });
      }),
    );
  },
  { functional: true, dispatch: false },
);

export const planEffects = { recover, keep };
