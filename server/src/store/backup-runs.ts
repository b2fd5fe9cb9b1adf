import type { BackupRun, BackupWhy } from '@oat-crock/contract';
import type { Db } from './open.js';

/** What came of backups. */
export interface BackupRunStore {
  readonly newest: () => BackupRun | null;
  /** Those of the last year or so, the newest first. */
  readonly all: () => BackupRun[];
  readonly keep: (run: BackupRun) => void;
}

const KEPT = 400;

interface Row {
  readonly atMs: number;
  readonly why: BackupWhy;
  readonly name: string | null;
  readonly bytes: number;
  readonly makes: number;
  readonly lines: number;
  readonly wrong: string;
}

export function backupRunStore(db: Db): BackupRunStore {
  const newest = db.prepare<[number], Row>(
    `SELECT at_ms AS atMs, why, name, bytes, makes, lines, wrong FROM backup_run ORDER BY at_ms DESC LIMIT ?`,
  );
  const insert = db.prepare(
    `INSERT INTO backup_run (at_ms, why, name, bytes, makes, lines, wrong)
     VALUES (@atMs, @why, @name, @bytes, @makes, @lines, @wrong)
     ON CONFLICT (at_ms) DO UPDATE SET why = @why, name = @name, bytes = @bytes, makes = @makes, lines = @lines, wrong = @wrong`,
  );
  const prune = db.prepare<[number]>(
    'DELETE FROM backup_run WHERE at_ms NOT IN (SELECT at_ms FROM backup_run ORDER BY at_ms DESC LIMIT ?)',
  );
  const all = (count: number) =>
    newest.all(count).map((row): BackupRun => ({ ...row, wrong: JSON.parse(row.wrong) as BackupRun['wrong'] }));
  return {
    newest: () => all(1)[0] ?? null,
    all: () => all(KEPT),
    keep: db.transaction((run: BackupRun) => {
      insert.run({ ...run, wrong: JSON.stringify(run.wrong) });
      prune.run(KEPT);
    }),
  };
}
