import { Injectable, signal } from '@angular/core';
import { isTrue, keepHere, keptHere } from '../state/kept-here';

const SEEN = 'oat-crock.places-seen';
/** Stands among the places that were seen, where somebody wants to be told of none of them. */
const NONE = 'none';

/** Which places this browser has explained at first sight. */
@Injectable({ providedIn: 'root' })
export class Guide {
  private readonly seen = signal<Readonly<Record<string, true>>>(keptHere(SEEN, isTrue) ?? {});

  isOff(): boolean {
    return this.seen()[NONE] === true;
  }

  /** True for a place that has not been explained here yet. */
  isNew(path: string): boolean {
    return !this.isOff() && this.seen()[path] !== true;
  }

  saw(path: string): void {
    this.keep({ ...this.seen(), [path]: true });
  }

  turnOff(): void {
    this.keep({ ...this.seen(), [NONE]: true });
  }

  turnOn(): void {
    this.keep({});
  }

  private keep(seen: Readonly<Record<string, true>>): void {
    this.seen.set(seen);
    keepHere(SEEN, seen);
  }
}
