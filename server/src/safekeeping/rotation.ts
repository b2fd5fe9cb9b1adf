import { dayWord, localTime, type Zone } from '@oat-crock/calendar';
import type { BackupWhy, KeptBackup } from '@oat-crock/contract';

/** Of the daily ones: the newest of each of so many days, weeks and months that have one. */
const DAILY = { days: 7, weeks: 4, months: 12 } as const;

/** Of the others so many of the newest. */
const NEWEST: Readonly<Record<Exclude<BackupWhy, 'daily'>, number>> = { hand: 10, form: 3, restore: 3, unsound: 1 };

/**
 * Which backups may go: those that are neither the newest of one of the last days, weeks or months that have one, nor among
 * the newest of their kind. Days without any do not count, so that a machine that is seldom on loses none of its old ones.
 *
 * @param zone whose days, weeks (from Monday) and months they are
 */
export function mayGo(backups: readonly KeptBackup[], zone: Zone): readonly KeptBackup[] {
  const newestFirst = backups.toSorted((a, b) => b.atMs - a.atMs);
  const daily = newestFirst.filter((b) => b.why === 'daily');
  const kept = new Set<KeptBackup>([
    ...newestOfEach(daily, DAILY.days, (b) => dayWord(b.atMs, zone)),
    ...newestOfEach(daily, DAILY.weeks, (b) => weekOf(b.atMs, zone)),
    ...newestOfEach(daily, DAILY.months, (b) => dayWord(b.atMs, zone).slice(0, 7)),
    ...Object.entries(NEWEST).flatMap(([why, count]) => newestFirst.filter((b) => b.why === why).slice(0, count)),
  ]);
  return newestFirst.filter((b) => !kept.has(b));
}

function newestOfEach(newestFirst: readonly KeptBackup[], count: number, spanOf: (backup: KeptBackup) => string) {
  const newest = new Map<string, KeptBackup>();
  for (const backup of newestFirst) if (!newest.has(spanOf(backup))) newest.set(spanOf(backup), backup);
  return [...newest.values()].slice(0, count);
}

const DAY_MS = 86_400_000;

/** The Monday of a moment's week. */
function weekOf(atMs: number, zone: Zone): string {
  const { year, month, day, weekday } = localTime(atMs, zone);
  return String(Date.UTC(year, month - 1, day) / DAY_MS - ((weekday + 6) % 7));
}

/** From this hour on a day's backup is made: hands are asleep, and an instrument's night is mostly read. */
const FROM_HOUR = 3;

/**
 * Whether a daily backup is due: none was made today and it is past three in the morning, or the newest is older than a day. One
 * that bears a later time than now (the clock was set back) counts for nothing.
 *
 * @param madeMs when backups were made, ms
 */
export function backupDue(madeMs: readonly number[], nowMs: number, zone: Zone): boolean {
  const newestMs = Math.max(...madeMs.filter((ms) => ms <= nowMs));
  if (nowMs - newestMs >= DAY_MS) return true;
  return dayWord(newestMs, zone) !== dayWord(nowMs, zone) && localTime(nowMs, zone).hour >= FROM_HOUR;
}
