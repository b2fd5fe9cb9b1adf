import { computed, signal, type Signal } from '@angular/core';

/** A number that stands as it is reckoned until somebody types another; what is typed stays, however it is reckoned since. */
export interface TypedOver extends Signal<number | null> {
  /** What is typed; null where the field was emptied. */
  readonly set: (typed: number | null) => void;
}

export function typedOver(reckoned: () => number | null): TypedOver {
  const typed = signal<number | null | undefined>(undefined);
  const value = computed(() => {
    const own = typed();
    return own === undefined ? reckoned() : own;
  });
  return Object.assign(value, { set: (own: number | null) => typed.set(own) });
}
