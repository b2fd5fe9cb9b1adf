import Database from 'better-sqlite3';
import { english } from '@oat-crock/messages';
import { existsSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { entryStore } from '../store/entries.js';
import { accessStore, type AccessStore } from '../store/access.js';
import { openDb } from '../store/open.js';
import { backUp } from './back-up.js';
import { checkDairy } from './check.js';
import { takeAlone } from './lock.js';
import { restore } from './restore.js';
import { freshFolder, linesOf, noteOf, writeDairy, zero } from './testing.js';
import { CannotOpen } from './trouble.js';

const NOW = Date.UTC(2026, 4, 2, 8);
let at: string;
let file: string;
let folder: string;
beforeEach(() => ({ at, file, folder } = freshFolder()));
afterEach(() => rmSync(at, { recursive: true }));

const order = (more = {}) => ({ file, folder, why: 'daily' as const, atMs: NOW, zone: 'UTC', ...more });

describe('a backup', () => {
  it('made while lines are written holds every one that was there when it began, is one file, and says what is in it', async () => {
    writeDairy(file, 400);
    const db = openDb(file);
    const { append } = entryStore(db);
    const written = [...linesOf(file)];
    const shares: number[] = [];
    const running = backUp(order(), (share) => shares.push(share));
    const writing = (async () => {
      for (let i = 0; i < 100; i++) {
        append([noteOf(1000 + i)]);
        await new Promise(setImmediate);
      }
    })();
    const [run] = await Promise.all([running, writing]);
    db.close();
    expect(run.wrong).toEqual([]);
    expect(readdirSync(folder)).toEqual([run.name!]);
    const kept = linesOf(join(folder, run.name!));
    expect(kept.slice(0, written.length)).toEqual(written);
    expect([run.makes, run.lines]).toEqual([1, kept.length]);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.at(-1)).toBe(1);
  });

  it('of a damaged file is kept as such, pushes out no sound one, and says what to do', async () => {
    writeDairy(file, 400);
    const sound = await backUp(order());
    // Into the rows of the log, past what the head of the file needs to be copied at all.
    zero(file, 4096 * 60, 4096 * 3);
    const run = await backUp(order({ atMs: NOW + 1000 }));
    expect(run.name).toMatch(/unsound/);
    expect(run.wrong.map((t) => english(t)).join(' ')).toMatch(/Damaged: .*Keep the older backups/);
    expect(readdirSync(folder)).toContain(sound.name!);
  });

  it('that cannot be written leaves nothing half done, and says why', async () => {
    writeDairy(file, 3);
    writeFileSync(folder, '');
    const run = await backUp(order());
    expect(run.name).toBeNull();
    expect(english(run.wrong[0]!)).toContain(folder);
    const none = await backUp(order({ file: join(at, 'missing.sqlite'), folder: join(at, 'b') }));
    expect(none.name).toBeNull();
    expect(readdirSync(join(at, 'b'))).toEqual([]);
  });
});

describe('a check', () => {
  it('of a sound file finds its makes and lines, and what would not be written like that today', () => {
    writeDairy(file, 3);
    const { damage, odd, makes, lines, newestMs } = checkDairy(file);
    expect([damage, odd, makes, lines]).toEqual([[], [], 1, 4]);
    expect(newestMs).toBe(Date.UTC(2026, 4, 2, 8));
    const db = new Database(file);
    db.exec(`INSERT INTO lot (id, version, body) VALUES ('milk', 1, '{"id":"milk","useBy":"2026-02-31"}')`);
    db.exec(
      `INSERT INTO entry (id, batch_id, at_ms, source, body) VALUES ('x', 'orphan', 5, 'hand', '{"type":"levitated"}')`,
    );
    db.close();
    const after = checkDairy(file);
    expect(after.damage).toEqual([]);
    const said = after.odd.map((t) => english(t)).join('\n');
    for (const part of ['lot milk', 'line x of make orphan', 'make orphan has no beginning'])
      expect(said).toContain(part);
  });

  it('finds what was zeroed anywhere in a file, page by page', () => {
    writeDairy(file, 60);
    const db = new Database(file);
    const pages = db.pragma('page_count', { simple: true }) as number;
    const tables = db
      .prepare<[], { page: number }>(
        `SELECT DISTINCT pageno AS page FROM dbstat WHERE name IN ('entry', 'entry_by_batch', 'sqlite_autoindex_entry_1')`,
      )
      .all();
    db.close();
    expect(pages).toBeGreaterThan(20);
    for (const { page } of tables) {
      const copy = join(at, `copy-${page}.sqlite`);
      writeDairyCopy(file, copy);
      zero(copy, (page - 1) * 4096, 4096);
      expect(checkDairy(copy).damage.length).withContext(`page ${page}`).toBeGreaterThan(0);
    }
  });
});

function writeDairyCopy(from: string, to: string): void {
  const db = new Database(from);
  db.exec(`VACUUM INTO '${to}'`);
  db.close();
}

describe('restoring', () => {
  it('puts a backup in the place of the file, with none of what was in its log, and moves that aside', async () => {
    const first = writeDairy(file, 5).map((e) => e.id);
    const { name } = await backUp(order());
    // Written since, and still in the write-ahead log: the process that held it is gone without a word.
    const db = openDb(file);
    entryStore(db).append([noteOf(9)]);
    const wal = `${file}-wal`;
    expect(existsSync(wal)).toBe(true);
    const { before, checked } = await restore({ from: join(folder, name!), file, nowMs: NOW });
    expect(checked.lines).toBe(first.length);
    expect(linesOf(file)).toEqual(first);
    expect(linesOf(before!).length).toBe(first.length + 1);
    db.close();
  });

  it('sets nobody back in who was shut out since, nor a passphrase that was changed', async () => {
    writeDairy(file, 3);
    const who = (of: (access: AccessStore) => void) => {
      const db = openDb(file);
      of(accessStore(db, () => 'key'));
      db.close();
    };
    const device = {
      name: 'tablet',
      maker: 'Ane',
      role: 'keeps',
      letInMs: 1,
      lastMs: 1,
      endsMs: null,
      byLink: null,
    } as const;
    who((access) => {
      access.setPassphrase('old');
      access.letIn({ ...device, id: 'stays', tokenHash: 'a' });
      access.letIn({ ...device, id: 'goes', tokenHash: 'b' });
    });
    const { name } = await backUp(order());
    who((access) => {
      access.setPassphrase('new');
      access.shutOut('goes');
    });
    await restore({ from: join(folder, name!), file, nowMs: NOW });
    who((access) => {
      expect(access.devices().map((d) => d.id)).toEqual(['stays']);
      expect(access.passphrase()).toBe('new');
    });
    // Where what stands there cannot be read, it is as it was in the backup.
    writeFileSync(file, 'no database at all, and long enough to be one'.repeat(200));
    await restore({ from: join(folder, name!), file, nowMs: NOW + 1000 });
    who((access) => expect(access.devices().length).toBe(2));
  });

  it('begins a dairy on another machine', async () => {
    const lines = writeDairy(join(at, 'stick.sqlite'), 5).map((e) => e.id);
    const { before } = await restore({
      from: join(at, 'stick.sqlite'),
      file: join(at, 'new', 'dairy.sqlite'),
      nowMs: NOW,
    });
    expect(before).toBeNull();
    expect(linesOf(join(at, 'new', 'dairy.sqlite'))).toEqual(lines);
  });

  it('is refused beside a server, of itself, of what is damaged or none, and changes nothing then', async () => {
    const lines = writeDairy(file, 300).map((e) => e.id);
    const { name } = await backUp(order());
    const from = join(folder, name!);
    const refused = async (of: string, said: RegExp, more = {}) => {
      const error = await restore({ from: of, file, nowMs: NOW, ...more }).catch((e: unknown) => e);
      expect(error).toBeInstanceOf(CannotOpen);
      expect(english((error as CannotOpen).text) + english((error as CannotOpen).remedy)).toMatch(said);
      expect(linesOf(file)).toEqual(lines);
    };
    const letGo = takeAlone(file)!;
    await refused(from, /open already.*Stop that server first/);
    letGo();
    await refused(file, /cannot take its own place/);
    await refused(join(at, 'missing'), /not there/);
    zero(from, 4096 * 40, 4096 * 3);
    await refused(from, /cannot be relied on.*older/);
    await refused(from, /cannot be relied on/, { anyway: true });
    expect(readdirSync(at).filter((n) => n.includes('restor'))).toEqual([]);
  });
});
