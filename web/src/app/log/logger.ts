import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Batch, Choices, Entry, EntryBody } from '@oat-crock/core';
import { lastStanding } from '@oat-crock/core';
import { monotonicFactory } from 'ulid';
import { KitchenClock } from '../engine/kitchen-clock';
import { LogActions } from '../state/log.feature';

/** Writes entries: every record a hand makes goes through here. */
@Injectable({ providedIn: 'root' })
export class Logger {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly nextId = monotonicFactory();

  /** Logs to a batch, now unless another time is given. */
  write(batchId: string, body: EntryBody, atMs = this.clock.exactMs()): Entry {
    const entry: Entry = { id: this.nextId(this.clock.exactMs()), batchId, atMs, source: 'hand', body };
    this.store.dispatch(LogActions.written({ entries: [entry] }));
    return entry;
  }

  /** Starts a make and gives back its id. */
  start(methodId: string, choices: Choices, name: string): string {
    const batchId = this.nextId(this.clock.exactMs());
    this.write(batchId, { type: 'started', methodId, choices, name });
    return batchId;
  }

  /** Takes the newest hand entry back (as a correction). Returns what was taken back, or null. */
  undo(batch: Batch): Entry | null {
    const last = lastStanding(batch);
    if (last) this.write(batch.id, { type: 'correction', replaces: last.id, body: null });
    return last;
  }
}
