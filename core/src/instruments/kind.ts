import type { ReadBy } from '../batch/entry.js';
import type { CrockState } from '../state/crock-state.js';

/** What is measured in a crock or under it. */
export type CrockQuantity = 'tempC' | 'ph' | 'wheyG';

/** What an instrument reads: of a crock, or of the room. */
export type InstrumentQuantity = CrockQuantity | 'roomC';

/** What is worth keeping of a quantity. */
export interface Keeping {
  /** One reading in so many ms is kept, whatever it says. */
  readonly everyMs: number;
  /** A difference from the nearest kept reading that is worth keeping at once… */
  readonly notable: number;
  /** …but nearer to it than this, ms, nothing is kept. */
  readonly apartMs: number;
}

/** How a simulated instrument of a kind reads, and what it does wrong when it is told to. */
export interface Simulated {
  /** Standard deviation of its noise. */
  readonly noiseSd: number;
  /** Smallest step its display shows. */
  readonly resolution: number;
  readonly everyMin: number;
  /** How far it goes in an hour when it drifts. */
  readonly driftPerH: number;
  /** How far it wanders in an hour from its calibration while it is sound; 0 for one that holds it. */
  readonly wandersPerH: number;
  /** What a jump of it shows: beyond all that can be, or merely far off. */
  readonly jumps: readonly number[];
}

/** A kind of instrument: what it reads, within which bounds, what of it is kept, and how one is simulated. */
export interface InstrumentKind {
  readonly quantity: InstrumentQuantity;
  /** What reads outside of these cannot be. */
  readonly bounds: { readonly min: number; readonly max: number };
  readonly keeping: Keeping;
  /** It is worth a look where it shows the very same although what it stands in should have moved by so much. */
  readonly moved: number;
  readonly simulated: Simulated;
}

/** A kind that stands in a crock or under it; the others hang in the room. */
export interface CrockInstrumentKind extends InstrumentKind {
  readonly quantity: CrockQuantity;
  /** As what its readings stand in the log. */
  readonly by: ReadBy;
  /** Whether there is something for it to measure. */
  readonly canRead: (state: CrockState) => boolean;
  readonly reads: (state: CrockState) => number;
}

/** What stands in a crock is read every so often, and at once where it moves. */
export const IN_A_CROCK = { everyMs: 20_000, apartMs: 2_000 } as const;
