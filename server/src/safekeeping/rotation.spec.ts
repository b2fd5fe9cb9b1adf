import type { BackupWhy, KeptBackup } from '@oat-crock/contract';
import { backupDue, mayGo } from './rotation.js';

const DAY_MS = 86_400_000;
const ZONE = 'Asia/Kathmandu';
const START = Date.UTC(2026, 0, 1, 0, 30);

const made = (atMs: number, why: BackupWhy = 'daily'): KeptBackup => ({ name: `${atMs}-${why}`, atMs, why, bytes: 1 });

/** What stands in the folder after a backup on each of some days, rotated each time. */
function keptAfter(days: readonly number[]): readonly KeptBackup[] {
  let there: readonly KeptBackup[] = [];
  for (const day of days) {
    there = [...there, made(START + day * DAY_MS)];
    const going = new Set(mayGo(there, ZONE));
    there = there.filter((b) => !going.has(b));
  }
  return there;
}
const ageDays = (kept: readonly KeptBackup[], lastDay: number) =>
  kept.map((b) => lastDay - (b.atMs - START) / DAY_MS).sort((a, b) => a - b);

describe('backups in rotation', () => {
  it('are the last seven days, four weeks and twelve months of two years', () => {
    const kept = ageDays(keptAfter([...Array(730).keys()]), 729);
    expect(kept.length).toBeLessThanOrEqual(7 + 4 + 12);
    expect(kept.slice(0, 7)).toEqual([0, 1, 2, 3, 4, 5, 6]);
    // The newest of each month: eleven month ends and today.
    expect(kept.filter((age) => age > 40).length).toBe(10);
    expect(kept.at(-1)).toBeGreaterThan(330);
    expect(kept.at(-1)).toBeLessThan(366);
    const upToMonth = kept.filter((age) => age <= 28);
    expect(Math.max(...upToMonth)).toBeGreaterThan(13);
  });

  it('of a machine that is seldom on are none lost for the days it was off', () => {
    expect(keptAfter([0, 40, 80, 300, 301]).length).toBe(5);
  });

  it('never lose the newest, whatever was made in what order', () => {
    for (const days of [
      [5, 1, 3],
      [0, 0.001, 0.002, 0.003],
      [700, 2, 701, 1],
    ]) {
      const kept = keptAfter(days);
      expect(Math.max(...kept.map((b) => b.atMs))).toBe(START + Math.max(...days) * DAY_MS);
    }
  });

  it('by hand and from before a newer form are kept by their number, and take no daily one’s place', () => {
    const all = [
      ...Array.from({ length: 12 }, (_, i) => made(START + i, 'hand')),
      ...Array.from({ length: 5 }, (_, i) => made(START + i, 'form')),
      ...Array.from({ length: 3 }, (_, i) => made(START + i, 'unsound')),
      made(START),
    ];
    const going = mayGo(all, ZONE);
    const gone = (why: BackupWhy) => going.filter((b) => b.why === why).map((b) => b.atMs - START);
    expect(gone('hand')).toEqual([1, 0]);
    expect(gone('form')).toEqual([1, 0]);
    expect(gone('unsound')).toEqual([1, 0]);
    expect(gone('daily')).toEqual([]);
  });
});

describe('a daily backup', () => {
  const zone = 'America/St_Johns';
  const at = (day: number, h: number, min = 0) => Date.UTC(2026, 5, day, h + 2, min + 30);

  it('is due when none was made yet, or the newest is a day old to the millisecond', () => {
    expect(backupDue([], at(2, 12), zone)).toBe(true);
    expect(backupDue([at(1, 1)], at(2, 1) - 1, zone)).toBe(false);
    expect(backupDue([at(1, 1)], at(2, 1), zone)).toBe(true);
  });

  it('is due from three in the morning by the kitchen’s wall, once', () => {
    expect(backupDue([at(1, 9)], at(2, 2, 59), zone)).toBe(false);
    expect(backupDue([at(1, 9)], at(2, 3), zone)).toBe(true);
    expect(backupDue([at(1, 9), at(2, 3)], at(2, 23), zone)).toBe(false);
  });

  it('is not kept from being made by one that bears a later time, and is not made again and again for it', () => {
    expect(backupDue([at(20, 9)], at(2, 12), zone)).toBe(true);
    expect(backupDue([at(20, 9), at(2, 12)], at(2, 13), zone)).toBe(false);
  });
});
