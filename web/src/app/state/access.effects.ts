import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { catchError, EMPTY, from, map, merge, of, switchMap } from 'rxjs';
import { AccessClient } from './access-client';
import { AccessActions } from './access.feature';
import { ClockActions } from './clock.feature';

/** How this device stands to the dairy, asked at once, and anew whenever the line was lost or it was found shut out. */
const ask = createEffect(
  (actions$ = inject(Actions), wire = inject(AccessClient)) =>
    merge(of(null), actions$.pipe(ofType(ClockActions.lineLost, AccessActions.shutOut))).pipe(
      switchMap(() =>
        from(wire.access()).pipe(
          map((access) => AccessActions.received({ access })),
          catchError(() => EMPTY),
        ),
      ),
    ),
  { functional: true },
);

export const accessEffects = { ask };
