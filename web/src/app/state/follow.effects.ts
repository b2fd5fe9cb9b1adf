import { inject } from '@angular/core';
import { createEffect } from '@ngrx/effects';
import { Store, type Action } from '@ngrx/store';
import type { Settings } from '@oat-crock/contract/api';
import { culturesById, isCulture, lineOfMake, type Batch } from '@oat-crock/core';
import { catchError, exhaustMap, from, map, merge, mergeMap, of, timer, EMPTY, type Observable } from 'rxjs';
import { Engine } from '../engine/engine';
import type { Effort } from '../engine/engine-api';
import { KitchenClock } from './kitchen-clock';
import { FollowActions, followFeature } from './follow.feature';
import { selectKitchen } from './kitchen';
import { knownOf, learnedFeature } from './learned.feature';
import { recordsFeature } from './records.feature';
import { logFeature } from './log.feature';
import { roomFeature } from './room.feature';
import { wordsOfError } from '../shared/ui/words';

/** How often it is looked whether something must be worked out anew, ms; besides whenever the log has changed. */
const LOOK_EVERY_MS = 250;
/** A forecast older than this by the kitchen's clock is made again even when nothing was logged. */
const STALE_AFTER_MS = 4 * 60_000;

/**
 * Keeps every live make worked out: anew when something was logged, and as time goes on; a finished one only while a
 * page looks at it. The first time at a glance, so that the page has something to show. One at a time, newest need first, so that a fast clock never piles up work.
 */
const keepFollowing = createEffect(
  (store = inject(Store), engine = inject(Engine), clock = inject(KitchenClock)) => {
    const batches = store.selectSignal(logFeature.selectBatches);
    const settings = store.selectSignal(selectKitchen);
    const wanted = store.selectSignal(followFeature.selectWanted);
    const known = store.selectSignal(recordsFeature.selectGear);
    const room = store.selectSignal(roomFeature.selectReadings);
    const learned = store.selectSignal(learnedFeature.selectPooled);
    const lots = store.selectSignal(recordsFeature.selectLotsHere);
    const lineOf = (batch: Batch) => lineOfMake(batch, culturesById(lots().filter(isCulture)));
    const gearOf = (batch: Batch) => batch.gear.flatMap((id) => known()[id]?.item ?? []);
    const done = new Map<
      string,
      {
        readonly batch: Batch;
        readonly nowMs: number;
        readonly effort: Effort;
        readonly settings: Settings;
        readonly gear: unknown;
        readonly room: unknown;
        readonly learned: unknown;
      }
    >();
    return merge(store.select(logFeature.selectBatches), timer(LOOK_EVERY_MS, LOOK_EVERY_MS)).pipe(
      exhaustMap((): Observable<Action> => {
        const nowMs = clock.exactMs();
        const due = batches().filter((batch) => {
          if (batch.ended && batch.id !== wanted()) return false;
          const last = done.get(batch.id);
          if (last?.batch !== batch || last.effort === 'glance' || last.settings !== settings()) return true;
          if (last.learned !== learned()) return true;
          if (batch.gear.length > 0 && last.gear !== known()) return true;
          return batch.ended === null ? nowMs - last.nowMs > STALE_AFTER_MS : last.room !== room();
        });
        if (due.length === 0) return EMPTY;
        return from(due).pipe(
          mergeMap((batch) => {
            const effort: Effort = done.has(batch.id) ? 'look' : 'glance';
            done.set(batch.id, {
              batch,
              nowMs,
              effort,
              settings: settings(),
              gear: known(),
              room: room(),
              learned: learned(),
            });
            const house = {
              settings: settings(),
              gear: gearOf(batch),
              room: room(),
              known: knownOf(learned(), lineOf(batch)),
            };
            return from(engine.follow(batch, nowMs, effort, house)).pipe(
              map((followed) => FollowActions.workedOut({ followed })),
              catchError((error: unknown) => of(FollowActions.failed({ batchId: batch.id, why: wordsOfError(error) }))),
            );
          }, 1),
        );
      }),
    );
  },
  { functional: true },
);

export const followEffects = { keepFollowing };
