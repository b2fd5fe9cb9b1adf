import type { Action } from '@ngrx/store';
import type { Snapshot } from '@oat-crock/contract/api';
import { BackupActions } from './backups.feature';
import { ClockActions, type Compared } from './clock.feature';
import { InstrumentActions } from './instruments.feature';
import { LearnedActions } from './learned.feature';
import { OddActions } from './odd.feature';
import { PageActions } from './page.feature';
import { householdRecord } from './record-writing';
import type { Received } from './records.feature';
import { RoomActions } from './room.feature';
import { UnreachedActions } from './unreached.feature';

/** What a snapshot tells of the dairy besides its log and its records, as the page takes it in. */
export function besidesTold(
  compared: Compared,
  { instruments, learned, room, odd, lastBackup, unreached, page }: Omit<Snapshot, 'entries' | 'past'>,
): readonly Action[] {
  return [
    ClockActions.compared(compared),
    InstrumentActions.received({ instruments }),
    LearnedActions.received({ learned }),
    RoomActions.received({ readings: room }),
    BackupActions.lastReceived({ last: lastBackup }),
    UnreachedActions.told({ names: unreached }),
    OddActions.received({ odd }),
    PageActions.served({ page }),
  ];
}

/** The records of a snapshot, by family. */
export const recordsTold = ({ larder, household }: Pick<Snapshot, 'larder' | 'household'>): Received => ({
  ...larder,
  settings: [householdRecord(household)],
});
