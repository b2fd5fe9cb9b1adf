import type { Entry } from '@oat-crock/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

interface WaitingDb extends DBSchema {
  entry: { key: string; value: Entry };
}

let opened: Promise<IDBPDatabase<WaitingDb>> | null = null;

function open(): Promise<IDBPDatabase<WaitingDb>> {
  opened ??= openDB<WaitingDb>('oat-crock-waiting', 1, {
    upgrade: (db) => {
      db.createObjectStore('entry', { keyPath: 'id' });
    },
  });
  return opened;
}

/** Entries written here that the server has not yet acknowledged: kept in the browser so that nothing is lost. */
export const waiting = {
  all: async (): Promise<Entry[]> => (await open()).getAll('entry'),
  keep: async (entries: readonly Entry[]): Promise<void> => {
    const tx = (await open()).transaction('entry', 'readwrite');
    await Promise.all([...entries.map((entry) => tx.store.put(entry)), tx.done]);
  },
  drop: async (ids: readonly string[]): Promise<void> => {
    const tx = (await open()).transaction('entry', 'readwrite');
    await Promise.all([...ids.map((id) => tx.store.delete(id)), tx.done]);
  },
};
