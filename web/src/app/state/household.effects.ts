import { HttpErrorResponse } from '@angular/common/http';
import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store, type Action } from '@ngrx/store';
import { unitsOf, type Problem, type Settings, type VersionedSettings } from '@oat-crock/contract/api';
import { dequal } from 'dequal/lite';
import { concatMap, EMPTY, from, mergeMap, type Observable, of, skip, tap } from 'rxjs';
import { datesIn } from '../ui/dates';
import { measureIn } from '../ui/units';
import { clocksIn } from '../ui/zone';
import { HouseholdActions, householdFeature } from './household.feature';
import { keepHere, keptHere } from './kept-here';
import { problemsBy } from './problems-by';
import { ApiClient } from './api-client';

const KEY = 'oat-crock.household.writing';
const AWAY = [
  { field: '', message: 'The server did not take it.', remedy: 'What you wrote is kept: save it again in a moment.' },
];

/** Sends a change over what the server has, once its own schema finds it right. */
const save = createEffect(
  (actions$ = inject(Actions), store = inject(Store), api = inject(ApiClient)) => {
    const state = store.selectSignal(householdFeature.selectHouseholdState);
    return actions$.pipe(
      ofType(HouseholdActions.saveWanted),
      concatMap(({ change }) => from(send(api, change, state()))),
      mergeMap((actions) => actions),
    );
  },
  { functional: true },
);

async function send(
  api: ApiClient,
  change: Partial<Settings>,
  { settings, version }: VersionedSettings,
): Promise<Action[]> {
  const changed = { ...settings, ...change };
  const errors = await problemsBy((contract) => contract.settingsSchema, changed);
  if (errors.length > 0) return [HouseholdActions.refused({ errors })];
  try {
    const { kind, household } = await api.saveSettings(changed, version);
    if (kind === 'saved') return [HouseholdActions.saved({ household, change })];
    // Where somebody else has changed other settings only, the change goes over theirs by itself.
    const meets = (Object.keys(change) as (keyof Settings)[]).some(
      (key) => !dequal(household.settings[key], settings[key]) && !dequal(household.settings[key], change[key]),
    );
    const next = meets ? HouseholdActions.conflicted() : HouseholdActions.saveWanted({ change });
    return [HouseholdActions.received({ household }), next];
  } catch (error) {
    const problem = error instanceof HttpErrorResponse ? (error.error as Problem | null) : null;
    return [HouseholdActions.refused({ errors: problem?.errors ?? AWAY })];
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

/** What is being written is kept in the browser at once, so that leaving loses none of it. */
const keep = createEffect(
  (store = inject(Store)) =>
    store.select(householdFeature.selectWriting).pipe(
      skip(1),
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
