import type { StandIn } from './stand-ins.js';

/**
 * What is kept of what a probe reads, however fast it reads: one reading in so many seconds, and any that differs notably
 * from the nearest that was kept, but never two within {@link APART_MS}. What hands log is never thinned.
 */
export const KEEP_EVERY_MS = 20_000;

/** Nearer to a kept reading than this, ms, no other is kept, whatever it says. */
export const APART_MS = 2_000;

/** Differences from the nearest kept reading that are worth keeping at once. */
const NOTABLE: Readonly<Record<StandIn['quantity'], number>> = { tempC: 0.5, ph: 0.05, wheyG: 10 };

/** A reading that was kept. */
export interface KeptReading {
  readonly atMs: number;
  readonly value: number;
}

/**
 * Whether a reading is kept, given the kept ones of the same probe next before and after it. In whatever order readings
 * come, and however often, what is kept is never denser than the rule says.
 */
export function isKept(
  quantity: StandIn['quantity'],
  reading: KeptReading,
  before: KeptReading | null,
  after: KeptReading | null,
): boolean {
  const [nearest] = [before, after]
    .filter((kept) => kept !== null)
    .sort((a, b) => Math.abs(a.atMs - reading.atMs) - Math.abs(b.atMs - reading.atMs));
  if (!nearest) return true;
  const apartMs = Math.abs(nearest.atMs - reading.atMs);
  if (apartMs >= KEEP_EVERY_MS) return true;
  return apartMs >= APART_MS && Math.abs(nearest.value - reading.value) >= NOTABLE[quantity];
}
