import type { MakesAsked, MakesFound, MakesSortedBy, PastMakes, StoredEntry } from '@oat-crock/contract';
import {
  finishedStockOf,
  makeLineOf,
  movedIn,
  plainWords,
  receiverId,
  replay,
  type Batch,
  type Entry,
  type MakeLine,
} from '@oat-crock/core';
import type { EntryStore } from './entries.js';
import type { Db } from './open.js';

/** Names how lines are worked out: raised whenever that changes, so that those of an older form are worked out anew. */
const FORM = '2';

/** Of so many of the newest deliveries by makes that a page is not told of it is told the sum. */
const NEWEST_DELIVERED = 200;

/** So many of the newest makes a page is told whole, whatever became of them. */
const NEWEST = 40;

/** What the ledger knows of every make: worked out from the log, found by its words, sorted by its figures. */
export interface MakeStore {
  /** Reads some makes again, as their logs stand. */
  readonly refresh: (batchIds: Iterable<string>) => void;
  /** Reads again what was not read as it stands, all of it where the form is another; how many makes that were. */
  readonly catchUp: () => number;
  readonly find: (asked: MakesAsked) => MakesFound;
  /** Some makes, the newest first. */
  readonly linesOf: (batchIds: readonly string[]) => readonly MakeLine[];
  /** What a page is told whole: all that is on, here or held, and the newest of the rest. */
  readonly present: () => readonly string[];
  /** Every make, in order of its begin. */
  readonly inOrder: () => readonly string[];
  /** Makes that are on, and when the oldest of them was begun; null where none is. */
  readonly live: () => readonly string[];
  readonly liveSinceMs: () => number | null;
  /** How many others there are, what they took out of lots that are here, since those were counted, and what of them was delivered. */
  readonly past: () => PastMakes;
  /** Makes that took of a lot or a piece of gear, or of which somebody got some. */
  readonly ofThing: (thingId: string) => readonly string[];
  /** Lots and gear that went into a make. */
  readonly madeOf: (batchId: string) => readonly string[];
}

/** How a thing is linked with a make: taken of, made in it, who got some, or what it was handed over for. */
type LinkWay = 'lot' | 'gear' | 'receiver' | 'order';

/** @param wordsOf everything a make is to be found by, in the words of whoever looks for it */
export function makeStore(db: Db, entries: EntryStore, wordsOf: (batch: Batch, line: MakeLine) => string): MakeStore {
  const rowOf = db.prepare<[string], { row: number }>('SELECT row FROM make WHERE batch_id = ?');
  const write = db.prepare(
    `INSERT INTO make (batch_id, of_seq, form, state, method_id, name_key, started_ms, ended_ms, made_g, here_g, use_by, taste, line)
     VALUES (@batchId, @ofSeq, @form, @state, @methodId, @nameKey, @startedMs, @endedMs, @madeG, @hereG, @useBy,
       @taste, @line)
     ON CONFLICT (batch_id) DO UPDATE SET of_seq = @ofSeq, form = @form, state = @state, method_id = @methodId,
       name_key = @nameKey, started_ms = @startedMs, ended_ms = @endedMs, made_g = @madeG, here_g = @hereG,
       use_by = @useBy, taste = @taste, line = @line`,
  );
  const dropWords = db.prepare<[number]>('DELETE FROM make_words WHERE rowid = ?');
  const writeWords = db.prepare<[number, string]>('INSERT INTO make_words (rowid, words) VALUES (?, ?)');
  const dropLinks = db.prepare<[string]>('DELETE FROM make_link WHERE batch_id = ?');
  const writeLink = db.prepare<[string, string, LinkWay, number | null, number | null]>(
    `INSERT INTO make_link (batch_id, thing_id, way, amount_g, at_ms) VALUES (?, ?, ?, ?, ?) ON CONFLICT (batch_id, thing_id)
     DO UPDATE SET amount_g = amount_g + excluded.amount_g, at_ms = max(at_ms, excluded.at_ms)`,
  );
  const behind = db.prepare<[string], { batch_id: string }>(
    `SELECT log.batch_id FROM (SELECT batch_id, max(seq) AS seq FROM entry WHERE source = 'hand' GROUP BY batch_id) AS log
     LEFT JOIN make ON make.batch_id = log.batch_id
     WHERE make.of_seq IS NOT log.seq OR make.form IS NOT ?`,
  );
  const someLines = db.prepare<[string], { line: string }>(
    'SELECT line FROM make WHERE batch_id IN (SELECT value FROM json_each(?)) ORDER BY started_ms DESC',
  );
  const present = db.prepare<[], { batch_id: string }>(
    `SELECT batch_id FROM make WHERE state IN ('on', 'here', 'held')
     UNION SELECT batch_id FROM (SELECT batch_id FROM make ORDER BY started_ms DESC LIMIT ${NEWEST})`,
  );
  const inOrder = db.prepare<[], { batch_id: string }>('SELECT batch_id FROM make ORDER BY started_ms, batch_id');
  const live = db.prepare<[], { batch_id: string; started_ms: number }>(
    'SELECT batch_id, started_ms FROM make WHERE ended_ms IS NULL ORDER BY started_ms',
  );
  const all = db.prepare<[], { n: number }>('SELECT count(*) AS n FROM make');
  const pastTaken = db.prepare<[string], { lotId: string; massG: number; atMs: number }>(
    `SELECT thing_id AS lotId, sum(amount_g) AS massG, max(at_ms) AS atMs
     FROM make_link JOIN lot ON lot.id = thing_id
     WHERE way = 'lot' AND lot.gone_ms IS NULL AND at_ms >= json_extract(lot.body, '$.countedMs')
     AND batch_id NOT IN (SELECT value FROM json_each(?)) GROUP BY thing_id`,
  );
  const pastDelivered = db.prepare<[string], { occurrenceId: string; massG: number }>(
    `SELECT thing_id AS occurrenceId, sum(amount_g) AS massG FROM make_link
     WHERE way = 'order' AND batch_id NOT IN (SELECT value FROM json_each(?))
     GROUP BY thing_id ORDER BY max(at_ms) DESC LIMIT ${NEWEST_DELIVERED}`,
  );
  const ofThing = db.prepare<[string], { batch_id: string }>('SELECT batch_id FROM make_link WHERE thing_id = ?');
  const madeOf = db.prepare<[string], { thing_id: string }>(
    `SELECT thing_id FROM make_link WHERE batch_id = ? AND way IN ('lot', 'gear')`,
  );

  const readOne = (batchId: string) => {
    const log = entries.ofBatch(batchId, 'none');
    const read = lineIn(log);
    if (!read) return;
    const { batch, line } = read;
    write.run({
      batchId,
      ofSeq: log.at(-1)!.seq,
      form: FORM,
      state: line.state,
      methodId: line.methodId,
      nameKey: plainWords(line.name),
      startedMs: line.startedMs,
      endedMs: line.endedMs,
      madeG: line.madeG,
      hereG: line.hereG,
      useBy: line.useBy,
      taste: line.score?.taste ?? null,
      line: JSON.stringify(line),
    });
    const { row } = rowOf.get(batchId)!;
    dropWords.run(row);
    writeWords.run(row, wordsOf(batch, line));
    dropLinks.run(batchId);
    for (const { lotId, massG, atMs } of batch.taken) writeLink.run(batchId, lotId, 'lot', massG, atMs);
    for (const id of batch.gear) writeLink.run(batchId, id, 'gear', null, null);
    const stock = finishedStockOf(batch);
    for (const m of batch.movements) {
      if (m.is !== 'issued' || !stock) continue;
      const massG = movedIn(stock.unit, m) * stock.eachG;
      if (m.to) writeLink.run(batchId, receiverId(m.to), 'receiver', massG, m.atMs);
      if (m.occurrenceId) writeLink.run(batchId, m.occurrenceId, 'order', massG, m.atMs);
    }
  };
  const refresh = db.transaction((batchIds: Iterable<string>) => {
    for (const id of new Set(batchIds)) readOne(id);
  });

  return {
    refresh,
    catchUp: () => {
      const late = behind.all(FORM).map((row) => row.batch_id);
      refresh(late);
      return late.length;
    },
    find: (asked) => {
      const { where, values } = whereOf(asked);
      const order = orderOf(asked);
      const { n: found } = db
        .prepare<unknown[], { n: number }>(`SELECT count(*) AS n FROM make ${where}`)
        .get(...values)!;
      const lines = db
        .prepare<unknown[], { line: string }>(
          `SELECT line FROM make WHERE row IN (SELECT row FROM make ${where} ORDER BY ${order} LIMIT ? OFFSET ?) ORDER BY ${order}`,
        )
        .all(...values, asked.take, asked.skip);
      return { found, all: all.get()!.n, makes: lines.map(({ line }) => JSON.parse(line) as MakeLine) };
    },
    linesOf: (batchIds) => someLines.all(JSON.stringify(batchIds)).map(({ line }) => JSON.parse(line) as MakeLine),
    present: () => present.all().map((row) => row.batch_id),
    inOrder: () => inOrder.all().map((row) => row.batch_id),
    live: () => live.all().map((row) => row.batch_id),
    liveSinceMs: () => live.get()?.started_ms ?? null,
    past: () => {
      const told = present.all().map((row) => row.batch_id);
      const among = JSON.stringify(told);
      return {
        count: all.get()!.n - told.length,
        taken: pastTaken.all(among),
        delivered: pastDelivered.all(among),
      };
    },
    ofThing: (thingId) => ofThing.all(thingId).map((row) => row.batch_id),
    madeOf: (batchId) => madeOf.all(batchId).map((row) => row.thing_id),
  };
}

/** A log of which the ledger is told whenever something is written by hand, in the same transaction. */
export function followedBy(db: Db, entries: EntryStore, makes: MakeStore): EntryStore {
  const append = db.transaction((sent: readonly Entry[]) => {
    const written = entries.append(sent);
    makes.refresh(written.fresh.flatMap(({ source, batchId }) => (source === 'hand' ? [batchId] : [])));
    return written;
  });
  return { ...entries, append };
}

/** A make as its log tells it; null where that tells none, or cannot be read: one bad record keeps no other from the ledger. */
function lineIn(log: readonly StoredEntry[]): { readonly batch: Batch; readonly line: MakeLine } | null {
  try {
    const batch = replay(log);
    return batch && { batch, line: makeLineOf(batch) };
  } catch {
    return null;
  }
}

/** The condition of what is asked for, and what stands in it. */
function whereOf({ find, states, methodId, fromMs, untilMs, taste }: MakesAsked): {
  readonly where: string;
  readonly values: readonly unknown[];
} {
  const words = wordsIn(find);
  const conditions: readonly (readonly [string, unknown] | null)[] = [
    words.length > 0
      ? ['row IN (SELECT rowid FROM make_words WHERE make_words MATCH ?)', words.map((w) => `"${w}"*`).join(' ')]
      : null,
    states.length > 0 ? ['state IN (SELECT value FROM json_each(?))', JSON.stringify(states)] : null,
    methodId === null ? null : ['method_id = ?', methodId],
    fromMs === null ? null : ['started_ms >= ?', fromMs],
    untilMs === null ? null : ['started_ms < ?', untilMs],
    taste === null ? null : ['taste >= ?', taste],
  ];
  const wanted = conditions.filter((c) => c !== null);
  return {
    where: wanted.length > 0 ? `WHERE ${wanted.map(([sql]) => sql).join(' AND ')}` : '',
    values: wanted.map(([, value]) => value),
  };
}

/** Words as the index takes a text apart: letters and figures, all else between them. */
const wordsIn = (text: string): readonly string[] => plainWords(text).match(/[\p{L}\p{N}]+/gu) ?? [];

const SORTED_BY: Readonly<Record<MakesSortedBy, string>> = {
  started: 'started_ms',
  name: 'name_key',
  made: 'made_g',
  here: 'here_g',
  useBy: 'use_by',
  taste: 'taste',
};

/** What has no such figure stands last, whichever way; makes of one figure by when they were begun. */
function orderOf({ sort, descending }: MakesAsked): string {
  if (sort === 'started') return descending ? 'started_ms DESC' : 'started_ms ASC';
  const by = SORTED_BY[sort];
  return `${by} IS NULL, ${by} ${descending ? 'DESC' : 'ASC'}, started_ms DESC, batch_id`;
}
