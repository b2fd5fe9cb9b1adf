import { kitchenTime, type ClockReading } from '@oat-crock/contract';
import type { HouseholdStore } from '../store/household.js';

/** The kitchen's clock: what everything on the server asks for the time. */
export interface Clock {
  readonly now: () => number;
  readonly reading: () => ClockReading;
  readonly setRate: (rate: number) => ClockReading;
  /** Writes down where it stands, so that a killed server goes on from there. */
  readonly keep: () => void;
}

/** The clock of a household: real time, never anything else. */
export function realClock(realNow: () => number = Date.now): Clock {
  const reading = (): ClockReading => ({ rate: 1, realMs: realNow(), kitchenMs: realNow(), adjustable: false });
  return { now: realNow, reading, setRate: reading, keep: () => undefined };
}

/** Hour of today at which the demonstration opens: a crock is souring, a cloth is dripping, hands are near. */
export function demoStartMs(realNowMs: number): number {
  return new Date(realNowMs).setHours(14, 20, 0, 0);
}

/**
 * The clock of the demonstration: runs at a rate, stands still while the server is down, and never falls behind
 * what is already in the log.
 */
export function demoClock(
  store: HouseholdStore,
  latestEntryMs: () => number | null,
  startMs: number,
  realNow: () => number = Date.now,
): Clock {
  const kept = store.clock();
  let reading: ClockReading = {
    rate: kept?.rate ?? 1,
    realMs: realNow(),
    kitchenMs: kept ? Math.max(kept.kitchenMs, latestEntryMs() ?? 0) : startMs,
    adjustable: true,
  };
  const now = () => Math.round(kitchenTime(reading, realNow()));
  const keep = () => store.saveClock(reading.rate, now());
  keep();
  return {
    now,
    reading: () => reading,
    setRate: (rate) => {
      reading = { ...reading, kitchenMs: now(), realMs: realNow(), rate };
      keep();
      return reading;
    },
    keep,
  };
}
