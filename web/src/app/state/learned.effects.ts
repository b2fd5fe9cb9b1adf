import { inject } from '@angular/core';
import { createEffect } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { culturesById, isCulture, lineOfMake, replay, type Batch } from '@oat-crock/core';
import {
  catchError,
  concatMap,
  debounceTime,
  distinctUntilChanged,
  EMPTY,
  exhaustMap,
  filter,
  from,
  map,
  timer,
} from 'rxjs';
import { Engine } from '../engine/engine';
import { KitchenClock } from '../engine/kitchen-clock';
import { selectKitchen } from './kitchen';
import { LearnedActions, learnedFeature, type TaughtInLine } from './learned.feature';
import { larderFeature } from './larder.feature';
import { logFeature } from './log.feature';
import { roomFeature } from './room.feature';
import { Wire } from './wire';

/** How often it is looked whether a make was finished that has not taught yet, ms; the first time once the page stands. */
const LOOK_EVERY_MS = 1500;
/** The newest makes of each line, or of each method where no line is kept, that are asked. */
const MAKES_ASKED = 8;
/** Lessons that come one after another are pooled together, ms. */
const REST_MS = 200;

/** Asks every finished make what it teaches, one after another, so that a sheet somebody waits for comes between. */
const askFinished = createEffect(
  (store = inject(Store), engine = inject(Engine), clock = inject(KitchenClock), wire = inject(Wire)) => {
    const batches = store.selectSignal(logFeature.selectBatches);
    const lots = store.selectSignal(larderFeature.selectLotsHere);
    const settings = store.selectSignal(selectKitchen);
    const gear = store.selectSignal(larderFeature.selectGear);
    const room = store.selectSignal(roomFeature.selectReadings);
    /** What was asked, as it stood: a make that was corrected since is asked again. */
    const asked = new Map<string, Batch>();
    const due = () => {
      const cultures = culturesById(lots().filter(isCulture));
      const finished = batches()
        .filter((b) => b.ended?.how === 'finished')
        .sort((a, b) => b.startedMs - a.startedMs)
        .map((batch) => ({ batch, line: lineOfMake(batch, cultures) }));
      const newest = [...Map.groupBy(finished, ({ batch, line }) => line ?? batch.methodId).values()].flatMap((makes) =>
        makes.slice(0, MAKES_ASKED),
      );
      return newest.filter(({ batch }) => asked.get(batch.id) !== batch);
    };
    const ask = async ({ batch, line }: ReturnType<typeof due>[number]): Promise<TaughtInLine> => {
      const whole = replay(await wire.batch(batch.id)) ?? batch;
      const own = batch.gear.flatMap((id) => gear()[id]?.item ?? []);
      const known = { learned: { known: [], covariance: [] }, line: line ?? undefined };
      const house = { settings: settings(), gear: own, room: room(), known };
      const lessons = await engine.lessons(whole, clock.exactMs(), house);
      const generation = Number(batch.choices['generation'] ?? 0);
      return { batchId: batch.id, atMs: batch.startedMs, line, generation, lessons };
    };
    const askAll = async (makes: ReturnType<typeof due>): Promise<readonly TaughtInLine[]> => {
      const taught: TaughtInLine[] = [];
      for (const make of makes) {
        try {
          taught.push(await ask(make));
        } catch {
          // The server or the worker is away: it is asked again when it is next looked.
          asked.delete(make.batch.id);
        }
      }
      return taught;
    };
    return timer(LOOK_EVERY_MS, LOOK_EVERY_MS).pipe(
      exhaustMap(() => {
        const makes = due();
        if (makes.length === 0) return EMPTY;
        for (const { batch } of makes) asked.set(batch.id, batch);
        return from(askAll(makes)).pipe(
          filter((taught) => taught.length > 0),
          map((taught) => LearnedActions.taught({ taught })),
        );
      }),
    );
  },
  { functional: true },
);

/** What all of them come to, anew when one more has taught or something is to be forgotten. */
const pool = createEffect(
  (store = inject(Store), engine = inject(Engine)) => {
    const taught = store.selectSignal(learnedFeature.selectTaught);
    const settings = store.selectSignal(selectKitchen);
    return store
      .select((state) => [learnedFeature.selectByBatch(state), selectKitchen(state).forgotten] as const)
      .pipe(
        distinctUntilChanged((a, b) => a[0] === b[0] && a[1] === b[1]),
        debounceTime(REST_MS),
        concatMap(() => {
          if (taught().length === 0) return EMPTY;
          // A worker that is away teaches nothing now, and is asked again when the next make has taught.
          return from(engine.learn(taught(), settings().forgotten)).pipe(catchError(() => EMPTY));
        }),
        map((pooled) => LearnedActions.pooled({ pooled })),
      );
  },
  { functional: true },
);

export const learnedEffects = { askFinished, pool };
