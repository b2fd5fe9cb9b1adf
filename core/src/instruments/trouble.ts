import { say, type Text } from '../messages/message.js';
import { amount } from '../messages/quantity.js';
import type { InstrumentQuantity } from './kind.js';
import { kindReading } from './kinds.js';

/** How an instrument has done of late. */
export interface ProbeHistory {
  readonly quantity: InstrumentQuantity;
  /** When it last read something, ms, and what; null where it never has. */
  readonly lastMs: number | null;
  readonly lastValue: number | null;
  /** Since when it has shown the very same, ms. */
  readonly sameSinceMs: number | null;
  /** The last reading that could not be. */
  readonly impossible: { readonly atMs: number; readonly value: number } | null;
}

/** What is wrong with an instrument, in words. */
export interface ProbeTrouble {
  readonly trouble: 'silent' | 'stuck' | 'impossible';
  readonly says: Text;
}

/** No reading for so long, min, and it is taken to have dropped out. */
const SILENT_AFTER_MIN = 40;
/** The very same for so long, min, is worth a look, if what it stands in should have moved meanwhile. */
const STUCK_AFTER_MIN = 45;
/** An impossible reading is told of for so long, min. */
const TOLD_FOR_MIN = 60;

const MIN_MS = 60_000;

/**
 * What is wrong with an instrument that stands in a crock; null where nothing is.
 *
 * @param courseAt what it should read at a moment by the course of its crock, null where that is not known
 */
export function probeTrouble(
  probe: ProbeHistory,
  nowMs: number,
  courseAt: (atMs: number) => number | null,
): ProbeTrouble | null {
  const { impossible, lastMs, sameSinceMs, quantity } = probe;
  if (impossible && nowMs - impossible.atMs < TOLD_FOR_MIN * MIN_MS) {
    return {
      trouble: 'impossible',
      says: say('instruments.trouble.readWhichCannotNot', { number: amount(Number(impossible.value.toFixed(2))) }),
    };
  }
  if (lastMs === null) return null;
  if (nowMs - lastMs > SILENT_AFTER_MIN * MIN_MS) {
    return { trouble: 'silent', says: say('instruments.trouble.droppedOutMeasureHand') };
  }
  if (sameSinceMs === null || lastMs - sameSinceMs < STUCK_AFTER_MIN * MIN_MS) return null;
  const [then, now] = [courseAt(sameSinceMs), courseAt(lastMs)];
  if (then === null || now === null || Math.abs(now - then) < kindReading(quantity).moved) return null;
  return {
    trouble: 'stuck',
    says: say('instruments.trouble.showsSameAgainAgain'),
  };
}
