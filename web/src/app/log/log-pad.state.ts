import { Injectable, signal } from '@angular/core';
import type { Addition, Quantity } from '@oat-crock/core';

/** What the log pad can write: a reading, something added, a look, a note. */
export type PadTab = Exclude<Quantity, 'productG'> | `added ${Addition}` | 'cue' | 'note';

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

  open(batchId: string, tab: PadTab = 'tempC', correcting: string | null = null): void {
    this.request.set({ batchId, tab, correcting });
  }

  close(): void {
    this.request.set(null);
  }
}
