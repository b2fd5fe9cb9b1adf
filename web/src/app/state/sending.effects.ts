import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store, type Action } from '@ngrx/store';
import {
  catchError,
  concat,
  defer,
  EMPTY,
  exhaustMap,
  from,
  map,
  merge,
  mergeMap,
  type Observable,
  of,
  switchMap,
  tap,
  timer,
} from 'rxjs';
import { ApiClient, type Sent } from './api-client';
import { ClockActions } from './clock.feature';
import { LogActions, logFeature, type UnsentEntry } from './log.feature';
import { RecordActions, recordsFeature } from './records.feature';
import { aloneOfTabs, tabNews, tellTabs } from './tabs';
import { waiting } from './waiting';

const RETRY_MS = 2000;

/** What waited in the browser from before comes back into the log. */
const recover = createEffect(
  () =>
    merge(
      from(waiting.all()).pipe(map((entries) => LogActions.recovered({ entries }))),
      from(waiting.refused()).pipe(mergeMap((refused) => refused.map((one) => LogActions.refused(one)))),
    ).pipe(catchError(() => EMPTY)),
  { functional: true },
);

/** What was refused is kept until somebody has seen it. */
const forgetRefused = createEffect(
  (actions$ = inject(Actions)) =>
    actions$.pipe(
      ofType(LogActions.refusalsSeen),
      tap(() => {
        tellTabs({ kind: 'seen' });
        void waiting.dropRefused().catch(() => undefined);
      }),
    ),
  { functional: true, dispatch: false },
);

/** Lines that the browser does not hold: this tab sends them whatever is kept. */
const unkept = new Set<string>();

/** What is written is kept in the browser first, and told to its other tabs. */
const keep = createEffect(
  (actions$ = inject(Actions)) =>
    actions$.pipe(
      ofType(LogActions.logged),
      tap(({ entries }) => {
        const kept = waiting.keep(entries).then(() => tellTabs({ kind: 'waits', entries }));
        void kept.catch(() => entries.forEach(({ id }) => unkept.add(id)));
      }),
    ),
  { functional: true, dispatch: false },
);

/** What the other tabs of this browser wrote, sent and were refused. */
const hearTabs = createEffect(
  () =>
    tabNews.pipe(
      map((news) => {
        if (news.kind === 'waits') return LogActions.recovered({ entries: news.entries });
        if (news.kind === 'stored') return LogActions.arrived({ entries: news.entries });
        return news.kind === 'refused' ? LogActions.refused(news.refused) : LogActions.seenElsewhere();
      }),
    ),
  { functional: true },
);

/** Sends what waits, in order, again and again until the server has answered for each. What names a lot that is still being written waits for that. */
const send = createEffect(
  (actions$ = inject(Actions), store = inject(Store), wire = inject(ApiClient)) => {
    const all = store.selectSignal(logFeature.selectPending);
    const writing = store.selectSignal(recordsFeature.selectWriting);
    const pending = () => all().filter(({ body }) => body.type !== 'took' || !(body.lotId in writing()));
    return merge(
      actions$.pipe(ofType(LogActions.logged, LogActions.recovered, ClockActions.lineOpen, RecordActions.saved)),
      timer(RETRY_MS, RETRY_MS),
    ).pipe(exhaustMap(() => sendAll(pending, wire)));
  },
  { functional: true },
);

/** Sends one after the other for as long as something waits and the server answers. */
function sendAll(pending: () => readonly UnsentEntry[], wire: ApiClient): Observable<Action> {
  return defer(() => {
    const [first] = [...pending()].sort((a, b) => (a.id < b.id ? -1 : 1));
    if (!first) return EMPTY;
    return aloneOfTabs('lines', () => sendWaiting(first, wire)).pipe(
      switchMap((sent) => {
        if (sent.kind === 'elsewhere') return from(doneElsewhere(first.id)).pipe(mergeMap((actions) => actions));
        if (sent.kind === 'unreachable') return sent.why ? of(LogActions.unsent({ why: sent.why })) : EMPTY;
        const told =
          sent.kind === 'stored'
            ? LogActions.arrived({ entries: sent.entries })
            : LogActions.refused({ entry: first, errors: sent.problem.errors });
        return concat(of<Action>(told), sendAll(pending, wire));
      }),
    );
  });
}

/**
 * What became of a line that does not wait any more in the browser: the tab that sent it tells. Where its news were missed, a refusal
 * is looked up; and what was sent, or is gone from the browser because somebody cleared it, is sent next time.
 */
async function doneElsewhere(id: string): Promise<Action[]> {
  const refused = (await waiting.refused().catch(() => [])).filter(({ entry }) => entry.id === id);
  if (refused.length === 0) unkept.add(id);
  return refused.map((one) => LogActions.refused(one));
}

/** Sends a line that still waits. What became of it is kept, and told to the other tabs, before one of them may send. */
async function sendWaiting(entry: UnsentEntry, wire: ApiClient): Promise<Sent | { readonly kind: 'elsewhere' }> {
  const waits = unkept.has(entry.id) || (await waiting.has(entry.id).catch(() => true));
  if (!waits) return { kind: 'elsewhere' };
  const sent = await sendOne(entry, wire);
  if (sent.kind === 'stored') {
    await waiting.drop([entry.id]).catch(() => undefined);
    tellTabs({ kind: 'stored', entries: sent.entries });
  }
  if (sent.kind === 'refused') {
    const refused = { entry, errors: sent.problem.errors };
    await waiting.refuse(refused).catch(() => undefined);
    tellTabs({ kind: 'refused', refused });
  }
  return sent;
}

/** Sends a line, and before it the picture that it names. */
async function sendOne(entry: UnsentEntry, wire: ApiClient): Promise<Sent> {
  const photoId = entry.body.type === 'photo' ? entry.body.photoId : null;
  const photo = photoId === null ? null : await waiting.photo(photoId).catch(() => null);
  const sent = photo ? await wire.sendPhoto(photo) : null;
  if (sent?.kind === 'unreachable') return sent;
  if (photo) void waiting.dropPhoto(photo.photoId).catch(() => undefined);
  return sent?.kind === 'refused' ? sent : wire.send([entry]);
}

/** Lines on their way to the server. */
export const sendingEffects = { recover, forgetRefused, keep, hearTabs, send };
