import type { Text } from '@oat-crock/core';
import { DestroyRef, inject, Injectable, signal } from '@angular/core';

/** A key of one place: what it does, and whether it did; one that did nothing is left to the house. */
export interface PlaceKey {
  readonly key: string;
  readonly says: Text;
  readonly act: () => boolean;
}

/** The keys of the place that is open, besides those that work everywhere. */
@Injectable({ providedIn: 'root' })
export class PlaceKeys {
  readonly keys = signal<readonly PlaceKey[]>([]);

  /** True where a key of this place did something. */
  act(key: string): boolean {
    return this.keys().some((k) => k.key === key && k.act());
  }
}

/** Keys of a place for as long as it is open. To be called where its component is made. */
export function placeKeys(keys: readonly PlaceKey[]): void {
  const place = inject(PlaceKeys);
  place.keys.set(keys);
  inject(DestroyRef).onDestroy(() => {
    if (place.keys() === keys) place.keys.set([]);
  });
}
