import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import type { KeptFamilies, Snapshot, VersionedSettings } from '@oat-crock/contract/api';
import {
  catchError,
  debounceTime,
  EMPTY,
  filter,
  from,
  fromEvent,
  map,
  merge,
  mergeMap,
  of,
  tap,
  throttleTime,
} from 'rxjs';
import { deviceNowMs } from '../engine/device';
import { AccessActions } from './access.feature';
import { backupsFeature } from './backups.feature';
import { clockFeature } from './clock.feature';
import { instrumentsFeature } from './instruments.feature';
import { lastSeen, type LastSeen } from './last-seen';
import { learnedFeature } from './learned.feature';
import { LogActions, logFeature } from './log.feature';
import { oddFeature } from './odd.feature';
import { pageFeature } from './page.feature';
import { HOUSEHOLD_ID } from './record-writing';
import { RecordActions, recordsFeature } from './records.feature';
import { unreachedFeature } from './unreached.feature';
import { roomFeature } from './room.feature';
import { besidesTold, recordsTold } from './whole-told';

/** What changed by hand is kept after so long a pause, ms. */
const SOON_MS = 500;
/** Whatever else comes (readings, mostly) is kept as often as this, ms: it is a dairy's whole each time. */
const NOW_AND_THEN_MS = 30_000;

/** The dairy as it was last seen here stands on the page until the server has told it anew. */
const recall = createEffect(
  (store = inject(Store)) => {
    const isLoaded = store.selectSignal(logFeature.selectLoaded);
    return from(lastSeen.read()).pipe(
      filter((seen) => seen !== null && !isLoaded()),
      mergeMap((seen) => told(seen!)),
      catchError(() => EMPTY),
    );
  },
  { functional: true },
);

const told = ({ seenMs, compared, snapshot }: LastSeen) =>
  of(
    RecordActions.recalled({ records: recordsTold(snapshot) }),
    ...besidesTold(compared, snapshot),
    LogActions.recalled({ entries: snapshot.entries, past: snapshot.past!, seenMs }),
  );

/** What the server has told is kept: soon where somebody wrote, now and then otherwise, and as the page goes out of sight. */
const keep = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    const seenMs = store.selectSignal(logFeature.selectSeenMs);
    const isLoaded = store.selectSignal(logFeature.selectLoaded);
    const whole = wholeHere(store);
    const byHand = actions$.pipe(
      filter(
        (action) =>
          action.type === LogActions.loaded.type ||
          action.type === RecordActions.received.type ||
          (action.type === LogActions.arrived.type &&
            (action as ReturnType<typeof LogActions.arrived>).entries.some(({ source }) => source === 'hand')),
      ),
      debounceTime(SOON_MS),
    );
    const others = actions$.pipe(
      ofType(LogActions.arrived),
      throttleTime(NOW_AND_THEN_MS, undefined, { leading: false, trailing: true }),
    );
    const outOfSight = fromEvent(document, 'visibilitychange').pipe(filter(() => document.hidden));
    return merge(byHand, others, outOfSight).pipe(
      filter(() => isLoaded() && seenMs() === null),
      map(whole),
      tap((seen) => void lastSeen.keep(seen).catch(() => undefined)),
    );
  },
  { functional: true, dispatch: false },
);

/** The dairy as it stands on this page: what the server has, and nothing that only waits here. */
function wholeHere(store: Store): () => Omit<LastSeen, 'form'> {
  const entries = store.selectSignal(logFeature.selectStored);
  const past = store.selectSignal(logFeature.selectPast);
  const lastSeq = store.selectSignal(logFeature.selectLastSeq);
  const compared = store.selectSignal(clockFeature.selectClockState);
  const families = store.selectSignal(recordsFeature.selectFamilies);
  const instruments = store.selectSignal(instrumentsFeature.selectAll);
  const learned = store.selectSignal(learnedFeature.selectLearnedState);
  const room = store.selectSignal(roomFeature.selectReadings);
  const odd = store.selectSignal(oddFeature.selectRecords);
  const lastBackup = store.selectSignal(backupsFeature.selectLast);
  const unreached = store.selectSignal(unreachedFeature.selectNames);
  const page = store.selectSignal(pageFeature.selectServed);
  return () => {
    const clock = compared().clock!;
    const { settings, ...larder } = families();
    const { version, item } = settings.entities[HOUSEHOLD_ID]!;
    const household: VersionedSettings = { version, settings: item };
    const snapshot: Snapshot = {
      clock,
      entries: entries(),
      past: past(),
      lastSeq: lastSeq(),
      instruments: instruments(),
      household,
      larder: Object.fromEntries(
        Object.entries(larder).map(([family, records]) => [family, Object.values(records.entities)]),
      ) as unknown as { [F in keyof KeptFamilies]: Snapshot['larder'][F] },
      learned: learned(),
      room: room(),
      odd: odd(),
      lastBackup: lastBackup(),
      unreached: unreached(),
      page: page(),
    };
    return { seenMs: deviceNowMs(), compared: { clock, aheadMs: compared().aheadMs }, snapshot };
  };
}

/** Who was shut out keeps nothing of the dairy. */
const forget = createEffect(
  (actions$ = inject(Actions)) =>
    merge(
      actions$.pipe(ofType(AccessActions.shutOut)),
      actions$.pipe(
        ofType(AccessActions.received),
        filter(({ access }) => access.closed && access.me === null),
      ),
    ).pipe(tap(() => void lastSeen.forget().catch(() => undefined))),
  { functional: true, dispatch: false },
);

export const lastSeenEffects = { recall, keep, forget };
