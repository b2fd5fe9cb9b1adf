import { inject } from '@angular/core';
import { createEffect } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { unitsOf } from '@oat-crock/contract/api';
import { distinctUntilChanged, filter, map, tap } from 'rxjs';
import { datesIn } from '../shared/ui/dates';
import { speak as speakLanguage } from '../shared/ui/language';
import { measureIn } from '../shared/ui/reader';
import { clocksIn } from '../shared/ui/zone';
import { householdSelectors } from './household';

/** Whatever is said from now on is said in the household's units and dates. */
const speak = createEffect(
  (store = inject(Store)) =>
    store.select(householdSelectors.selectSettings).pipe(
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
    store.select(householdSelectors.selectVersion).pipe(
      filter((version) => version > 0),
      map(() => store.selectSignal(householdSelectors.selectSettings)().language),
      distinctUntilChanged(),
      tap((language) => void speakLanguage(language)),
    ),
  { functional: true, dispatch: false },
);

export const householdEffects = { speak, speakItsLanguage };
