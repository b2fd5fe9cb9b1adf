import type { Zone } from '@oat-crock/calendar';
import { say } from '@oat-crock/core';
import { accessSync, constants, mkdirSync, rmSync, statSync, type Stats } from 'node:fs';
import { dirname } from 'node:path';
import { formOf, NEWEST_FORM } from '../store/migrations.js';
import { connect, openDb, type Db } from '../store/open.js';
import { backUp } from './back-up.js';
import { isDairy } from './check.js';
import { settle } from './copy.js';
import { backupsIn } from './folder.js';
import { takeAlone, type LetGo } from './lock.js';
import { CannotOpen, inWords } from './trouble.js';

/** How a dairy is opened. */
export interface Opening {
  readonly file: string;
  /** The folder of its backups. */
  readonly folder: string;
  /** Whether an empty dairy may be begun although backups of one are there. */
  readonly anew?: boolean;
  readonly nowMs: number;
  readonly zone: Zone;
}

/** A dairy's data, open to this process alone. */
export interface OpenDairy {
  readonly db: Db;
  /** To be called once the database is closed. */
  readonly letGo: LetGo;
}

/**
 * Opens a dairy's data file, or begins one: takes it for this server alone, looks whether it is whole, and brings it to the newest
 * form after a backup of how it was. An empty dairy is never begun in the place of one that was there.
 *
 * @throws CannotOpen with what hinders it, and the way out, in words; nothing was changed then
 */
export async function openDairy(opening: Opening): Promise<OpenDairy> {
  const { file } = opening;
  inWords(dirname(file), () => mkdirSync(dirname(file), { recursive: true }));
  const letGo = inWords(file, () => takeAlone(file));
  if (!letGo) throw new CannotOpen(say('safe.open.inUse', { file }), say('safe.open.closeOrOther'));
  try {
    const there = inWords(file, () => statSync(file, { throwIfNoEntry: false }));
    if (there) await lookAt(opening, there);
    else inWords(file, () => begin(opening));
    return { db: inWords(file, () => openDb(file)), letGo };
  } catch (error) {
    letGo();
    throw error;
  }
}

/** Begins an empty dairy: under its name it is there whole, or not at all. */
function begin({ file, folder, anew = false }: Opening): void {
  const [newest] = backupsIn(folder, file);
  if (newest && !anew)
    throw new CannotOpen(
      say('safe.open.isGone', { file, folder }),
      say('safe.open.restoreOrAnew', { newest: newest.name }),
    );
  const beside = statSync(`${file}-wal`, { throwIfNoEntry: false });
  if (beside && beside.size > 0) throw new CannotOpen(say('safe.open.walOnly', { file }), say('safe.open.putBack'));
  const fresh = `${file}.new`;
  for (const end of ['', '-wal', '-shm']) rmSync(`${fresh}${end}`, { force: true });
  openDb(fresh).close();
  settle(fresh, file);
}

/** Looks whether a file that is there can be opened; where it will be brought to a newer form, it is backed up before. */
async function lookAt({ file, folder, nowMs, zone }: Opening, there: Stats): Promise<void> {
  if (!there.isFile()) throw new CannotOpen(say('safe.open.noFile', { file }), say('safe.trouble.checkPath'));
  if (there.size === 0) throw new CannotOpen(say('safe.open.empty', { file }), say('safe.trouble.restore', { file }));
  inWords(file, () => accessSync(file, constants.R_OK | constants.W_OK));
  const form = inWords(file, () => formOfSound(file));
  if (form === NEWEST_FORM) return;
  const { wrong } = await backUp({ file, folder, why: 'form', atMs: nowMs, zone });
  if (wrong.length > 0) throw new CannotOpen(say('safe.open.noBackupFirst', { file, why: wrong[0]! }), wrong.at(-1)!);
}

/** The form of a file that is a dairy's and can be opened. It is only read: what is not ours is left as it is. */
function formOfSound(file: string): number {
  const db = connect(file, { readonly: true });
  try {
    const form = formOf(db);
    if (form > NEWEST_FORM)
      throw new CannotOpen(
        say('safe.open.newer', { file, form: String(form), reads: String(NEWEST_FORM) }),
        say('safe.open.takeNewer'),
      );
    lookWhether(db, file);
    return form;
  } finally {
    db.close();
  }
}

/** A quick look: the pages hang together, and it is a dairy. The whole is read by `npm run check`, and of every backup. */
function lookWhether(db: Db, file: string): void {
  const [line] = db.pragma('quick_check(1)') as readonly { readonly quick_check: string }[];
  if (line?.quick_check !== 'ok')
    throw new CannotOpen(say('safe.trouble.damaged', { file }), say('safe.trouble.restore', { file }));
  if (!isDairy(db)) throw new CannotOpen(say('safe.trouble.noDairy', { file }), say('safe.trouble.giveFileOrRestore'));
}
