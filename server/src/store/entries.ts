import type { StoredEntry } from '@oat-crock/contract';
import type { Entry } from '@oat-crock/core';
import { dequal } from 'dequal/lite';
import type { Db } from './open.js';

interface Row {
  readonly seq: number;
  readonly id: string;
  readonly batch_id: string;
  readonly at_ms: number;
  readonly source: string;
  readonly body: string;
  readonly by_whom: string | null;
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
  /** The newest place in the order of arrival; 0 where there is none. */
  readonly newestSeq: () => number;
  /** Writes entries in one transaction; those already written are left as they are. Gives back all, in order. */
  readonly append: (entries: readonly Entry[]) => { readonly all: StoredEntry[]; readonly fresh: StoredEntry[] };
  readonly since: (seq: number) => StoredEntry[];
  /** The lines by hand of some makes, in order of arrival. */
  readonly byHandOf: (batchIds: readonly string[]) => StoredEntry[];
  /** Every line by hand after a place in the order of arrival. */
  readonly byHandSince: (seq: number) => StoredEntry[];
  /** What instruments read of a make after a place in that order; from its beginning one reading in a minute of each. */
  readonly readSince: (batchId: string, seq: number) => StoredEntry[];
  /** A batch's log, in order of arrival; with one reading in a minute of each instrument, or none, where that is enough. */
  readonly ofBatch: (batchId: string, readings?: 'all' | 'minute' | 'none') => StoredEntry[];
  /** Each make, with its newest line by hand. */
  readonly newestByHand: () => readonly { readonly batchId: string; readonly seq: number }[];
  readonly count: () => number;
  /** The whole log in order of arrival, so many lines at a time; what comes meanwhile is left out. */
  readonly pages: (size: number) => Iterable<readonly Entry[]>;
  readonly has: (batchId: string) => boolean;
  readonly get: (id: string) => StoredEntry | null;
  /** Whether a line is not here, is here as it is, or another stands here under its id. */
  readonly fateOf: (entry: Entry) => 'new' | 'known' | 'other';
  /** What was kept of a probe in a batch next before (or at) and next after a moment. */
  readonly besides: (
    batchId: string,
    source: string,
    atMs: number,
  ) => readonly [StoredEntry | null, StoredEntry | null];
  /** What makes took out of a lot. */
  readonly tookFrom: (lotId: string) => StoredEntry[];
  /** The newest moment of a line that is no later than another, ms. */
  readonly latestMs: (untilMs: number) => number | null;
}

export function entryStore(db: Db): EntryStore {
  const insert = db.prepare<[string, string, number, string, string, string | null]>(
    'INSERT INTO entry (id, batch_id, at_ms, source, body, by_whom) VALUES (?, ?, ?, ?, ?, ?) ON CONFLICT (id) DO NOTHING',
  );
  const byId = db.prepare<[string], Row>('SELECT * FROM entry WHERE id = ?');
  const since = db.prepare<[number], Row>('SELECT * FROM entry WHERE seq > ? ORDER BY seq');
  const ofBatch = db.prepare<[string], Row>('SELECT * FROM entry WHERE batch_id = ? ORDER BY seq');
  const byHand = db.prepare<[number], Row>(`SELECT * FROM entry WHERE source = 'hand' AND seq > ? ORDER BY seq`);
  const byHandOf = db.prepare<[string], Row>(
    `SELECT * FROM entry WHERE source = 'hand' AND batch_id IN (SELECT value FROM json_each(?)) ORDER BY seq`,
  );
  const ofBatchByHand = db.prepare<[string], Row>(
    `SELECT * FROM entry WHERE batch_id = ? AND source = 'hand' ORDER BY seq`,
  );
  const read = db.prepare<[string, number], Row>(
    `SELECT * FROM entry WHERE batch_id = ? AND source <> 'hand' AND seq > ?`,
  );
  const readByMinute = db.prepare<[string], Row>(
    `SELECT min(seq) AS seq, id, batch_id, at_ms, source, body, by_whom FROM entry
     WHERE batch_id = ? AND source <> 'hand' GROUP BY source, at_ms / 60000`,
  );
  const first = db.prepare<[string], { seq: number }>('SELECT seq FROM entry WHERE batch_id = ? LIMIT 1');
  const before = db.prepare<[string, string, number], Row>(
    `SELECT * FROM entry WHERE batch_id = ? AND source = ? AND source <> 'hand' AND at_ms <= ? ORDER BY at_ms DESC LIMIT 1`,
  );
  const after = db.prepare<[string, string, number], Row>(
    `SELECT * FROM entry WHERE batch_id = ? AND source = ? AND source <> 'hand' AND at_ms > ? ORDER BY at_ms LIMIT 1`,
  );
  const took = db.prepare<[string], Row>(
    `SELECT * FROM entry WHERE json_extract(body, '$.type') = 'took' AND json_extract(body, '$.lotId') = ? ORDER BY seq`,
  );
  const latest = db.prepare<[number], { at: number | null }>('SELECT max(at_ms) AS at FROM entry WHERE at_ms <= ?');

  const newest = db.prepare<[], { batchId: string; seq: number }>(
    `SELECT batch_id AS batchId, max(seq) AS seq FROM entry WHERE source = 'hand' GROUP BY batch_id`,
  );

  const count = db.prepare<[], { n: number }>('SELECT count(*) AS n FROM entry');
  const last = db.prepare<[], { seq: number | null }>('SELECT max(seq) AS seq FROM entry');
  const newestSeq = () => last.get()!.seq ?? 0;
  const page = db.prepare<[number, number, number], Row>(
    'SELECT * FROM entry WHERE seq > ? AND seq <= ? ORDER BY seq LIMIT ?',
  );

  const append = db.transaction((entries: readonly Entry[]) => {
    const all: StoredEntry[] = [];
    const fresh: StoredEntry[] = [];
    for (const entry of entries) {
      const body = JSON.stringify(entry.body);
      const { changes } = insert.run(entry.id, entry.batchId, entry.atMs, entry.source, body, entry.by ?? null);
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
    byHandOf: (batchIds) => byHandOf.all(JSON.stringify(batchIds)).map(toEntry),
    byHandSince: (seq) => byHand.all(seq).map(toEntry),
    readSince: (batchId, seq) => (seq === 0 ? readByMinute.all(batchId) : read.all(batchId, seq)).map(toEntry),
    ofBatch: (batchId, readings = 'all') => {
      if (readings === 'all') return ofBatch.all(batchId).map(toEntry);
      const rows = [...ofBatchByHand.all(batchId), ...(readings === 'minute' ? readByMinute.all(batchId) : [])];
      return rows.sort((a, b) => a.seq - b.seq).map(toEntry);
    },
    newestSeq,
    count: () => count.get()!.n,
    *pages(size) {
      const end = newestSeq();
      for (let from = 0; from < end;) {
        const rows = page.all(from, end, size);
        yield rows.map(entryIn);
        from = rows.at(-1)?.seq ?? end;
      }
    },
    newestByHand: () => newest.all(),
    has: (batchId) => first.get(batchId) !== undefined,
    get: (id) => {
      const row = byId.get(id);
      return row ? toEntry(row) : null;
    },
    fateOf: (entry) => {
      const row = byId.get(entry.id);
      if (!row) return 'new';
      return same(entryIn(row), entry) ? 'known' : 'other';
    },
    besides: (batchId, source, atMs) => {
      const [earlier, later] = [before.get(batchId, source, atMs), after.get(batchId, source, atMs)];
      return [earlier ? toEntry(earlier) : null, later ? toEntry(later) : null];
    },
    tookFrom: (lotId) => took.all(lotId).map(toEntry),
    latestMs: (untilMs) => latest.get(untilMs)?.at ?? null,
  };
}

const toEntry = (row: Row): StoredEntry => ({ seq: row.seq, ...entryIn(row) });

function entryIn(row: Row): Entry {
  return {
    id: row.id,
    batchId: row.batch_id,
    atMs: row.at_ms,
    source: row.source,
    body: JSON.parse(row.body) as Entry['body'],
    ...(row.by_whom !== null && { by: row.by_whom }),
  };
}

/** Whether two lines say the same; who sent it the second time makes no difference. */
function same(a: Entry, b: Entry): boolean {
  return a.batchId === b.batchId && a.atMs === b.atMs && a.source === b.source && dequal(a.body, b.body);
}
