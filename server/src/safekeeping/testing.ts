import Database from 'better-sqlite3';
import type { Entry } from '@oat-crock/core';
import { closeSync, mkdtempSync, openSync, statSync, truncateSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { migrate } from '../store/migrations.js';
import { openDb } from '../store/open.js';
import { entryOf, startOf } from '../testing/kitchen.js';

/** A new folder for a test, and the data file in it. */
export function freshFolder(): { readonly at: string; readonly file: string; readonly folder: string } {
  const at = mkdtempSync(join(tmpdir(), 'oat-crock-'));
  return { at, file: join(at, 'dairy.sqlite'), folder: join(at, 'backups') };
}

const BATCH = '01J00000000000000000000001';

/** Writes a dairy with one make and so many notes into a file, in an older form where one is given. */
export function writeDairy(file: string, notes: number, form?: number): readonly Entry[] {
  const db = form === undefined ? openDb(file) : new Database(file);
  if (form !== undefined) migrate(db, form);
  const lines = [startOf(BATCH), ...Array.from({ length: notes }, (_, i) => noteOf(i))];
  // What every form has: an older one knows no more of a line.
  const write = db.prepare('INSERT INTO entry (id, batch_id, at_ms, source, body) VALUES (?, ?, ?, ?, ?)');
  db.transaction(() => {
    for (const { id, batchId, atMs, source, body } of lines) write.run(id, batchId, atMs, source, JSON.stringify(body));
  })();
  db.close();
  return lines;
}

export const noteOf = (i: number) => entryOf(BATCH, { type: 'note', text: `note ${i} ${'.'.repeat(200)}` });

/** The lines of a file's log. */
export function linesOf(file: string): readonly string[] {
  const db = new Database(file, { readonly: true });
  const ids = db.prepare<[], { id: string }>('SELECT id FROM entry ORDER BY seq').all();
  db.close();
  return ids.map(({ id }) => id);
}

/** Overwrites a part of a file with zeros, as a failing disk does. */
export function zero(file: string, from: number, bytes: number): void {
  const handle = openSync(file, 'r+');
  writeSync(handle, Buffer.alloc(bytes), 0, bytes, from);
  closeSync(handle);
}

/** Cuts a file to a share of its length. */
export const cutTo = (file: string, share: number): void => truncateSync(file, Math.floor(statSync(file).size * share));
