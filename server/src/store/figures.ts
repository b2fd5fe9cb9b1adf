import type { MadeFigures } from '@oat-crock/contract';
import { type MakeFigures, type MakeLine, MOST_LOOKED_AT, type ScoredWindow } from '@oat-crock/core';
import type { Db } from './open.js';

/** What a make comes to, and the line of the culture that soured it; no figures where it cannot be followed. */
export interface Reckoned {
  readonly figures: MakeFigures | null;
  readonly line: string | null;
}

/** What finished makes come to: worked out from the log, kept so that nobody waits for it. */
export interface FigureStore {
  readonly has: (batchId: string, ofSeq: number, engine: string) => boolean;
  readonly keep: (batchId: string, ofSeq: number, engine: string, reckoned: Reckoned) => void;
  /** The newest makes of a method, as many as are looked at, in order of their begin: each with its line of the ledger and what it comes to. */
  readonly ofMethod: (methodId: string) => readonly MadeFigures[];
  readonly ofMakes: (batchIds: readonly string[]) => readonly MadeFigures[];
  /** Every window that was given, with the method of its make. */
  readonly windows: () => readonly ScoredWindow[];
  /** How many finished makes have not been worked out yet as their logs stand; by some engine, where that matters. */
  readonly waiting: (engine?: string) => number;
  /** How many makes of each method have figures, those with most first. */
  readonly methods: () => readonly { readonly methodId: string; readonly makes: number }[];
}

export function figureStore(db: Db): FigureStore {
  const one = db.prepare<[string, number, string], { yes: number }>(
    'SELECT 1 AS yes FROM make_figures WHERE batch_id = ? AND of_seq = ? AND engine = ?',
  );
  const write = db.prepare<[string, number, string, string]>(
    'INSERT OR REPLACE INTO make_figures (batch_id, of_seq, engine, body) VALUES (?, ?, ?, ?)',
  );
  // The plus keeps SQLite from going through all that were followed: a method's newest come by their own index.
  const SELECTED = `SELECT make.line AS made, json_remove(make_figures.body, '$.figures.given') AS body
    FROM make JOIN make_figures USING (batch_id) WHERE +is_followed = 1 AND`;
  const ofMethod = db.prepare<[string], FigureRow>(
    `${SELECTED} make.method_id = ? ORDER BY make.started_ms DESC LIMIT ${MOST_LOOKED_AT}`,
  );
  const ofMakes = db.prepare<[string], FigureRow>(
    `${SELECTED} batch_id IN (SELECT value FROM json_each(?)) ORDER BY make.started_ms`,
  );
  const windows = db.prepare<[], { method_id: string; batch_id: string; given: string }>(
    `SELECT make.method_id, batch_id, json_extract(make_figures.body, '$.figures.given') AS given
     FROM make JOIN make_figures USING (batch_id) WHERE windows > 0
     ORDER BY make.started_ms, batch_id`,
  );
  const methods = db.prepare<[], { methodId: string; makes: number }>(
    `SELECT make.method_id AS methodId, count(*) AS makes FROM make JOIN make_figures USING (batch_id)
     WHERE is_followed = 1 GROUP BY make.method_id ORDER BY makes DESC, methodId`,
  );
  const waiting = db.prepare<[string | null, string | null], { n: number }>(
    `SELECT count(*) AS n FROM make WHERE made_g > 0 AND NOT EXISTS
       (SELECT 1 FROM make_figures AS f WHERE f.batch_id = make.batch_id AND f.of_seq = make.of_seq
        AND (f.engine = ? OR ? IS NULL))`,
  );
  return {
    has: (batchId, ofSeq, engine) => one.get(batchId, ofSeq, engine) !== undefined,
    keep: (batchId, ofSeq, engine, reckoned) => {
      write.run(batchId, ofSeq, engine, JSON.stringify(reckoned));
    },
    ofMethod: (methodId) => ofMethod.all(methodId).map(toFigures).reverse(),
    ofMakes: (batchIds) => ofMakes.all(JSON.stringify(batchIds)).map(toFigures),
    windows: () =>
      windows.all().flatMap(({ method_id, batch_id, given }) =>
        (JSON.parse(given) as MakeFigures['given']).map((window) => ({
          ...{ methodId: method_id, batchId: batch_id },
          ...window,
        })),
      ),
    waiting: (engine) => waiting.get(engine ?? null, engine ?? null)!.n,
    methods: () => methods.all(),
  };
}

interface FigureRow {
  readonly made: string;
  readonly body: string;
}

function toFigures({ made, body }: FigureRow): MadeFigures {
  const { figures, line } = JSON.parse(body) as { figures: Omit<MakeFigures, 'given'>; line: string | null };
  return { make: JSON.parse(made) as MakeLine, line, figures };
}
