import type { WatchedInLine } from '@oat-crock/contract/api';
import { NOTHING_LEARNED, type Pooled, type TaughtByMake } from '@oat-crock/core';
import type { Db } from './open.js';

/** What a make taught, the line of the culture that soured it and in which generation that was. */
export interface TaughtInLine extends TaughtByMake {
  readonly line: string | null;
  readonly generation: number;
}

/** What all makes together come to. */
export interface LearnedBody {
  readonly pooled: Pooled;
  readonly watched: readonly WatchedInLine[];
  /** Ids of the makes that lessons of each owner are from, the newest first; what was kept before they were told has none. */
  readonly from?: Readonly<Record<string, readonly string[]>>;
}

/** What finished makes taught: worked out from the log, kept so that nobody waits for it. */
export interface LessonStore {
  /** What a make taught, if that was worked out by this engine from this much of its log; else null. */
  readonly of: (batchId: string, ofSeq: number, engine: string) => TaughtInLine | null;
  /** Whether any make that is over has not taught this engine as its log stands. */
  readonly anyDue: (engine: string) => boolean;
  readonly keep: (taught: TaughtInLine, ofSeq: number, engine: string) => void;
  readonly learned: () => LearnedBody;
  /** Keeps what all makes come to; whether that is something else than before. */
  readonly keepLearned: (learned: LearnedBody) => boolean;
}

export function lessonStore(db: Db): LessonStore {
  const get = db.prepare<[string, number, string], { body: string }>(
    'SELECT body FROM lesson WHERE batch_id = ? AND of_seq = ? AND engine = ?',
  );
  const due = db.prepare<[string], { due: number }>(
    `SELECT EXISTS (
       SELECT 1 FROM entry AS ended
       WHERE json_extract(ended.body, '$.type') IN ('finished', 'discarded')
       AND json_extract(ended.body, '$.type') = 'finished'
       AND NOT EXISTS (
         SELECT 1 FROM lesson WHERE lesson.batch_id = ended.batch_id AND lesson.engine = ? AND lesson.of_seq =
           (SELECT max(seq) FROM entry AS line WHERE line.source = 'hand' AND line.batch_id = ended.batch_id)
       )
     ) AS due`,
  );
  const write = db.prepare<[string, number, string, string]>(
    'INSERT OR REPLACE INTO lesson (batch_id, of_seq, engine, body) VALUES (?, ?, ?, ?)',
  );
  const getLearned = db.prepare<[], { body: string }>('SELECT body FROM learned');
  const writeLearned = db.prepare<[string]>('INSERT OR REPLACE INTO learned (only_row, body) VALUES (1, ?)');
  return {
    of: (batchId, ofSeq, engine) => {
      const row = get.get(batchId, ofSeq, engine);
      return row ? (JSON.parse(row.body) as TaughtInLine) : null;
    },
    anyDue: (engine) => due.get(engine)!.due === 1,
    keep: (taught, ofSeq, engine) => {
      write.run(taught.batchId, ofSeq, engine, JSON.stringify(taught));
    },
    learned: () => {
      const row = getLearned.get();
      return row ? (JSON.parse(row.body) as LearnedBody) : { pooled: NOTHING_LEARNED, watched: [] };
    },
    keepLearned: (learned) => {
      const body = JSON.stringify(learned);
      if (getLearned.get()?.body === body) return false;
      writeLearned.run(body);
      return true;
    },
  };
}
