import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ulid } from 'ulid';
import { entryOf, startOf } from '../testing/kitchen.js';
import { demoClock, demoStartMs, realClock } from '../time/clock.js';
import { EntryClash, entryStore } from './entries.js';
import { householdStore } from './household.js';
import { openDb, type Db } from './open.js';

describe('the store', () => {
  let folder: string;
  let file: string;
  let db: Db;

  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'oat-crock-'));
    file = join(folder, 'deep', 'dairy.sqlite');
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
    expect(store.latestMs()).toBe(Date.UTC(2026, 4, 2, 8));
  });
});

describe('the clock', () => {
  const householdOf = (db: Db) => householdStore(db);

  it('of a household is the real one', () => {
    const clock = realClock(() => 1234);
    expect(clock.now()).toBe(1234);
    expect(clock.setRate(600).rate).toBe(1);
  });

  it('of the demonstration runs at its rate without a jump when the rate changes', () => {
    const db = openDb(':memory:');
    let real = 1_000_000;
    const clock = demoClock(
      householdOf(db),
      () => null,
      5_000_000,
      () => real,
    );
    real += 1000;
    expect(clock.now()).toBe(5_001_000);
    clock.setRate(600);
    expect(clock.now()).toBe(5_001_000);
    real += 1000;
    expect(clock.now()).toBe(5_601_000);
    db.close();
  });

  it('goes on after a kill from where it was kept, never behind the log', () => {
    const db = openDb(':memory:');
    let real = 0;
    const first = demoClock(
      householdOf(db),
      () => null,
      5_000_000,
      () => real,
    );
    real += 10_000;
    first.keep();
    real += 3_600_000;
    expect(
      demoClock(
        householdOf(db),
        () => 5_004_000,
        0,
        () => real,
      ).now(),
    ).toBe(5_010_000);
    expect(
      demoClock(
        householdOf(db),
        () => 5_020_000,
        0,
        () => real,
      ).now(),
    ).toBe(5_020_000);
    db.close();
  });

  it('opens the demonstration in the afternoon of today', () => {
    const at = new Date(demoStartMs(Date.UTC(2026, 4, 2, 3)));
    expect([at.getHours(), at.getMinutes()]).toEqual([14, 20]);
  });
});
