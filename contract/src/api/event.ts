import type { Pooled, RoomReading, WatchedMake } from '@oat-crock/core';
import type { BackupRun, Safekeeping } from './backups.js';
import type { StoredEntry } from './entry.js';
import type { ClockReading } from './clock.js';
import type { Instrument } from './instrument.js';
import type { Larder, OddRecord } from './kept.js';
import type { PastMakes } from './makes.js';
import type { Settings } from './settings.js';

/** Settings with the version that an edit must name. */
export interface VersionedSettings {
  readonly version: number;
  readonly settings: Settings;
}

/** What a make showed of the culture that soured it, by the line of that culture; null where no line is kept. */
export interface WatchedInLine extends WatchedMake {
  readonly line: string | null;
}

/** What the kitchen's finished makes have taught. */
export interface Learned {
  readonly pooled: Pooled;
  readonly watched: readonly WatchedInLine[];
  /** Whether every finished make was asked; if not, more is told soon. */
  readonly settled: boolean;
}

/** What the server tells every open page, as it happens. */
export type ServerEvent =
  | { readonly type: 'entries'; readonly entries: readonly StoredEntry[] }
  | { readonly type: 'clock'; readonly clock: ClockReading }
  | { readonly type: 'instruments'; readonly instruments: readonly Instrument[] }
  | ({ readonly type: 'settings' } & VersionedSettings)
  /** Readings of the room, new ones only. */
  | { readonly type: 'room'; readonly readings: readonly RoomReading[] }
  /** Records of the larder, new or changed: only those. */
  | { readonly type: 'larder'; readonly larder: Partial<Larder> }
  | { readonly type: 'learned'; readonly learned: Learned }
  /** A backup is being made, or came to something. */
  | { readonly type: 'backups'; readonly backups: Safekeeping }
  /** Somebody was told of hands, or could not be: the names of those who are not reached. */
  | { readonly type: 'alerts'; readonly unreached: readonly string[] }
  /** So much is otherwise than it was that a page had better read everything anew. */
  | { readonly type: 'renewed' };

/** Everything a page needs to begin with. */
export interface Snapshot {
  readonly clock: ClockReading;
  /** What is on, what is here or held, and the newest of the rest: see `past`. */
  readonly entries: readonly StoredEntry[];
  /** The older makes that are not told; absent where only what came after a place is. */
  readonly past?: PastMakes;
  readonly instruments: readonly Instrument[];
  readonly household: VersionedSettings;
  readonly larder: Larder;
  readonly learned: Learned;
  /** The room of late, in order of time: from a day before the oldest make that is on. */
  readonly room: readonly RoomReading[];
  /** Records that are left out as they stand. */
  readonly odd: readonly OddRecord[];
  /** What came of the last backup; null where none was tried yet. */
  readonly lastBackup: BackupRun | null;
  /** Those who are to be told of hands with no page open, and are not reached. */
  readonly unreached: readonly string[];
  /** The newest place in the log's order: one smaller than a page knows is of a server that was set back to an earlier day. */
  readonly lastSeq: number;
  /** The name of the main script of the page that this server gives ("main-5XK2A1BC.js"); null where it gives no page. */
  readonly page: string | null;
}
