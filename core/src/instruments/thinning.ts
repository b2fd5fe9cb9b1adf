import type { InstrumentQuantity } from './kind.js';
import { kindReading } from './kinds.js';

/** A reading that was kept. */
export interface KeptReading {
  readonly atMs: number;
  readonly value: number;
}

/**
 * Whether a reading is kept, given the kept ones of the same probe next before and after it: one in so many seconds, and any that
 * differs notably from the nearest that was kept. In whatever order readings come, and however often, what is kept is never
 * denser than the rule of its kind says. What hands log is never thinned.
 */
export function isKept(
  quantity: InstrumentQuantity,
  reading: KeptReading,
  before: KeptReading | null,
  after: KeptReading | null,
): boolean {
  const [nearest] = [before, after]
    .filter((kept) => kept !== null)
    .sort((a, b) => Math.abs(a.atMs - reading.atMs) - Math.abs(b.atMs - reading.atMs));
  if (!nearest) return true;
  const apartMs = Math.abs(nearest.atMs - reading.atMs);
  const { keeping } = kindReading(quantity);
  if (apartMs >= keeping.everyMs) return true;
  return apartMs >= keeping.apartMs && Math.abs(nearest.value - reading.value) >= keeping.notable;
}
