import type { InstrumentCheck, InstrumentFault, InstrumentQuantity, SimulatedKind } from '@oat-crock/core';

/** An instrument that posts readings: what it measures, and the crock it stands in. */
export interface Instrument {
  readonly id: string;
  readonly name: string;
  /** What sort it is, by the engine's registry of kinds. */
  readonly kind: SimulatedKind;
  readonly quantity: InstrumentQuantity;
  readonly simulated: boolean;
  /** The batch it measures, or null while it is on the shelf; what reads the room stands in none. */
  readonly batchId: string | null;
  /** What it sends is not kept just now. */
  readonly isPaused: boolean;
  /** When it last read something, ms, and what; since when it has shown the very same; the last that could not be. */
  readonly lastMs: number | null;
  readonly lastValue: number | null;
  readonly sameSinceMs: number | null;
  readonly impossible: { readonly atMs: number; readonly value: number } | null;
  /** Of a simulated one: the fault it was given and since when, and when it was calibrated. */
  readonly fault: InstrumentFault | null;
  readonly faultSinceMs: number | null;
  readonly calibratedMs: number | null;
  /** How it was last checked against what is known, and when, ms; null where it never was. What it reads since is corrected by that. */
  readonly check: { readonly atMs: number; readonly checked: InstrumentCheck } | null;
}

/** An instrument as it is added, or its token as it is renewed: that is told this once. */
export interface InstrumentMade {
  readonly instrument: Instrument;
  readonly token: string;
}

/** What became of readings that were posted. */
export interface ReadingsTaken {
  readonly kept: number;
  /** Too near to one that was kept, and no different. */
  readonly thinned: number;
  /** What could not be, by its place in what was sent. */
  readonly impossible: readonly number[];
}

/** What became of readings out of a logger's file. */
export interface LoggerTaken extends ReadingsTaken {
  /** Before the make was begun, after it had ended, or still to come. */
  readonly outside: number;
}

/** A reading as it is posted; one without an id is known by its instrument and its moment. */
export interface InstrumentReading {
  readonly id?: string;
  readonly atMs: number;
  readonly value: number;
}
