import type { StoredEntry } from '@oat-crock/contract';
import type { Entry } from '@oat-crock/core';
import type { Db } from './open.js';

interface Row {
  readonly seq: number;
  readonly id: string;
  readonly batch_id: string;
  readonly at_ms: number;
  readonly source: string;
  readonly body: string;
}

/** Thrown where an id comes again with other content. */
export class EntryClash extends Error {
  constructor(readonly id: string) {
    super(`entry ${id} is already written with other content`);
    this.name = 'EntryClash';
  }
}

/** The append-only log of all batches. */
export interface EntryStore {
  /** Writes entries in one transaction; those already written are left as they are. Gives back all, in order. */
  readonly append: (entries: readonly Entry[]) => { readonly all: StoredEntry[]; readonly fresh: StoredEntry[] };
  readonly since: (seq: number) => StoredEntry[];
  readonly ofBatch: (batchId: string) => StoredEntry[];
  /** What makes took out of a lot. */
  readonly tookFrom: (lotId: string) => StoredEntry[];
  readonly latestMs: () => number | null;
}

export function entryStore(db: Db): EntryStore {
  const insert = db.prepare<[string, string, number, string, string]>(
    'INSERT INTO entry (id, batch_id, at_ms, source, body) VALUES (?, ?, ?, ?, ?) ON CONFLICT (id) DO NOTHING',
  );
  const byId = db.prepare<[string], Row>('SELECT * FROM entry WHERE id = ?');
  const since = db.prepare<[number], Row>('SELECT * FROM entry WHERE seq > ? ORDER BY seq');
  const ofBatch = db.prepare<[string], Row>('SELECT * FROM entry WHERE batch_id = ? ORDER BY seq');
  const took = db.prepare<[string], Row>(
    `SELECT * FROM entry WHERE json_extract(body, '$.type') = 'took' AND json_extract(body, '$.lotId') = ? ORDER BY seq`,
  );
  const latest = db.prepare<[], { at: number | null }>('SELECT max(at_ms) AS at FROM entry');

  const append = db.transaction((entries: readonly Entry[]) => {
    const all: StoredEntry[] = [];
    const fresh: StoredEntry[] = [];
    for (const entry of entries) {
      const body = JSON.stringify(entry.body);
      const { changes } = insert.run(entry.id, entry.batchId, entry.atMs, entry.source, body);
      const stored = toEntry(byId.get(entry.id)!);
      if (changes === 0 && !same(stored, entry)) throw new EntryClash(entry.id);
      all.push(stored);
      if (changes > 0) fresh.push(stored);
    }
    return { all, fresh };
  });

  return {
    append,
    since: (seq) => since.all(seq).map(toEntry),
    ofBatch: (batchId) => ofBatch.all(batchId).map(toEntry),
    tookFrom: (lotId) => took.all(lotId).map(toEntry),
    latestMs: () => latest.get()?.at ?? null,
  };
}

function toEntry(row: Row): StoredEntry {
  return {
    seq: row.seq,
    id: row.id,
    batchId: row.batch_id,
    atMs: row.at_ms,
    source: row.source,
    body: JSON.parse(row.body) as Entry['body'],
  };
}

function same(a: Entry, b: Entry): boolean {
  return (
    a.batchId === b.batchId &&
    a.atMs === b.atMs &&
    a.source === b.source &&
    JSON.stringify(a.body) === JSON.stringify(b.body)
  );
}
