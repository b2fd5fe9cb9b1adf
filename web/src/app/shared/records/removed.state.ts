import { Injectable, signal } from '@angular/core';
import type { RecordFamily } from '../../state/record-writing';

/** The last thing that was taken away, for as long as it may be wanted back. */
@Injectable({ providedIn: 'root' })
export class RemovedState {
  readonly last = signal<{ readonly family: RecordFamily; readonly id: string; readonly name: string } | null>(null);
}
