import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Batch, Choices, Entry, EntryBody, LotStock, Method } from '@oat-crock/core';
import { lastStanding, METHODS } from '@oat-crock/core';
import { decodeTime } from 'ulid';
import { KitchenClock } from '../engine/kitchen-clock';
import { LogActions, logFeature } from '../state/log.feature';

/** What a make takes out of the larder when it begins, and the gear it is made in. */
export interface FromLarder {
  readonly stocks: readonly LotStock[];
  /** Ids of the gear it is made in. */
  readonly gear: readonly string[];
  readonly takings: readonly { readonly lotId: string; readonly massG: number }[];
}

const isOfTheHouse = (method: Method) => METHODS.some((m) => m.id === method.id);
const NOTHING_TAKEN: FromLarder = { stocks: [], gear: [], takings: [] };

/** Writes entries: every record a hand makes goes through here. */
@Injectable({ providedIn: 'root' })
export class Logger {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);

  /** Logs to a batch, now unless another time is given. */
  write(batchId: string, body: EntryBody, atMs = this.clock.exactMs()): Entry {
    const entry: Entry = { id: this.clock.newId(this.laterThanAll(batchId)), batchId, atMs, source: 'hand', body };
    this.store.dispatch(LogActions.written({ entries: [entry] }));
    return entry;
  }

  /** The time in the newest id of a batch, and a little more: what corrects a line must sort behind it. */
  private laterThanAll(batchId: string): number {
    const log = this.batches().find((b) => b.id === batchId)?.log ?? [];
    const newest = log.reduce((last, { entry }) => (entry.id > last ? entry.id : last), '');
    return newest ? decodeTime(newest) + 1 : 0;
  }

  /** Starts a make with the lots its choices name, notes what it takes out of the larder, and gives back its id. */
  start(method: Method, choices: Choices, name: string, larder: FromLarder = NOTHING_TAKEN): string {
    const batchId = this.clock.newId();
    const { stocks, gear, takings } = larder;
    this.write(batchId, {
      type: 'started',
      methodId: method.id,
      choices,
      name,
      ...(stocks.length > 0 && { stocks }),
      ...(gear.length > 0 && { gear }),
      ...(isOfTheHouse(method) ? {} : { method }),
    });
    for (const taking of takings) this.write(batchId, { type: 'took', ...taking });
    return batchId;
  }

  /** Takes the newest hand entry back (as a correction). Returns what was taken back, or null. */
  undo(batch: Batch): Entry | null {
    const last = lastStanding(batch);
    if (last) this.write(batch.id, { type: 'correction', replaces: last.id, body: null });
    return last;
  }
}
