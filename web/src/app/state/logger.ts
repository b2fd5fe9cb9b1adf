import { inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Choices, Entry, EntryBody, LogLine, LotStock, Method } from '@oat-crock/core';
import { METHODS } from '@oat-crock/core';
import { dequal } from 'dequal/lite';
import { decodeTime } from 'ulid';
import { KitchenClock } from './kitchen-clock';
import { LogActions, logFeature } from './log.feature';
import { WritesHere } from './writes-here';

/** What a make takes out of the larder when it begins, and the gear it is made in. */
export interface FromLarder {
  readonly stocks: readonly LotStock[];
  /** Ids of the gear it is made in. */
  readonly gear: readonly string[];
  readonly takings: readonly { readonly lotId: string; readonly massG: number }[];
}

type LineBody = Exclude<EntryBody, { type: 'correction' }>;

/** What this page did to a line of a log: what it said before (null: nothing) and what it says since (null: taken back). */
export interface Change {
  readonly batchId: string;
  readonly lineId: string;
  readonly was: LineBody | null;
  readonly is: LineBody | null;
  /** When it happened by what stood before and by what stands since, ms, where its time was changed. */
  readonly wasMs?: number;
  readonly isMs?: number;
}

/** What a line says that is answered. */
const ANSWERED: ReadonlySet<string> = new Set(['reading', 'cue', 'added']);

const isOfTheHouse = (method: Method) => METHODS.some((m) => m.id === method.id);
const NOTHING_TAKEN: FromLarder = { stocks: [], gear: [], takings: [] };

/** Writes entries: every record a hand makes goes through here. */
@Injectable({ providedIn: 'root' })
export class Logger {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly writes = inject(WritesHere);
  /** What this page did, and what of it was taken back, the newest last. */
  private readonly own: Change[] = [];
  private readonly undone: Change[] = [];
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);

  /** The line that was logged here last, where the engine has something to say to it; null once that was read. */
  readonly heard = signal<{ readonly batchId: string; readonly entryId: string } | null>(null);

  /** Logs to a batch, now unless another time is given. A step that stands already is not written twice. */
  write(batchId: string, body: EntryBody, atMs = this.clock.exactMs()): Entry {
    const standing = body.type === 'step' ? this.stepOf(batchId, body.stageId) : undefined;
    if (standing) return standing.entry;
    const lineId = body.type === 'correction' ? body.replaces : null;
    const was = lineId === null ? null : this.standing(batchId, lineId);
    const isMs = body.type === 'correction' ? body.atMs : undefined;
    const wasMs = isMs === undefined || lineId === null ? undefined : this.lineOf(batchId, lineId)?.atMs;
    const entry = this.append(batchId, body, atMs);
    const is = body.type === 'correction' ? body.body : body;
    // The beginning of a make cannot be taken back, nor what it took then.
    if (body.type !== 'started')
      this.own.push({
        batchId,
        lineId: lineId ?? entry.id,
        was,
        is,
        ...(wasMs !== undefined && { wasMs }),
        ...(isMs !== undefined && { isMs }),
      });
    this.undone.length = 0;
    this.heard.set(is && ANSWERED.has(is.type) ? { batchId, entryId: lineId ?? entry.id } : null);
    return entry;
  }

  /** The line of a step that stands already. */
  private stepOf(batchId: string, stageId: string): LogLine | undefined {
    return this.batches()
      .find((b) => b.id === batchId)
      ?.log.find((line) => {
        const body = line.now ?? line.entry.body;
        return line.fate !== 'taken back' && body.type === 'step' && body.stageId === stageId;
      });
  }

  private append(batchId: string, body: EntryBody, atMs: number): Entry {
    const id = this.clock.newId(this.laterThanAll(batchId));
    const by = this.writes.name();
    const entry: Entry = { id, batchId, atMs: Math.round(atMs), source: 'hand', body, ...(by && { by }) };
    this.store.dispatch(LogActions.logged({ entries: [entry] }));
    return entry;
  }

  /** The time in the newest id of a batch, and a little more: what corrects a line must sort behind it. */
  private laterThanAll(batchId: string): number {
    const log = this.batches().find((b) => b.id === batchId)?.log ?? [];
    const newest = log.reduce((last, { entry }) => (entry.id > last ? entry.id : last), '');
    return newest ? decodeTime(newest) + 1 : 0;
  }

  /** Starts a make with the lots its choices name, notes what it takes out of the larder, and gives back its id. */
  start(
    method: Method,
    choices: Choices,
    name: string,
    larder: FromLarder = NOTHING_TAKEN,
    atMs = this.clock.exactMs(),
  ): string {
    const batchId = this.clock.newId();
    const { stocks, gear, takings } = larder;
    const body: EntryBody = {
      type: 'started',
      methodId: method.id,
      choices,
      name,
      ...(stocks.length > 0 && { stocks }),
      ...(gear.length > 0 && { gear }),
      ...(isOfTheHouse(method) ? {} : { method }),
    };
    this.write(batchId, body, atMs);
    for (const taking of takings) this.append(batchId, { type: 'took', ...taking }, atMs);
    return batchId;
  }

  /**
   * Takes back what this page wrote last, to whichever make, as a correction: a line goes, a correction gives way to what stood
   * there before. Null where there is nothing of one's own to take back.
   */
  undo(): Change | null {
    for (let own = this.own.pop(); own; own = this.own.pop()) {
      const { batchId, lineId, was, is, wasMs } = own;
      // What somebody else has changed since is theirs.
      if (!dequal(this.standing(batchId, lineId), is)) continue;
      this.correct(batchId, lineId, was, wasMs);
      this.undone.push(own);
      return own;
    }
    return null;
  }

  /** Writes again what was taken back last; null where nothing was. */
  redo(): Change | null {
    const again = this.undone.pop();
    if (!again) return null;
    this.correct(again.batchId, again.lineId, again.is, again.isMs);
    this.own.push(again);
    return again;
  }

  private correct(batchId: string, lineId: string, body: LineBody | null, atMs?: number): void {
    const correction = { type: 'correction', replaces: lineId, body, ...(atMs !== undefined && { atMs }) } as const;
    this.append(batchId, correction, this.clock.exactMs());
  }

  /** What a line says now; null where it was taken back, or is not there. */
  private standing(batchId: string, lineId: string): LineBody | null {
    const line = this.lineOf(batchId, lineId);
    if (!line || line.fate === 'taken back') return null;
    return line.now ?? (line.entry.body as LineBody);
  }

  private lineOf(batchId: string, lineId: string): LogLine | undefined {
    return this.batches()
      .find((b) => b.id === batchId)
      ?.log.find(({ entry }) => entry.id === lineId);
  }
}
