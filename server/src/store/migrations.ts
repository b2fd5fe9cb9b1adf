import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { hashOf } from '../access/secrets.js';
import type { Db } from './open.js';

const FOLDER = join(dirname(fileURLToPath(import.meta.url)), '..', '..', 'migrations');

/** The numbered migrations, in order. */
const MIGRATIONS = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.sql'))
  .sort()
  .map((name) => ({ number: Number.parseInt(name, 10), path: join(FOLDER, name) }));

/** The form of file that this server writes. */
export const NEWEST_FORM = MIGRATIONS.at(-1)!.number;

/** The form of an open file; 0 where nothing was ever written into it. */
export const formOf = (db: Db): number => db.pragma('user_version', { simple: true }) as number;

/**
 * Applies the migrations that a file has not seen, each in one transaction: one that is broken off is begun anew next time.
 *
 * @param until the form to bring it to
 */
export function migrate(db: Db, until = NEWEST_FORM): void {
  const form = formOf(db);
  // SQLite has no hash of its own.
  db.function('hash_of', { deterministic: true }, (secret) => hashOf(String(secret)));
  for (const { number, path } of MIGRATIONS.filter((m) => m.number > form && m.number <= until)) {
    db.transaction(() => {
      db.exec(readFileSync(path, 'utf8'));
      db.pragma(`user_version = ${number}`);
    })();
  }
}
