import {
  check,
  gearSchema,
  InputRefused,
  lotSchema,
  methodSchema,
  orderSchema,
  plannedBatchSchema,
  supplySchema,
  type Family,
  type Kept,
  type KeptFamilies,
  type OddRecord,
} from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import type Joi from 'joi';
import type { Db } from './open.js';

interface Row {
  readonly id: string;
  readonly version: number;
  readonly gone_ms: number | null;
  readonly body: string;
}

/** Records that may be changed, each over the version that was read. */
export interface KeptStore<T> {
  /** Every record that is as it would be written today, those that were taken away among them. */
  readonly all: () => Kept<T>[];
  /** Those that are not: an older version, or another program, wrote them. */
  readonly odd: () => OddRecord[];
  readonly isOdd: (id: string) => boolean;
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

/** What a record of each family must be. */
export const RECORD_SCHEMAS: Readonly<Record<Family, Joi.Schema>> = {
  lots: lotSchema,
  gear: gearSchema,
  methods: methodSchema,
  orders: orderSchema,
  plannedBatches: plannedBatchSchema,
  supplies: supplySchema,
};

/** What is wrong with a record; null where nothing is. */
function wrongWith(family: Family, item: unknown): Pick<OddRecord, 'field' | 'message'> | null {
  try {
    check(RECORD_SCHEMAS[family], item);
    return null;
  } catch (error) {
    const [first] = error instanceof InputRefused ? error.errors : [];
    return first ?? { field: '', message: say('safe.check.unreadable') };
  }
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
  const every = db.prepare<[], Row>(`SELECT id, version, gone_ms, body FROM ${table} ORDER BY id`);
  const one = db.prepare<[string], Row>(`SELECT id, version, gone_ms, body FROM ${table} WHERE id = ?`);
  const write = db.prepare<[string, number, number | null, string]>(
    `INSERT INTO ${table} (id, version, gone_ms, body) VALUES (?, ?, ?, ?)
     ON CONFLICT (id) DO UPDATE SET version = excluded.version, gone_ms = excluded.gone_ms, body = excluded.body`,
  );
  const toKept = (row: Row): Kept<T> => ({
    version: row.version,
    goneMs: row.gone_ms,
    item: JSON.parse(row.body) as T,
  });
  /** What was found wrong with each record, by its id, as it was in a version. */
  const looked = new Map<string, { readonly version: number; readonly wrong: ReturnType<typeof wrongWith> }>();
  const wrongOf = (id: string, { version, item }: Kept<T>) => {
    const known = looked.get(id);
    if (known?.version === version) return known.wrong;
    const wrong = wrongWith(family, item);
    looked.set(id, { version, wrong });
    return wrong;
  };
  const rows = () => every.all().map((row) => ({ id: row.id, kept: toKept(row) }));
  const get = (id: string) => {
    const row = one.get(id);
    return row ? toKept(row) : null;
  };
  const put = db.transaction(
    (item: T & { readonly id: string }, overVersion: number, goneMs: number | null): Kept<T> | null => {
      if ((get(item.id)?.version ?? 0) !== overVersion) return null;
      const version = overVersion + 1;
      write.run(item.id, version, goneMs, JSON.stringify(item));
      return { version, goneMs, item };
    },
  );
  return {
    all: () => rows().flatMap(({ id, kept }) => (wrongOf(id, kept) ? [] : [kept])),
    odd: () =>
      rows().flatMap(({ id, kept }): OddRecord[] => {
        const wrong = kept.goneMs === null ? wrongOf(id, kept) : null;
        const { name } = kept.item as { readonly name?: unknown };
        return wrong
          ? [{ family, id, version: kept.version, name: typeof name === 'string' ? name : '', ...wrong }]
          : [];
      }),
    isOdd: (id) => {
      const kept = get(id);
      return kept !== null && wrongOf(id, kept) !== null;
    },
    get,
    put: ({ item, version, goneMs }) => {
      write.run(item.id, version, goneMs, JSON.stringify(item));
    },
    save: (item, overVersion) => put(item, overVersion, null),
    remove: (id, overVersion, atMs) => {
      const now = get(id);
      // By the id it stands under: what it says of itself may be anything.
      return now && put({ ...now.item, id }, overVersion, atMs);
    },
  };
}
