import { totalG } from '../materials/composition.js';
import type { CrockState } from '../state/crock-state.js';
import { COOLING, SAFE_PH } from '../constants/safety-limits.js';
import type { Finding } from './rules.js';

/** How a hot crock has cooled: minutes from 57 to 21 °C, and on to the cold; null for what is not (yet) so. */
export interface CoolingRecord {
  readonly toMiddleMin: number | null;
  readonly toColdMin: number | null;
  /** Minutes since it fell below 57 °C for the last time. */
  readonly sinceHotMin: number;
}

/**
 * Cooling of a crock along its states, from when it last left the heat; null where it was never hot, or a culture was at
 * work when it cooled (then acid in time is the rule).
 */
export function coolingRecord(states: readonly CrockState[]): CoolingRecord | null {
  const hot = states.findLastIndex((s) => s.tempC >= COOLING.hotC);
  if (hot < 0) return null;
  const after = states.slice(hot + 1);
  const last = after[after.length - 1];
  if (!last || after.some((s) => s.souring !== null) || totalG(last.masses) === 0) return null;
  const from = states[hot]!.minute;
  const until = (tempC: number) => after.find((s) => s.tempC <= tempC)?.minute;
  const middle = until(COOLING.middleC);
  const cold = until(COOLING.coldC);
  return {
    toMiddleMin: middle === undefined ? null : middle - from,
    toColdMin: cold === undefined ? null : cold - from,
    sinceHotMin: last.minute - from,
  };
}

const SOURCE = 'FDA Food Code 3-501.14: 57 to 21 °C within 2 h, to 5 °C within 4 h more';

/** What the rule of two-stage cooling has to say of a crock that acid does not keep. */
export function coolingFinding(states: readonly CrockState[], ph: number): Finding | null {
  const record = ph > SAFE_PH ? coolingRecord(states) : null;
  if (!record) return null;
  const first = record.toMiddleMin ?? record.sinceHotMin;
  const whole = record.toColdMin ?? record.sinceHotMin;
  const rule = 'cooling';
  if (first > COOLING.firstMin) {
    return {
      level: 'hold',
      rule,
      source: SOURCE,
      reason: `From 57 to 21 °C ${record.toMiddleMin === null ? 'it has taken' : 'it took'} ${hours(first)}; two hours are the limit, as acid does not keep it.`,
      doNow: 'Reheat it to 74 °C at once and cool it shallow, in ice water; after six hours discard it.',
    };
  }
  if (whole > COOLING.allMin) {
    return {
      level: 'hold',
      rule,
      source: SOURCE,
      reason: `It took ${hours(whole)} to be cold; six hours in all are the limit, as acid does not keep it.`,
      doNow: 'Eat it today or discard it; next time smaller pots, or ice water first.',
    };
  }
  return null;
}

const hours = (min: number) => `${(min / 60).toFixed(1)} h`;
