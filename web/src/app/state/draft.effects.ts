import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { debounceTime, EMPTY, of, tap } from 'rxjs';
import { DraftActions, draftFeature, type Draft } from './draft.feature';
import { keepHere, keptHere } from './kept-here';

const KEY = 'oat-crock.drafts';

/** A few choices come at once while a slider moves; they are kept when it rests. */
const REST_MS = 250;

/** What was being decided when the page was closed comes back. */
const recover = createEffect(
  () => {
    const drafts = keptHere(KEY, isDraft);
    return drafts ? of(DraftActions.recovered({ drafts })) : EMPTY;
  },
  { functional: true },
);

/** What is being decided is kept in the browser, so that a closed page loses none of it. */
const keep = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    const drafts = store.selectSignal(draftFeature.selectDrafts);
    return actions$.pipe(
      ofType(DraftActions.chosen, DraftActions.filled, DraftActions.putBack, DraftActions.named, DraftActions.started),
      debounceTime(REST_MS),
      tap(() => keepHere(KEY, drafts())),
    );
  },
  { functional: true, dispatch: false },
);

function isDraft(value: unknown): value is Draft {
  const draft = value as Partial<Draft> | null;
  if (typeof draft?.name !== 'string' || typeof draft.choices !== 'object' || draft.choices === null) return false;
  return Object.values(draft.choices).every((v) => typeof v === 'string' || Number.isFinite(v));
}

export const draftEffects = { recover, keep };
