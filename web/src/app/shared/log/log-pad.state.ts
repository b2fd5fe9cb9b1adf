import { Injectable, signal } from '@angular/core';
import type { Addition, Quantity } from '@oat-crock/core';

/** What the log pad can write: a reading, something added, a look, a note. */
export type PadTab = Exclude<Quantity, 'productG'> | `added ${Addition}` | 'cue' | 'note' | 'time';

/** What the log pad is open for. */
export interface PadRequest {
  readonly batchId: string;
  readonly tab: PadTab;
  /** An entry to be corrected, instead of a new line. */
  readonly correcting: string | null;
}

/** Opens the one log pad from anywhere. */
@Injectable({ providedIn: 'root' })
export class LogPadState {
  readonly request = signal<PadRequest | null>(null);
  /** Keys that were pressed while the pad was still on its way; null once it listens itself. */
  private early: string[] | null = [];

  open(batchId: string, tab: PadTab = 'tempC', correcting: string | null = null): void {
    this.request.set({ batchId, tab, correcting });
  }

  /** A key that was pressed while the pad is asked for: kept for it until it listens. */
  typeEarly(key: string): void {
    this.early?.push(key);
  }

  /** What was typed before the pad was there; from now on it listens itself. */
  listen(): readonly string[] {
    const early = this.early ?? [];
    this.early = null;
    return early;
  }

  close(): void {
    this.request.set(null);
  }
}
