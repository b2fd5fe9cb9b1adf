import type { Family, Kept, KeptFamilies } from '@oat-crock/contract';
import type { Db } from './open.js';

interface Row {
  readonly version: number;
  readonly gone_ms: number | null;
  readonly body: string;
}

/** Records that may be changed, each over the version that was read. */
export interface KeptStore<T> {
  readonly all: () => Kept<T>[];
  readonly get: (id: string) => Kept<T> | null;
  /**
   * Writes a record over a version (0 = there is none yet), and brings back one that was taken away.
   * Null where another version stands there.
   */
  readonly save: (item: T, overVersion: number) => Kept<T> | null;
  /** Puts a record as it stood elsewhere, with its version, whatever stands here. */
  readonly put: (kept: Kept<T>) => void;
  /** Takes a record away over a version; null where another version stands there. */
  readonly remove: (id: string, overVersion: number, atMs: number) => Kept<T> | null;
}

/** The table of each family. */
export const TABLES: Readonly<Record<Family, string>> = {
  lots: 'lot',
  gear: 'gear',
  methods: 'own_method',
  orders: 'wanted_order',
  plannedBatches: 'planned_batch',
  supplies: 'supply',
};

export function keptStore<F extends Family>(db: Db, family: F): KeptStore<KeptFamilies[F]> {
  type T = KeptFamilies[F];
  const table = TABLES[family];
  const every = db.prepare<[], Row>(`SELECT version, gone_ms, body FROM ${table} ORDER BY id`);
  const one = db.prepare<[string], Row>(`SELECT version, gone_ms, body FROM ${table} WHERE id = ?`);
  const write = db.prepare<[string, number, number | null, string]>(
    `INSERT INTO ${table} (id, version, gone_ms, body) VALUES (?, ?, ?, ?)
     ON CONFLICT (id) DO UPDATE SET version = excluded.version, gone_ms = excluded.gone_ms, body = excluded.body`,
  );
  const toKept = (row: Row): Kept<T> => ({
    version: row.version,
    goneMs: row.gone_ms,
    item: JSON.parse(row.body) as T,
  });
  const get = (id: string) => {
    const row = one.get(id);
    return row ? toKept(row) : null;
  };
  const put = db.transaction((item: T, overVersion: number, goneMs: number | null): Kept<T> | null => {
    if ((get(item.id)?.version ?? 0) !== overVersion) return null;
    const version = overVersion + 1;
    write.run(item.id, version, goneMs, JSON.stringify(item));
    return { version, goneMs, item };
  });
  return {
    all: () => every.all().map(toKept),
    get,
    put: ({ item, version, goneMs }) => {
      write.run(item.id, version, goneMs, JSON.stringify(item));
    },
    save: (item, overVersion) => put(item, overVersion, null),
    remove: (id, overVersion, atMs) => {
      const now = get(id);
      return now && put(now.item, overVersion, atMs);
    },
  };
}
