import type { SimulatedLetter } from '@oat-crock/contract';

/** What stand-ins received, the newest some, in memory. */
export interface Letters {
  readonly keep: (letter: Omit<SimulatedLetter, 'id' | 'atMs'>) => void;
  /** The newest first. */
  readonly all: () => readonly SimulatedLetter[];
}

const KEPT = 50;

/** @param nowMs the kitchen's clock, ms */
export function lettersKept(nowMs: () => number, onNew: () => void = () => undefined): Letters {
  let kept: readonly SimulatedLetter[] = [];
  let next = 1;
  return {
    keep: (letter) => {
      kept = [{ ...letter, id: next++, atMs: nowMs() }, ...kept].slice(0, KEPT);
      onNew();
    },
    all: () => kept,
  };
}
