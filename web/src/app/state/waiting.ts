import type { Entry } from '@oat-crock/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A picture that the line of the log which names it cannot go without. */
export interface WaitingPhoto {
  readonly photoId: string;
  readonly batchId: string;
  readonly picture: Blob;
}

interface WaitingDb extends DBSchema {
  entry: { key: string; value: Entry };
  photo: { key: string; value: WaitingPhoto };
}

let opened: Promise<IDBPDatabase<WaitingDb>> | null = null;

function open(): Promise<IDBPDatabase<WaitingDb>> {
  opened ??= openDB<WaitingDb>('oat-crock-waiting', 2, {
    upgrade: (db, before) => {
      if (before < 1) db.createObjectStore('entry', { keyPath: 'id' });
      db.createObjectStore('photo', { keyPath: 'photoId' });
    },
  });
  return opened;
}

/** What was written here and the server has not yet acknowledged: kept in the browser so that nothing is lost. */
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
  keepPhoto: async (photo: WaitingPhoto): Promise<void> => {
    await (await open()).put('photo', photo);
  },
  photo: async (photoId: string): Promise<WaitingPhoto | null> => (await (await open()).get('photo', photoId)) ?? null,
  dropPhoto: async (photoId: string): Promise<void> => (await open()).delete('photo', photoId),
};
