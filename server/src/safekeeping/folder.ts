import type { BackupWhy, KeptBackup } from '@oat-crock/contract';
import { readdirSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import type { Zone } from '@oat-crock/calendar';
import { mayGo } from './rotation.js';

/** Where the backups of a data file go, unless another folder is given. */
export const usualFolder = (file: string): string => join(dirname(file), 'backups');

/** What the backups of a file are called first: "dairy" for "dairy.sqlite". */
const stemOf = (file: string) => basename(file).replace(/\.\w+$/, '');

/** "dairy-2026-05-02T03-00-10Z-daily.sqlite" */
export function backupName(file: string, atMs: number, why: BackupWhy): string {
  const moment = new Date(atMs).toISOString().slice(0, 19).replaceAll(':', '-');
  return `${stemOf(file)}-${moment}Z-${why}.sqlite`;
}

const NAME = /^(.+)-(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)Z-(daily|hand|form|restore|unsound)\.sqlite$/;

/** The backups of a file that stand in a folder, the newest first; none where there is no folder. */
export function backupsIn(folder: string, file: string): readonly KeptBackup[] {
  if (!statSync(folder, { throwIfNoEntry: false })?.isDirectory()) return [];
  const found = readdirSync(folder).flatMap((name): KeptBackup[] => {
    const [, stem, day, h, min, s, why] = NAME.exec(name) ?? [];
    if (stem !== stemOf(file)) return [];
    const atMs = Date.parse(`${day}T${h}:${min}:${s}Z`);
    const { size } = statSync(join(folder, name), { throwIfNoEntry: false }) ?? { size: 0 };
    return Number.isNaN(atMs) ? [] : [{ name, atMs, why: why as BackupWhy, bytes: size }];
  });
  return found.sort((a, b) => b.atMs - a.atMs);
}

/** What a kill left half written is given up after so long, ms. */
const PART_MS = 86_400_000;

/** Takes away what need not be kept any longer; never what a file of another dairy left there. */
export function rotate(folder: string, file: string, nowMs: number, zone: Zone): void {
  for (const { name } of mayGo(backupsIn(folder, file), zone)) rmSync(join(folder, name), { force: true });
  for (const name of readdirSync(folder)) {
    if (!name.startsWith(`${stemOf(file)}-`) || !/\.part(-journal)?$/.test(name)) continue;
    const path = join(folder, name);
    const { mtimeMs } = statSync(path, { throwIfNoEntry: false }) ?? { mtimeMs: nowMs };
    if (nowMs - mtimeMs > PART_MS) rmSync(path, { force: true });
  }
}
