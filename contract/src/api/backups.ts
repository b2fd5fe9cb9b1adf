import type { Text } from '@oat-crock/core';

/**
 * Why a backup was made: by the clock, by hand, before the file was brought to a newer form, or before another took its place; and
 * whatever the reason, one that was found to be damaged.
 */
export type BackupWhy = 'daily' | 'hand' | 'form' | 'restore' | 'unsound';

/** A backup as it stands in its folder. */
export interface KeptBackup {
  readonly name: string;
  readonly atMs: number;
  readonly why: BackupWhy;
  readonly bytes: number;
}

/** What came of a backup that was tried. */
export interface BackupRun {
  /** When, by the machine's clock, ms. */
  readonly atMs: number;
  readonly why: BackupWhy;
  /** The file it went into; null where there is none. */
  readonly name: string | null;
  readonly bytes: number;
  /** Makes and lines of the log that were read back out of it. */
  readonly makes: number;
  readonly lines: number;
  /** Why it cannot be relied on; empty where it can. */
  readonly wrong: readonly Text[];
}

/** How a dairy's data are kept safe. */
export interface Safekeeping {
  /** The data file, and the folder of its backups. */
  readonly file: string;
  readonly folder: string;
  /** Whether one is made each day by itself. */
  readonly daily: boolean;
  /** How much of one that is being made is done, 0 to 1; null where none is. */
  readonly share: number | null;
  readonly last: BackupRun | null;
  /** What stands in the folder, the newest first. */
  readonly backups: readonly KeptBackup[];
}
