import type { Text } from '../messages/message.js';
import { workOut } from '../follow/follow.js';
import type { Batch } from '../batch/replay.js';
import type { Household } from '../make/household.js';
import { USUAL_FORECAST, type ForecastOptions } from '../forecast/souring-forecast.js';
import { methodOf } from '../make/planned.js';
import { caseOf, type Case } from './case.js';
import type { Cause } from './cause.js';
import { CAUSES, type CauseId } from './causes.js';
import type { FaultId } from '../batch/fault-ids.js';
import { FAULTS } from './faults.js';
import { nextTime, type NextTime } from './next-time.js';

/** A cause with how likely it is among the others, and what speaks for and against it. */
export interface RankedCause {
  readonly cause: CauseId;
  readonly says: Text;
  /** 0–1; all causes of a fault, and one that was not thought of, add up to 1. Null where nothing in the log speaks for any of them. */
  readonly chance: number | null;
  readonly speaksFor: readonly Text[];
  readonly speaksAgainst: readonly Text[];
  readonly next: Text;
}

/** Each cause is this much less likely than the one checked before it, in log-odds, before anything is known. */
const LESS_EACH = 0.35;

/** Something that was not thought of, in log-odds against the first cause. */
const UNTHOUGHT_OF = -1.5;

/** A ranked cause with what to choose otherwise next time, where a choice mends it. */
export interface ExplainedCause extends RankedCause {
  readonly nextTime: NextTime | null;
}

/** Causes of a fault seen in a batch, likeliest first, each with the evidence of the batch itself. */
export function explain(
  batch: Batch,
  fault: FaultId,
  nowMs: number,
  options: ForecastOptions = USUAL_FORECAST,
  household: Household = {},
): ExplainedCause[] {
  const worked = workOut(batch, nowMs, options, household);
  const method = methodOf(batch);
  return rankCauses(fault, caseOf(worked)).map((ranked) => ({
    ...ranked,
    nextTime: nextTime(ranked.cause, method, worked.choices, batch.stocks),
  }));
}

/** The same from a case already drawn up. */
export function rankCauses(fault: FaultId, shown: Case): RankedCause[] {
  const possible = FAULTS[fault].causes.filter((id) => (CAUSES[id] as Cause).fits?.(shown) ?? true);
  const weighed = possible.map((id, i) => {
    const cause: Cause = CAUSES[id];
    const evidence = cause.weigh(shown);
    return { id, cause, evidence, logOdds: evidence.reduce((sum, e) => sum + e.weight, -LESS_EACH * i) };
  });
  const total = weighed.reduce((sum, w) => sum + Math.exp(w.logOdds), Math.exp(UNTHOUGHT_OF));
  const anySupported = weighed.some(({ evidence }) => evidence.some((e) => e.weight > 0));
  const ranked = weighed
    .sort((a, b) => b.logOdds - a.logOdds)
    .map(({ id, cause, evidence, logOdds }) => ({
      cause: id,
      says: cause.says,
      chance: anySupported ? Math.exp(logOdds) / total : null,
      speaksFor: evidence.filter((e) => e.weight > 0).map((e) => e.says),
      speaksAgainst: evidence.filter((e) => e.weight < 0).map((e) => e.says),
      next: cause.next,
    }));
  return fault === 'foul' ? ranked : lookedAtFirst(ranked, shown);
}

/** What must have been looked at to be named first does not lead where nobody looked. The complaint that it is foul is a look. */
function lookedAtFirst(ranked: RankedCause[], shown: Case): RankedCause[] {
  const unseen = ({ cause }: RankedCause) => (CAUSES[cause] as Cause).needsLook?.(shown) ?? false;
  const first = ranked.findIndex((r) => !unseen(r));
  return first <= 0 ? ranked : [ranked[first]!, ...ranked.slice(0, first), ...ranked.slice(first + 1)];
}
