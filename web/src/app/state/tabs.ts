import type { StoredEntry } from '@oat-crock/contract/api';
import type { Entry } from '@oat-crock/core';
import { defer, fromEvent, map, Observable, share } from 'rxjs';
import type { Refused } from './waiting';

/** What one tab of this browser tells the others. */
export type TabNews =
  /** Lines that wait to be sent, by whichever tab is open. */
  | { readonly kind: 'waits'; readonly entries: readonly Entry[] }
  | { readonly kind: 'stored'; readonly entries: readonly StoredEntry[] }
  | { readonly kind: 'refused'; readonly refused: Refused }
  /** Somebody has seen what was refused. */
  | { readonly kind: 'seen' };

const NAME = 'oat-crock-sending';
const channel = new BroadcastChannel(NAME);

/** What the other tabs tell. */
export const tabNews: Observable<TabNews> = fromEvent<MessageEvent<TabNews>>(channel, 'message').pipe(
  map(({ data }) => data),
  share(),
);

/** Tells the other tabs. */
export function tellTabs(news: TabNews): void {
  channel.postMessage(news);
}

/**
 * Does something while no other tab does the like. Where the browser has no locks (a page that came neither by HTTPS nor from this
 * machine) it is done all the same: the server takes a line once, however often it is sent.
 *
 * @param what what no two tabs may do at once: "lines", or the id of a record
 */
export function aloneOfTabs<T>(what: string, work: () => Promise<T>): Observable<T> {
  const locks = (navigator as { readonly locks?: LockManager }).locks;
  if (!locks) return defer(work);
  return new Observable<T>((told) => {
    const waitsNoMore = new AbortController();
    let letGo = () => waitsNoMore.abort();
    const whileHeld = () =>
      new Promise<void>((done) => {
        letGo = done;
        defer(work).subscribe(told);
      });
    locks.request(`${NAME}/${what}`, { signal: waitsNoMore.signal }, whileHeld).catch(() => undefined);
    return () => letGo();
  });
}
