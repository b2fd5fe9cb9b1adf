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
  return {
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
