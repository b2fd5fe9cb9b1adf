import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ulid } from 'ulid';
import { entryOf, startOf } from '../testing/kitchen.js';
import { EntryClash, entryStore } from './entries.js';
import { keptStore } from './kept.js';
import { migrate } from './migrations.js';
import { connect, openDb, type Db } from './open.js';

describe('the store', () => {
  let folder: string;
  let file: string;
  let db: Db;

  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'oat-crock-'));
    file = join(folder, 'dairy.sqlite');
    db = openDb(file);
  });
  afterEach(() => {
    db.close();
    rmSync(folder, { recursive: true });
  });

  it('opens in WAL with full synchronisation, and again without migrating twice', () => {
    expect(db.pragma('journal_mode', { simple: true })).toBe('wal');
    expect(db.pragma('synchronous', { simple: true })).toBe(2);
    const version = db.pragma('user_version', { simple: true });
    const again = openDb(file);
    expect(again.pragma('user_version', { simple: true })).toBe(version);
    again.close();
  });

  it('never changes or removes an entry, whoever asks', () => {
    entryStore(db).append([startOf(ulid())]);
    expect(() => db.exec("UPDATE entry SET source = 'x'")).toThrowError(/never changed/);
    expect(() => db.exec('DELETE FROM entry')).toThrowError(/never removed/);
  });

  it('writes all of a transaction or none of it', () => {
    const store = entryStore(db);
    const batch = ulid();
    const first = startOf(batch);
    store.append([first]);
    const clash = { ...first, source: 'other' };
    expect(() => store.append([entryOf(batch, { type: 'note', text: 'a' }), clash])).toThrowError(EntryClash);
    expect(store.since(0).length).toBe(1);
  });

  it('tells what came since a place in the order', () => {
    const store = entryStore(db);
    const batch = ulid();
    store.append([startOf(batch), entryOf(batch, { type: 'note', text: 'a' })]);
    expect(store.since(1).map((e) => e.seq)).toEqual([2]);
    const atMs = Date.UTC(2026, 4, 2, 8);
    expect([atMs - 1, atMs, atMs + 1].map(store.latestMs)).toEqual([null, atMs, atMs]);
  });

  it('reads what an older file called a planned pour', () => {
    const pour = {
      id: '01J00000000000000000000P01',
      name: 'Quark',
      hands: [{ atMs: 5, minutes: 3 }],
      held: { forMin: 30 },
    };
    db.close();
    rmSync(file);
    db = connect(file);
    migrate(db, 11);
    db.prepare('INSERT INTO planned_pour (id, version, gone_ms, body) VALUES (?, 2, NULL, ?)').run(
      pour.id,
      JSON.stringify(pour),
    );
    db.close();
    db = openDb(file);
    const kept = keptStore(db, 'plannedBatches').get(pour.id)!;
    const { id, name, hands: tasks, held: extension } = pour;
    expect(kept.version).toBe(2);
    expect(kept.item as unknown).toEqual({ id, name, tasks, extension });
  });
});
