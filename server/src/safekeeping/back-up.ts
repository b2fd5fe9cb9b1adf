import type { Zone } from '@oat-crock/calendar';
import type { BackupRun, BackupWhy } from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import { mkdirSync, statfsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { checkDairy } from './check.js';
import { copyDatabase, discard, settle } from './copy.js';
import { backupName, rotate } from './folder.js';
import { CannotOpen, troubleWith } from './trouble.js';

/** What is backed up where, and why. */
export interface BackupOrder {
  readonly file: string;
  readonly folder: string;
  readonly why: BackupWhy;
  /** By the machine's clock, ms. */
  readonly atMs: number;
  /** By whose days it is kept. */
  readonly zone: Zone;
}

/** How much of a backup is copying. */
const COPY_SHARE = 0.3;

/**
 * Copies a data file into a folder while it is in use, reads the copy from end to end, and takes away backups that are not needed
 * any longer. A copy that is damaged is kept as such and takes no sound one's place.
 *
 * @param told hears how much was done, 0 to 1
 * @returns what came of it; whatever hinders it is in there, in words
 */
export async function backUp(
  { file, folder, why, atMs, zone }: BackupOrder,
  told: (share: number) => void = () => undefined,
): Promise<BackupRun> {
  const run = { atMs, why, name: null, bytes: 0, makes: 0, lines: 0 };
  const part = join(folder, `${backupName(file, atMs, why)}.${process.pid}.part`);
  try {
    mkdirSync(folder, { recursive: true });
    leaveSpace(file, folder);
    await copyDatabase(file, part);
    told(COPY_SHARE);
    const { damage, makes, lines } = checkDairy(part, (share) => told(COPY_SHARE + (1 - COPY_SHARE) * share));
    const name = backupName(file, atMs, damage.length === 0 ? why : 'unsound');
    settle(part, join(folder, name));
    rotate(folder, file, atMs, zone);
    const wrong = damage.length > 0 ? [...damage, say('safe.check.whatNow')] : [];
    return { ...run, name, bytes: statSync(join(folder, name)).size, makes, lines, wrong };
  } catch (error) {
    discard(part);
    const trouble = troubleWith(folder, error);
    if (!trouble) throw error;
    return { ...run, wrong: [trouble.text, trouble.remedy] };
  }
}

/** A disk is never filled to its brim by a backup: the log needs room, too. */
const SPARE = 1.2;

function leaveSpace(file: string, folder: string): void {
  const { bavail, bsize } = statfsSync(folder);
  if (bavail * bsize < statSync(file).size * SPARE)
    throw new CannotOpen(say('safe.trouble.full', { file: folder }), say('safe.trouble.makeSpace'));
}
