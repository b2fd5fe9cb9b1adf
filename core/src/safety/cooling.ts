import { say, type Text } from '../messages/message.js';
import { between, duration, temp } from '../messages/quantity.js';
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

const SOURCE: Text = say('safety.cooling.fdaFoodCodeWithin', { temp: between(temp(57), temp(21)), temp2: temp(5) });

/** What the rule of two-stage cooling has to say of a crock that acid does not keep. */
export function coolingFinding(states: readonly CrockState[], ph: number): Finding | null {
  const record = ph > SAFE_PH ? coolingRecord(states) : null;
  if (!record) return null;
  const first = record.toMiddleMin ?? record.sinceHotMin;
  const whole = record.toColdMin ?? record.sinceHotMin;
  const rule: Text = say('safety.cooling.cooling');
  if (first > COOLING.firstMin) {
    return {
      level: 'hold',
      rule,
      source: SOURCE,
      reason: say(record.toMiddleMin === null ? 'safety.cooling.notYetMiddle' : 'safety.cooling.lateMiddle', {
        temp: between(temp(COOLING.hotC), temp(COOLING.middleC)),
        took: duration(first),
      }),
      doNow: say('safety.cooling.reheatOnceCoolShallow', { temp: temp(74) }),
    };
  }
  if (whole > COOLING.allMin) {
    return {
      level: 'hold',
      rule,
      source: SOURCE,
      reason: say('safety.cooling.tookColdSixHours', { whole: duration(whole) }),
      doNow: say('safety.cooling.eatTodayDiscardNext'),
    };
  }
  return null;
}
