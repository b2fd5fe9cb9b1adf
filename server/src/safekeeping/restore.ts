import Database from 'better-sqlite3';
import { say } from '@oat-crock/core';
import { mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { connect } from '../store/open.js';
import { checkDairy, type DairyChecked } from './check.js';
import { copyDatabase, settle } from './copy.js';
import { takeAlone } from './lock.js';
import { CannotOpen, inWords, troubleWith } from './trouble.js';

/** What is to take whose place. */
export interface Restoring {
  /** A backup, or the data file of another machine. */
  readonly from: string;
  /** The data file whose place it takes. */
  readonly file: string;
  /** Whether it is taken although it is damaged. */
  readonly anyway?: boolean;
  readonly nowMs: number;
}

/** What was restored. */
export interface Restored {
  readonly checked: DairyChecked;
  /** Where what stood there before is now; null where nothing stood there. */
  readonly before: string | null;
}

/**
 * Puts a backup in the place of the data file, once it was read from end to end. What stood there is moved aside, not lost. Broken off
 * at any moment, the old file or the new one stands there, whole, or none does and the next start says so.
 *
 * @throws CannotOpen where a server has the file open, or the backup cannot be relied on; nothing was changed then
 */
export async function restore({ from, file, anyway = false, nowMs }: Restoring): Promise<Restored> {
  if (resolve(from) === resolve(file)) throw new CannotOpen(say('safe.restore.same'), say('safe.restore.nameBackup'));
  inWords(dirname(file), () => mkdirSync(dirname(file), { recursive: true }));
  const letGo = inWords(file, () => takeAlone(file));
  if (!letGo) throw new CannotOpen(say('safe.open.inUse', { file }), say('safe.restore.stopFirst'));
  try {
    inWords(from, () => statSync(from));
    const checked = checkDairy(from);
    if (checked.damage.length > 0 && !(anyway && checked.makes > 0))
      throw new CannotOpen(
        say('safe.restore.damaged', { file: from, what: checked.damage[0]! }),
        say('safe.restore.takeOlder'),
      );
    const part = `${file}.restoring`;
    try {
      await copyDatabase(from, part);
    } catch (error) {
      rmSync(part, { force: true });
      const trouble = troubleWith(file, error);
      throw trouble ? new CannotOpen(trouble.text, trouble.remedy) : error;
    }
    keepWhoMay(part, file);
    const before = inWords(file, () => moveAside(file, nowMs));
    inWords(file, () => settle(part, file));
    return { checked, before };
  } finally {
    letGo();
  }
}

/** What says who may use the dairy. */
const WHO_MAY = ['access', 'device', 'invitation'] as const;

/**
 * Who may use the dairy is not set back to what it was, as far as what stands there can be read: whoever was shut out since stays out,
 * and a passphrase that was changed stays changed.
 */
function keepWhoMay(part: string, file: string): void {
  if (!statSync(file, { throwIfNoEntry: false })) return;
  const db = new Database(part);
  try {
    db.prepare('ATTACH ? AS now').run(file);
    db.transaction(() => {
      for (const table of WHO_MAY) db.exec(`DELETE FROM ${table}; INSERT INTO ${table} SELECT * FROM now.${table}`);
    })();
  } catch {
    // One of the two is damaged, or of a form that knows nothing of it: then it stands as it does in the backup.
  } finally {
    db.close();
  }
}

/**
 * Moves a data file aside, with what stands beside it. Lines that are still in its write-ahead log are folded in first: a log that
 * was left behind would be taken for that of the file that comes.
 */
function moveAside(file: string, nowMs: number): string | null {
  if (!statSync(file, { throwIfNoEntry: false })) {
    for (const end of ['-wal', '-shm']) rmSync(`${file}${end}`, { force: true });
    return null;
  }
  try {
    const db = connect(file);
    db.pragma('wal_checkpoint(TRUNCATE)');
    db.close();
  } catch {
    // A file that cannot be opened is moved as it is, with its log.
  }
  const moment = new Date(nowMs).toISOString().slice(0, 19).replaceAll(':', '-');
  const aside = `${file.replace(/\.sqlite$/, '')}-before-restore-${moment}Z.sqlite`;
  for (const end of ['-wal', '-shm', ''])
    if (statSync(`${file}${end}`, { throwIfNoEntry: false })) renameSync(`${file}${end}`, `${aside}${end}`);
  return aside;
}
