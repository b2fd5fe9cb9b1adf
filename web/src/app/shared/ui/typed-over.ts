import { computed, type Signal } from '@angular/core';

/** A number that stands as it is reckoned until somebody types another; what is typed stays, however it is reckoned since. */
export interface TypedOver extends Signal<number | null> {
  /** What is typed; null where the field was emptied. */
  readonly set: (typed: number | null) => void;
}

/**
 * @param typed what was typed: null where the field was emptied, undefined where it was not touched
 * @param set keeps what is typed
 */
export function typedOver(
  reckoned: () => number | null,
  typed: () => number | null | undefined,
  set: (typed: number | null) => void,
): TypedOver {
  const value = computed(() => {
    const own = typed();
    return own === undefined ? reckoned() : own;
  });
  return Object.assign(value, { set });
}
