import type { RoomReading } from '@oat-crock/core';
import type { Db } from './open.js';

interface Row {
  readonly at_ms: number;
  readonly temp_c: number;
}

/** What loggers have read of the room. */
export interface RoomStore {
  readonly keep: (source: string, reading: RoomReading) => void;
  /** Readings from one moment to another, in order of time. */
  readonly between: (fromMs: number, untilMs: number) => RoomReading[];
  readonly count: () => number;
  /** Everything that was kept, so many at a time, in order of time. */
  readonly pages: (size: number) => Iterable<readonly ({ readonly source: string } & RoomReading)[]>;
  /** What was kept of a logger at just a moment. */
  readonly at: (source: string, atMs: number) => number | null;
  /** What was kept of a logger next before (or at) and next after a moment. */
  readonly besides: (source: string, atMs: number) => readonly [RoomReading | null, RoomReading | null];
}

export function roomStore(db: Db): RoomStore {
  const insert = db.prepare<[number, string, number]>(
    'INSERT INTO room_reading (at_ms, source, temp_c) VALUES (?, ?, ?) ON CONFLICT DO NOTHING',
  );
  const between = db.prepare<[number, number], Row>(
    'SELECT at_ms, temp_c FROM room_reading WHERE at_ms BETWEEN ? AND ? ORDER BY at_ms',
  );
  const before = db.prepare<[string, number], Row>(
    'SELECT at_ms, temp_c FROM room_reading WHERE source = ? AND at_ms <= ? ORDER BY at_ms DESC LIMIT 1',
  );
  const after = db.prepare<[string, number], Row>(
    'SELECT at_ms, temp_c FROM room_reading WHERE source = ? AND at_ms > ? ORDER BY at_ms LIMIT 1',
  );
  const count = db.prepare<[], { n: number }>('SELECT count(*) AS n FROM room_reading');
  const page = db.prepare<[number, string, number], Row & { source: string }>(
    'SELECT at_ms, source, temp_c FROM room_reading WHERE (at_ms, source) > (?, ?) ORDER BY at_ms, source LIMIT ?',
  );
  const at = db.prepare<[string, number], { temp_c: number }>(
    'SELECT temp_c FROM room_reading WHERE source = ? AND at_ms = ?',
  );
  return {
    count: () => count.get()!.n,
    *pages(size) {
      for (let from: readonly [number, string] = [-1, '']; ;) {
        const rows = page.all(...from, size);
        if (rows.length === 0) return;
        yield rows.map((row) => ({ ...toReading(row), source: row.source }));
        from = [rows.at(-1)!.at_ms, rows.at(-1)!.source];
      }
    },
    at: (source, atMs) => at.get(source, atMs)?.temp_c ?? null,
    keep: (source, { atMs, tempC }) => {
      insert.run(atMs, source, tempC);
    },
    between: (fromMs, untilMs) => between.all(fromMs, untilMs).map(toReading),
    besides: (source, atMs) => {
      const [earlier, later] = [before.get(source, atMs), after.get(source, atMs)];
      return [earlier ? toReading(earlier) : null, later ? toReading(later) : null];
    },
  };
}

function toReading({ at_ms: atMs, temp_c: tempC }: Row): RoomReading {
  return { atMs, tempC };
}
