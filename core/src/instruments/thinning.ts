import type { StandIn } from './stand-ins.js';

/** What is worth keeping of a quantity. */
interface Keeping {
  /** One reading in so many ms is kept, whatever it says. */
  readonly everyMs: number;
  /** A difference from the nearest kept reading that is worth keeping at once… */
  readonly notable: number;
  /** …but nearer to it than this, ms, nothing is kept. */
  readonly apartMs: number;
}

/**
 * What is kept of what a probe reads, however fast it reads: one reading in so many seconds, and any that differs notably
 * from the nearest that was kept. A room is slow, and is read for ever. What hands log is never thinned.
 */
export const KEEPING: Readonly<Record<StandIn['quantity'], Keeping>> = {
  tempC: { everyMs: 20_000, notable: 0.5, apartMs: 2_000 },
  ph: { everyMs: 20_000, notable: 0.05, apartMs: 2_000 },
  wheyG: { everyMs: 20_000, notable: 10, apartMs: 2_000 },
  roomC: { everyMs: 600_000, notable: 0.5, apartMs: 60_000 },
};

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
  const keeping = KEEPING[quantity];
  if (apartMs >= keeping.everyMs) return true;
  return apartMs >= keeping.apartMs && Math.abs(nearest.value - reading.value) >= keeping.notable;
}
