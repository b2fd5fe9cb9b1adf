import { HttpErrorResponse } from '@angular/common/http';
import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store, type Action } from '@ngrx/store';
import { unitsOf, type Problem, type Settings, type VersionedSettings } from '@oat-crock/contract/api';
import { dequal } from 'dequal/lite';
import {
  concatMap,
  distinctUntilChanged,
  EMPTY,
  filter,
  from,
  map,
  mergeMap,
  type Observable,
  of,
  skip,
  tap,
} from 'rxjs';
import { say } from '@oat-crock/core';
import { datesIn } from '../shared/ui/dates';
import { measureIn } from '../shared/ui/reader';
import { clocksIn } from '../shared/ui/zone';
import { HouseholdActions, householdFeature } from './household.feature';
import { keepHere, keptHere } from './kept-here';
import { problemsBy } from './problems-by';
import { ApiClient } from './api-client';
import { speak as speakLanguage } from '../shared/ui/language';

const KEY = 'oat-crock.household.writing';
const AWAY = [
  {
    field: '',
    message: say('page.state.household.serverDidNotTake'),
    remedy: say('page.state.household.whatYouWroteKept'),
  },
];

/** Sends a change over what the server has, once its own schema finds it right. */
const save = createEffect(
  (actions$ = inject(Actions), store = inject(Store), api = inject(ApiClient)) => {
    const state = store.selectSignal(householdFeature.selectHouseholdState);
    return actions$.pipe(
      ofType(HouseholdActions.saveWanted, HouseholdActions.forgetWanted),
      concatMap((wanted) =>
        wanted.type === HouseholdActions.saveWanted.type
          ? from(send(api, wanted.change, state(), meets))
          : from(send(api, { forgotten: withForgotten(state().settings, wanted) }, state(), null)).pipe(
              // It is one more on a list: where others have changed that, it goes onto theirs.
              map((actions) => actions.map((a) => (a.type === HouseholdActions.saveWanted.type ? wanted : a))),
            ),
      ),
      mergeMap((actions) => actions),
    );
  },
  { functional: true },
);

function withForgotten({ forgotten }: Settings, { of, beforeMs }: { of: string; beforeMs: number }) {
  return [...forgotten.filter((f) => f.of !== of), { of, beforeMs }];
}

/** Whether somebody else has changed what a change is about, and otherwise. */
const meets = (change: Partial<Settings>, was: Settings, is: Settings) =>
  (Object.keys(change) as (keyof Settings)[]).some(
    (key) => !dequal(is[key], was[key]) && !dequal(is[key], change[key]),
  );

/** @param inConflict whether somebody else's change stands in the way of this one; null where none can */
async function send(
  api: ApiClient,
  change: Partial<Settings>,
  { settings, version }: VersionedSettings,
  inConflict: typeof meets | null,
): Promise<Action[]> {
  const changed = { ...settings, ...change };
  const errors = await problemsBy((contract) => contract.settingsSchema, changed);
  if (errors.length > 0) return [HouseholdActions.refused({ errors })];
  try {
    const { kind, household } = await api.saveSettings(changed, version);
    if (kind === 'saved') return [HouseholdActions.saved({ household, change })];
    const conflict = inConflict?.(change, settings, household.settings) ?? false;
    const next = conflict ? HouseholdActions.conflicted() : HouseholdActions.saveWanted({ change });
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
    if (!kept?.['writing']) return EMPTY;
    return of(HouseholdActions.recovered({ writing: kept['writing'], before: kept['before'] ?? {} }));
  },
  { functional: true },
);

/** What is being written is kept in the browser at once, so that leaving loses none of it. */
const keep = createEffect(
  (store = inject(Store)) =>
    store.select(householdFeature.selectDrafted).pipe(
      skip(1),
      tap((drafted) => keepHere(KEY, drafted)),
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

/** What the household speaks is spoken once it is known, and again whenever that is changed. */
const speakItsLanguage = createEffect(
  (store = inject(Store)) =>
    store.select(householdFeature.selectHouseholdState).pipe(
      filter(({ version }) => version > 0),
      map(({ settings }) => settings.language),
      distinctUntilChanged(),
      tap((language) => void speakLanguage(language)),
    ),
  { functional: true, dispatch: false },
);

export const householdEffects = { save, recover, keep, speak, speakItsLanguage };
