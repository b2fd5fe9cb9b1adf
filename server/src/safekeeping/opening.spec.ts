import Database from 'better-sqlite3';
import { english } from '@oat-crock/messages';
import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { NEWEST_FORM } from '../store/migrations.js';
import { openDb } from '../store/open.js';
import { openDairy } from './open-dairy.js';
import { cutTo, freshFolder, linesOf, writeDairy, zero } from './testing.js';
import { CannotOpen, troubleWith } from './trouble.js';

const NOW = Date.UTC(2026, 4, 2, 8);
let at: string;
let file: string;
let folder: string;
beforeEach(() => ({ at, file, folder } = freshFolder()));
afterEach(() => rmSync(at, { recursive: true }));

const opened = (anew = false) => openDairy({ file, folder, anew, nowMs: NOW, zone: 'UTC' });
/** What is said where a file is not opened. */
async function refusal(): Promise<string> {
  try {
    const { db, letGo } = await opened();
    db.close();
    letGo();
    return '';
  } catch (error) {
    if (!(error instanceof CannotOpen)) throw error;
    return `${english(error.text)} ${english(error.remedy)}`;
  }
}
async function openAndClose(): Promise<void> {
  const { db, letGo } = await opened();
  db.close();
  letGo();
}

describe('a data file', () => {
  it('is begun where there is none, with its folder, and opened again', async () => {
    file = join(at, 'a', 'b', 'dairy.sqlite');
    await openAndClose();
    await openAndClose();
    expect(readdirSync(join(at, 'a', 'b')).filter((name) => !name.endsWith('in-use'))).toEqual(['dairy.sqlite']);
  });

  it('is never an empty dairy in the place of one that was there: its file gone, emptied, or only its log left', async () => {
    writeDairy(file, 3);
    mkdirSync(folder);
    const backup = join(folder, 'dairy-2026-05-01T03-00-00Z-daily.sqlite');
    renameSync(file, backup);
    expect(await refusal()).toMatch(/not there, but backups.*npm run restore -- dairy-2026-05-01.*--new/);
    expect(readdirSync(at)).not.toContain('dairy.sqlite');
    writeFileSync(file, '');
    expect(await refusal()).toContain('empty file');
    rmSync(file);
    renameSync(backup, join(at, 'elsewhere'));
    writeFileSync(`${file}-wal`, 'lines');
    expect(await refusal()).toContain('lines of its log are, beside it');
  });

  it('is begun although backups are there, where that is asked for', async () => {
    mkdirSync(folder);
    writeFileSync(join(folder, 'dairy-2026-05-01T03-00-00Z-daily.sqlite'), '');
    const { db, letGo } = await opened(true);
    expect(db.prepare('SELECT count(*) AS n FROM entry').get()).toEqual({ n: 0 });
    db.close();
    letGo();
  });

  it('that is none, of another program, a folder, or of a newer form is left as it is, in words', async () => {
    const left = async (bytes: Buffer, said: RegExp) => {
      expect(await refusal()).toMatch(said);
      expect(readFileSync(file).equals(bytes)).toBe(true);
    };
    writeFileSync(file, Buffer.from('not a database at all, but long enough to be one'.repeat(300)));
    await left(readFileSync(file), /no data file of Oat Crock/);
    rmSync(file);
    const other = new Database(file);
    other.exec('CREATE TABLE recipe (name TEXT)');
    other.close();
    await left(readFileSync(file), /no data file of Oat Crock/);
    rmSync(file);
    writeDairy(file, 1);
    const newer = openDb(file);
    newer.pragma(`user_version = ${NEWEST_FORM + 1}`);
    newer.close();
    await left(
      readFileSync(file),
      new RegExp(`newer Oat Crock \\(form ${NEWEST_FORM + 1}; .* up to ${NEWEST_FORM}\\)`),
    );
    rmSync(file);
    mkdirSync(file);
    expect(await refusal()).toContain('is a folder');
  });

  it('that was cut off or zeroed in the middle says so, and the way back', async () => {
    for (const harm of [
      () => cutTo(file, 0.5),
      () => cutTo(file, 0.98),
      () => zero(file, 4096 * 3, 4096 * 4),
      () => zero(file, 100, 3000),
    ]) {
      rmSync(file, { force: true });
      writeDairy(file, 300);
      harm();
      expect(await refusal()).toMatch(/(is damaged|no data file).*npm run restore/);
    }
  });

  it('that another server has open is not opened twice, and again once that has gone', async () => {
    const first = await opened();
    expect(await refusal()).toContain('open already by another Oat Crock');
    first.db.close();
    first.letGo();
    expect(await refusal()).toBe('');
  });

  it('under a path that leads nowhere says so', async () => {
    writeFileSync(join(at, 'plain'), '');
    file = join(at, 'plain', 'dairy.sqlite');
    expect(await refusal()).toMatch(/cannot be reached.*Check how it is written/);
  });

  it('has words for whatever the system may say of it, and none for a fault of the program', () => {
    const words = (code: string) => {
      const trouble = troubleWith('x', Object.assign(new Error(), { code }));
      return trouble && english(trouble.text);
    };
    for (const code of [
      'SQLITE_FULL',
      'ENOSPC',
      'SQLITE_READONLY_DIRECTORY',
      'EROFS',
      'EACCES',
      'SQLITE_BUSY_SNAPSHOT',
    ])
      expect(words(code))
        .withContext(code)
        .toMatch(/no room|may be read|held by/);
    for (const code of ['SQLITE_IOERR_READ', 'SQLITE_CORRUPT_VTAB', 'EISDIR']) expect(words(code)).not.toBeNull();
    expect(words('ERR_ASSERTION')).toBeNull();
    expect(words('')).toBeNull();
  });
});

describe('a data file of an older form', () => {
  for (const form of [1, 5, 12, NEWEST_FORM - 1])
    it(`(${form}) is backed up as it was, then brought up with every line`, async () => {
      const lines = writeDairy(file, 5, form).map((e) => e.id);
      const { db, letGo } = await opened();
      expect(db.pragma('user_version', { simple: true })).toBe(NEWEST_FORM);
      db.close();
      letGo();
      const [backup = ''] = readdirSync(folder);
      expect(backup).toBe('dairy-2026-05-02T08-00-00Z-form.sqlite');
      expect(linesOf(join(folder, backup))).toEqual(lines);
      const old = new Database(join(folder, backup), { readonly: true });
      expect(old.pragma('user_version', { simple: true })).toBe(form);
      old.close();
      expect(linesOf(file)).toEqual(lines);
    });

  it('is left in it where it cannot be backed up before', async () => {
    writeDairy(file, 5, 5);
    writeFileSync(folder, 'a file where the folder should be');
    expect(await refusal()).toMatch(/could not be backed up before.*not there, or cannot be reached/);
    const db = new Database(file, { readonly: true });
    expect(db.pragma('user_version', { simple: true })).toBe(5);
    db.close();
  });
});
