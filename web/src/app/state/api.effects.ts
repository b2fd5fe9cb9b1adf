import { HttpErrorResponse } from '@angular/common/http';
import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store, type Action } from '@ngrx/store';
import {
  catchError,
  concat,
  concatMap,
  defer,
  EMPTY,
  forkJoin,
  from,
  map,
  merge,
  mergeMap,
  type Observable,
  of,
  switchMap,
  timer,
  withLatestFrom,
} from 'rxjs';
import type { StoredEntry } from '@oat-crock/contract/api';
import { replay } from '@oat-crock/core';
import { deviceNowMs } from '../engine/device';
import { AccessActions } from './access.feature';
import { BackupActions } from './backups.feature';
import { ClockActions } from './clock.feature';
import { FollowActions, followFeature } from './follow.feature';
import { InstrumentActions } from './instruments.feature';
import { householdRecord } from './record-writing';
import { besidesTold, recordsTold } from './whole-told';
import { RecordActions } from './records.feature';
import { RecordsClient } from './records-client';
import { LearnedActions } from './learned.feature';
import { LogActions, logFeature } from './log.feature';
import { OddActions } from './odd.feature';
import { RoomActions } from './room.feature';
import { ApiClient } from './api-client';
import { UnreachedActions } from './unreached.feature';

/** What the server could not give is asked for again after so long, ms. */
const READ_AGAIN_MS = 1000;
const TOO_MANY_REQUESTS = 429;
const NOT_LET_IN = 401;
const NOT_FOUND = 404;
const DAY_MS = 86_400_000;

/** Reads the whole at once, and listens to the server; whenever the line opens, what came meanwhile is read. */
const listen = createEffect(
  (wire = inject(ApiClient), store = inject(Store)) => {
    const lastSeq = store.selectSignal(logFeature.selectLastSeq);
    return merge(of('open' as const), wire.events()).pipe(
      concatMap((event) => {
        if (event === 'lost') return of(ClockActions.lineLost());
        if (event === 'open') return readFrom(wire, lastSeq);
        if (event.type === 'entries') return of(LogActions.arrived({ entries: event.entries }));
        if (event.type === 'settings')
          return of(RecordActions.received({ records: { settings: [householdRecord(event)] } }));
        if (event.type === 'larder') return of(RecordActions.received({ records: event.larder }));
        if (event.type === 'learned') return of(LearnedActions.received({ learned: event.learned }));
        if (event.type === 'room') return of(RoomActions.received({ readings: event.readings }));
        if (event.type === 'backups') return of(BackupActions.received({ safekeeping: event.backups }));
        if (event.type === 'alerts') return of(UnreachedActions.told({ names: event.unreached }));
        if (event.type === 'renewed') return readFrom(wire, () => 0);
        if (event.type === 'clock') return of(ClockActions.received({ clock: event.clock }));
        return of(InstrumentActions.received({ instruments: event.instruments }));
      }),
    );
  },
  { functional: true },
);

/**
 * Clock, instruments, settings, and what the log has after the last place that is known of its order. Where the server does not
 * give that, it is asked again by itself: the line for events may be open all the while, and never open anew.
 */
function readFrom(wire: ApiClient, lastSeq: () => number): Observable<Action> {
  return defer(() => forkJoin([wire.compareClock(), wire.snapshot(lastSeq())])).pipe(
    mergeMap(([compared, snapshot]) => {
      // A server that knows less than this page was set back to an earlier day: what it has now is read from the beginning.
      if (snapshot.lastSeq < lastSeq())
        return concat(
          of(LogActions.doubted({ seenMs: deviceNowMs() })),
          readFrom(wire, () => 0),
        );
      return of<Action[]>(
        ClockActions.lineOpen(),
        RecordActions.received({ records: recordsTold(snapshot), all: true }),
        ...besidesTold(compared, snapshot),
        LogActions.loaded({ entries: snapshot.entries, past: snapshot.past }),
      );
    }),
    catchError((error: unknown) => {
      const again = timer(READ_AGAIN_MS).pipe(switchMap(() => readFrom(wire, lastSeq)));
      if (isStatus(error, NOT_LET_IN)) return of(AccessActions.shutOut());
      return isStatus(error, TOO_MANY_REQUESTS) ? again : concat(of(ClockActions.lineLost()), again);
    }),
  );
}

/**
 * Whether a server answered so: one that asks for patience, or that this device is let in first, is no server that does not answer.
 */
const isStatus = (error: unknown, status: number) => error instanceof HttpErrorResponse && error.status === status;

/** A device that slept, or whose clock was set, holds it against the server's anew. */
const compareClock = createEffect(
  (actions$ = inject(Actions), wire = inject(ApiClient)) =>
    actions$.pipe(
      ofType(ClockActions.deviceJumped),
      switchMap(() =>
        from(wire.compareClock()).pipe(
          map((compared) => ClockActions.compared(compared)),
          catchError(() => EMPTY),
        ),
      ),
    ),
  { functional: true },
);

const setRate = createEffect(
  (actions$ = inject(Actions), wire = inject(ApiClient)) =>
    actions$.pipe(
      ofType(ClockActions.rateWanted),
      switchMap(({ rate }) =>
        from(wire.setRate(rate)).pipe(
          map((clock) => ClockActions.received({ clock })),
          catchError(() => of(ClockActions.lineLost())),
        ),
      ),
    ),
  { functional: true },
);

const place = createEffect(
  (actions$ = inject(Actions), wire = inject(ApiClient)) =>
    actions$.pipe(
      ofType(InstrumentActions.place),
      concatMap(({ id, batchId }) => from(wire.place(id, batchId)).pipe(catchError(() => of(null)))),
    ),
  { functional: true, dispatch: false },
);

const tellSimulator = createEffect(
  (actions$ = inject(Actions), wire = inject(ApiClient)) =>
    actions$.pipe(
      ofType(InstrumentActions.giveFault, InstrumentActions.calibrate),
      concatMap((told) => {
        const done = 'fault' in told ? wire.giveFault(told.id, told.fault) : wire.calibrate(told.id);
        return from(done).pipe(catchError(() => of(null)));
      }),
    ),
  { functional: true, dispatch: false },
);

/** What the server says once a record is gone comes by the line, as for every page; what it refuses stands there still. */
const takeOddAway = createEffect(
  (actions$ = inject(Actions), records = inject(RecordsClient)) =>
    actions$.pipe(
      ofType(OddActions.takeAway),
      concatMap(({ record: { family, id, version } }) =>
        from(records.remove(family, id, version)).pipe(catchError(() => of(null))),
      ),
    ),
  { functional: true, dispatch: false },
);

/** How warm the room was around a make that is over. */
function roomOf(entries: readonly StoredEntry[], wire: ApiClient): Observable<Action> {
  const batch = replay(entries);
  if (!batch?.ended) return EMPTY;
  return from(wire.room(batch.startedMs - DAY_MS, batch.ended.atMs)).pipe(
    map((readings) => RoomActions.received({ readings })),
  );
}

/** A make that is over comes whole, with what instruments read and the room around it, when a page looks at it, once. */
const readWhole = createEffect(
  (actions$ = inject(Actions), store = inject(Store), wire = inject(ApiClient)) => {
    const batches = store.selectSignal(logFeature.selectBatches);
    const loaded = store.selectSignal(logFeature.selectLoaded);
    const read = new Set<string>();
    return merge(actions$.pipe(ofType(FollowActions.wanted)), actions$.pipe(ofType(LogActions.loaded))).pipe(
      withLatestFrom(store.select(followFeature.selectWanted)),
      mergeMap(([, wanted]) => {
        if (!wanted || read.has(wanted) || !loaded()) return EMPTY;
        const batch = batches().find((b) => b.id === wanted);
        if (batch && !batch.ended) return EMPTY;
        read.add(wanted);
        return from(wire.batch(wanted)).pipe(
          mergeMap((entries) => concat(of(LogActions.makeRead({ batchId: wanted, entries })), roomOf(entries, wire))),
          catchError((error: unknown) => {
            if (error instanceof HttpErrorResponse && error.status === NOT_FOUND)
              return of(LogActions.makeUnknown({ batchId: wanted }));
            read.delete(wanted);
            return EMPTY;
          }),
        );
      }),
    );
  },
  { functional: true },
);

export const apiEffects = {
  listen,
  compareClock,
  setRate,
  place,
  tellSimulator,
  takeOddAway,
  readWhole,
};
