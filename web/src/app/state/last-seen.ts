import type { Snapshot } from '@oat-crock/contract/api';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Compared } from './clock.feature';

/** The dairy as this browser last saw it. */
export interface LastSeen {
  /** The form of what is kept: of another form it is as good as none. */
  readonly form: typeof FORM;
  /** When, by this device's clock, ms. */
  readonly seenMs: number;
  readonly compared: Compared;
  readonly snapshot: Snapshot;
}

/** Raised whenever a page could stumble over what an older one kept. */
const FORM = 2;
const STORE = 'dairy';
const KEY = 'last';

interface SeenDb extends DBSchema {
  [STORE]: { key: string; value: LastSeen };
}

let opened: Promise<IDBPDatabase<SeenDb>> | null = null;

function open(): Promise<IDBPDatabase<SeenDb>> {
  opened ??= openDB<SeenDb>('oat-crock-seen', 1, { upgrade: (db) => void db.createObjectStore(STORE) });
  return opened;
}

/** What the page opens with where the server is away: kept in the browser as one piece. */
export const lastSeen = {
  read: async (): Promise<LastSeen | null> => {
    const kept = await (await open()).get(STORE, KEY);
    return kept?.form === FORM ? kept : null;
  },
  keep: async (seen: Omit<LastSeen, 'form'>): Promise<void> => {
    await (await open()).put(STORE, { form: FORM, ...seen }, KEY);
  },
  forget: async (): Promise<void> => (await open()).delete(STORE, KEY),
};
