import { Injectable, signal } from '@angular/core';
import type { Family } from '@oat-crock/contract/api';

/** The last thing that was taken away, for as long as it may be wanted back. */
@Injectable({ providedIn: 'root' })
export class RemovedState {
  readonly last = signal<{ readonly family: Family; readonly id: string; readonly name: string } | null>(null);
}
