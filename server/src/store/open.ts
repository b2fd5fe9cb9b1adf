import Database from 'better-sqlite3';
import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export type Db = Database.Database;

const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), '..', '..', 'migrations');

/**
 * Opens the database, making the file and its folder where missing, and brings it to the newest form.
 * Every acknowledged write is on disk: WAL with full synchronisation.
 *
 * @param file path, or ":memory:"
 */
export function openDb(file: string): Db {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  const db = new Database(file);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 4000');
  migrate(db);
  return db;
}

/** Applies the numbered migrations that the file has not seen, each in one transaction. */
function migrate(db: Db): void {
  const done = db.pragma('user_version', { simple: true }) as number;
  const files = readdirSync(MIGRATIONS)
    .filter((name) => name.endsWith('.sql'))
    .sort();
  for (const name of files) {
    const number = Number.parseInt(name, 10);
    if (number <= done) continue;
    db.transaction(() => {
      db.exec(readFileSync(join(MIGRATIONS, name), 'utf8'));
      db.pragma(`user_version = ${number}`);
    })();
  }
}
