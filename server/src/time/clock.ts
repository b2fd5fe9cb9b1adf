import { kitchenTime, type ClockChange, type ClockReading } from '@oat-crock/contract';
import type { HouseholdStore } from '../store/household.js';

/** The kitchen's clock: what everything on the server asks for the time. */
export interface Clock {
  /** Now, ms. */
  readonly now: () => number;
  /** How it stands just now, beside this machine's clock. */
  readonly reading: () => ClockReading;
  /** Lets it run at another rate, or jump ahead; a clock that cannot be set stays as it is. */
  readonly set: (change: ClockChange) => ClockReading;
  /** Writes down where it stands, so that a killed server goes on from there. */
  readonly keep: () => void;
}

/** How often a clock that can be set is written down, ms. */
export const KEEP_CLOCK_MS = 1000;

/** The clock of a household: the machine's, never anything else. */
export function machineClock(machineNow: () => number): Clock {
  const reading = (): ClockReading => ({ rate: 1, realMs: machineNow(), kitchenMs: machineNow(), adjustable: false });
  return { now: machineNow, reading, set: reading, keep: () => undefined };
}

/** What a clock that can be set goes by. */
export interface SetClockOf {
  /** Where it was written down. */
  readonly store: Pick<HouseholdStore, 'clock' | 'saveClock'>;
  /** The newest line of the log that is no later than a moment, ms. */
  readonly latestEntryMs: (untilMs: number) => number | null;
  /** What it shows when it is opened for the first time, ms, and how fast it runs then. */
  readonly startMs: number;
  readonly rate: number;
  readonly machineNow: () => number;
}

/**
 * A clock that can be set (the demonstration, and tests): it begins at a moment of its own, runs at a rate, jumps ahead and stands
 * still while the server is down. After a kill it goes on from where it was written down, or from what was logged in the second
 * or two since; a line with a moment far ahead does not move it.
 */
export function setClock({ store, latestEntryMs, startMs, rate, machineNow }: SetClockOf): Clock {
  const kept = store.clock();
  const sinceKept = kept && latestEntryMs(kept.kitchenMs + 2 * KEEP_CLOCK_MS * kept.rate);
  let stands = {
    rate: kept?.rate ?? rate,
    realMs: machineNow(),
    kitchenMs: kept ? Math.max(kept.kitchenMs, sinceKept ?? 0) : startMs,
    adjustable: true,
  };
  const now = () => Math.round(kitchenTime(stands, machineNow()));
  const reading = () => ({ ...stands, realMs: machineNow(), kitchenMs: now() });
  const keep = () => store.saveClock(stands.rate, now());
  keep();
  return {
    now,
    reading,
    set: (change) => {
      stands = { ...reading(), ...change };
      keep();
      return stands;
    },
    keep,
  };
}
