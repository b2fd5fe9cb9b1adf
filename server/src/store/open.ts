import Database from 'better-sqlite3';
import { migrate } from './migrations.js';

export type Db = Database.Database;

/**
 * A write waits so long for another program that holds the file, ms, and everybody with it: then it is refused and sent again.
 * Reading never waits.
 */
const WAIT_MS = 200;

/** How a file is opened. */
export interface Connecting {
  readonly readonly?: boolean;
  /** How long a write waits for another program, ms: long only where nobody waits for the answer. */
  readonly waitMs?: number;
}

/** Opens a file as it is. Every acknowledged write is on disk: WAL with full synchronisation. */
export function connect(file: string, { readonly = false, waitMs = WAIT_MS }: Connecting = {}): Db {
  const db = new Database(file, { readonly, fileMustExist: readonly });
  try {
    db.pragma(`busy_timeout = ${waitMs}`);
    if (!readonly) {
      db.pragma('journal_mode = WAL');
      db.pragma('synchronous = FULL');
      db.pragma('foreign_keys = ON');
    }
    return db;
  } catch (error) {
    db.close();
    throw error;
  }
}

/**
 * Opens a file and brings it to the newest form.
 *
 * @param file path in a folder that is there, or ":memory:"
 */
export function openDb(file: string, how: Connecting = {}): Db {
  const db = connect(file, how);
  migrate(db);
  return db;
}
