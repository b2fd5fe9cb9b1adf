import { Injectable, signal } from '@angular/core';
import { keepHere, keptHere } from '../../state/kept-here';

const KEY = 'oat-crock.decides';

/** Who decides at this device: the name is asked once and kept. */
@Injectable({ providedIn: 'root' })
export class Decider {
  readonly name = signal(keptHere(KEY, (v) => typeof v === 'string')?.['name'] ?? '');

  call(name: string): void {
    this.name.set(name);
    keepHere(KEY, { name });
  }
}
