import type { StoredEntry } from '@oat-crock/contract';
import type { EntryStore } from '../store/entries.js';
import type { MakeStore } from '../store/makes.js';

/**
 * What a page begins with (after 0), or has missed, in order of arrival. It begins with the lines by hand of makes that are on, here
 * or held and of the newest of the rest; of makes that are on also with what instruments read, one reading in a minute of each. What
 * came since is every line by hand, and every reading of makes that are on.
 */
export function pageLog(entries: EntryStore, makes: MakeStore, after: number): StoredEntry[] {
  const byHand = after === 0 ? entries.byHandOf(makes.present()) : entries.byHandSince(after);
  const read = makes.live().flatMap((batchId) => entries.readSince(batchId, after));
  return [...byHand, ...read].sort((a, b) => a.seq - b.seq);
}
