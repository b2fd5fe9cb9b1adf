import type { FieldProblem } from '@oat-crock/contract/api';
import type { Entry } from '@oat-crock/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A picture that the line of the log which names it cannot go without. */
export interface WaitingPhoto {
  readonly photoId: string;
  readonly batchId: string;
  readonly picture: Blob;
}

/** A line that the server would not take, and why. */
export interface Refused {
  readonly entry: Entry;
  readonly errors: readonly FieldProblem[];
}

interface WaitingDb extends DBSchema {
  entry: { key: string; value: Entry };
  photo: { key: string; value: WaitingPhoto };
  refused: { key: string; value: Refused };
}

let opened: Promise<IDBPDatabase<WaitingDb>> | null = null;

function open(): Promise<IDBPDatabase<WaitingDb>> {
  opened ??= openDB<WaitingDb>('oat-crock-waiting', 3, {
    upgrade: (db, before) => {
      if (before < 1) db.createObjectStore('entry', { keyPath: 'id' });
      if (before < 2) db.createObjectStore('photo', { keyPath: 'photoId' });
      db.createObjectStore('refused', { keyPath: 'entry.id' });
    },
  });
  return opened;
}

/** What was written here and the server has not yet acknowledged, or has refused: kept in the browser so that nothing is lost. */
export const waiting = {
  all: async (): Promise<Entry[]> => (await open()).getAll('entry'),
  /** Whether a line still waits; another tab may have sent it meanwhile. */
  has: async (id: string): Promise<boolean> => (await (await open()).getKey('entry', id)) !== undefined,
  keep: async (entries: readonly Entry[]): Promise<void> => {
    const tx = (await open()).transaction('entry', 'readwrite');
    await Promise.all([...entries.map((entry) => tx.store.put(entry)), tx.done]);
  },
  drop: async (ids: readonly string[]): Promise<void> => {
    const tx = (await open()).transaction('entry', 'readwrite');
    await Promise.all([...ids.map((id) => tx.store.delete(id)), tx.done]);
  },
  /** Keeps a line as refused instead of as one to be sent, until somebody has seen why. */
  refuse: async (refused: Refused): Promise<void> => {
    const tx = (await open()).transaction(['entry', 'refused'], 'readwrite');
    await Promise.all([
      tx.objectStore('refused').put(refused),
      tx.objectStore('entry').delete(refused.entry.id),
      tx.done,
    ]);
  },
  refused: async (): Promise<Refused[]> => (await open()).getAll('refused'),
  dropRefused: async (): Promise<void> => (await open()).clear('refused'),
  keepPhoto: async (photo: WaitingPhoto): Promise<void> => {
    await (await open()).put('photo', photo);
  },
  photo: async (photoId: string): Promise<WaitingPhoto | null> => (await (await open()).get('photo', photoId)) ?? null,
  dropPhoto: async (photoId: string): Promise<void> => (await open()).delete('photo', photoId),
};
