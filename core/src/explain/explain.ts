import { workOut } from '../follow/follow.js';
import type { Batch } from '../batch/replay.js';
import type { Household } from '../environment/household.js';
import { USUAL_FORECAST, type ForecastOptions } from '../forecast/souring-forecast.js';
import { methodOf } from '../make/planned.js';
import { caseOf, type Case } from './case.js';
import type { Cause } from './cause.js';
import { CAUSES, type CauseId } from './causes.js';
import { FAULTS, type FaultId } from './faults.js';
import { nextTime, type NextTime } from './next-time.js';

/** A cause with how likely it is among the others, and what speaks for and against it. */
export interface RankedCause {
  readonly cause: CauseId;
  readonly says: string;
  /** 0–1; all causes of a fault, and one that was not thought of, add up to 1. */
  readonly chance: number;
  readonly speaksFor: readonly string[];
  readonly speaksAgainst: readonly string[];
  readonly next: string;
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
    nextTime: nextTime(ranked.cause, method, worked.choices),
  }));
}

/** The same from a case already drawn up. */
export function rankCauses(fault: FaultId, shown: Case): RankedCause[] {
  const weighed = FAULTS[fault].causes.map((id, i) => {
    const cause: Cause = CAUSES[id];
    const evidence = cause.weigh(shown);
    return { id, cause, evidence, logOdds: evidence.reduce((sum, e) => sum + e.weight, -LESS_EACH * i) };
  });
  const total = weighed.reduce((sum, w) => sum + Math.exp(w.logOdds), Math.exp(UNTHOUGHT_OF));
  return weighed
    .map(({ id, cause, evidence, logOdds }) => ({
      cause: id,
      says: cause.says,
      chance: Math.exp(logOdds) / total,
      speaksFor: evidence.filter((e) => e.weight > 0).map((e) => e.says),
      speaksAgainst: evidence.filter((e) => e.weight < 0).map((e) => e.says),
      next: cause.next,
    }))
    .sort((a, b) => b.chance - a.chance);
}
