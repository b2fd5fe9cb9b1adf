import { HttpErrorResponse } from '@angular/common/http';
import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store, type Action } from '@ngrx/store';
import { unitsOf, type Problem, type Settings } from '@oat-crock/contract/api';
import { concatMap, debounceTime, EMPTY, from, type Observable, of, tap } from 'rxjs';
import { datesIn } from '../ui/dates';
import { measureIn } from '../ui/units';
import { clocksIn } from '../ui/zone';
import { HouseholdActions, householdFeature } from './household.feature';
import { keepHere, keptHere } from './kept-here';
import { problemsBy } from './problems-by';
import { ApiClient } from './api-client';

const KEY = 'oat-crock.household.writing';
const REST_MS = 250;
const AWAY = [{ field: '', message: 'The server did not take it.', remedy: 'Try again in a moment.' }];

/** Sends what was written, once its own schema finds it right. */
const save = createEffect(
  (actions$ = inject(Actions), store = inject(Store), wire = inject(ApiClient)) => {
    const version = store.selectSignal(householdFeature.selectVersion);
    return actions$.pipe(
      ofType(HouseholdActions.changeWanted),
      concatMap(({ settings }) => from(send(wire, settings, version()))),
    );
  },
  { functional: true },
);

async function send(wire: ApiClient, settings: Settings, version: number): Promise<Action> {
  const errors = await problemsBy((contract) => contract.settingsSchema, settings);
  if (errors.length > 0) return HouseholdActions.refused({ errors });
  try {
    const household = await wire.saveSettings(settings, version);
    return household ? HouseholdActions.received({ household }) : HouseholdActions.conflicted();
  } catch (error) {
    const problem = error instanceof HttpErrorResponse ? (error.error as Problem | null) : null;
    return HouseholdActions.refused({ errors: problem?.errors ?? AWAY });
  }
}

/** What was being written when the page was closed comes back. */
const recover = createEffect(
  (): Observable<Action> => {
    const kept = keptHere(KEY, isChange);
    return kept?.['writing'] ? of(HouseholdActions.recovered({ writing: kept['writing'] })) : EMPTY;
  },
  { functional: true },
);

/** What is being written is kept in the browser, so that leaving loses none of it. */
const keep = createEffect(
  (store = inject(Store)) =>
    store.select(householdFeature.selectWriting).pipe(
      debounceTime(REST_MS),
      tap((writing) => keepHere(KEY, { writing })),
    ),
  { functional: true, dispatch: false },
);

const isChange = (value: unknown): value is Partial<Settings> => typeof value === 'object' && value !== null;

/** Whatever is said from now on is said in the household's units and dates. */
const speak = createEffect(
  (store = inject(Store)) =>
    store.select(householdFeature.selectSettings).pipe(
      tap((settings) => {
        measureIn(unitsOf(settings));
        datesIn(settings.datesIn);
        clocksIn(settings.zone);
      }),
    ),
  { functional: true, dispatch: false },
);

export const householdEffects = { save, recover, keep, speak };
