import Database from 'better-sqlite3';
import { closeSync, fsyncSync, openSync, renameSync, rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { connect } from '../store/open.js';

/** All that SQLite copies at one go: with writers beside it, a copy by parts would be begun anew again and again. */
const ALL_PAGES = 0x7fff_ffff;

/**
 * Copies a database as it stands at one moment, by SQLite's own backup, while it is written to; the copy is one file by itself and
 * on disk when this is done. What is broken off leaves nothing under the new name.
 *
 * @param part a name beside the new one, under which it is written meanwhile
 */
export async function copyDatabase(from: string, part: string): Promise<void> {
  discard(part);
  const db = connect(from, { readonly: true, waitMs: 10_000 });
  try {
    await db.backup(part, { progress: () => ALL_PAGES });
  } finally {
    db.close();
  }
  const copy = new Database(part);
  copy.pragma('journal_mode = DELETE');
  copy.close();
  toDisk(part);
}

/** Gives a file that is whole its name, for good: the folder is on disk, too. */
export function settle(part: string, name: string): void {
  renameSync(part, name);
  toDisk(dirname(name));
}

/** Takes away what was begun, where anything was. */
export function discard(part: string): void {
  try {
    rmSync(part, { force: true });
  } catch {
    // Its folder is none, or cannot be written: then nothing was begun.
  }
}

function toDisk(path: string): void {
  const file = openSync(path, 'r');
  try {
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
}
