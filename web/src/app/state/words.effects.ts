import { inject } from '@angular/core';
import { createEffect } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { unitsOf } from '@oat-crock/contract/wire';
import { tap } from 'rxjs';
import { datesIn } from '../ui/dates';
import { measureIn } from '../ui/units';
import { householdFeature } from './household.feature';

/** Whatever is said from now on is said in the household's units and dates. */
const speak = createEffect(
  (store = inject(Store)) =>
    store.select(householdFeature.selectSettings).pipe(
      tap((settings) => {
        measureIn(unitsOf(settings));
        datesIn(settings.datesIn);
      }),
    ),
  { functional: true, dispatch: false },
);

export const wordsEffects = { speak };
