import { SAFE_PH } from '../constants/safety-limits.js';
import type { Batch } from '../batch/replay.js';
import { pouredBy } from '../make/plan.js';
import { lastOf } from '../make/run.js';
import { coolingRecord, type CoolingRecord } from '../safety/cooling.js';
import type { CrockState } from '../state/crock-state.js';
import { pastOf } from './findings.js';
import { msOf, type Timeline } from './timeline.js';

/** What was kept of a make that somebody who inspects it would ask for: its heat, its acid, its cooling, its hours warm. */
export interface SafetyRecord {
  readonly rawMilk: boolean;
  /** All that was poured in had been pasteurised, or heated more, when it was bought. */
  readonly boughtPasteurised: boolean;
  /** Hottest it was in this make, °C, and whether that came to a listed pasteurisation: a record, not a certificate. */
  readonly peakC: number;
  readonly pasteurised: boolean;
  /** Hours between 5 and 57 °C above pH 4.6, so far and as it will end. */
  readonly warmHours: number;
  readonly warmHoursEnd: number;
  /** Where a culture is to guard it: when it comes to pH 4.6 by the course, and the last that was measured. */
  readonly acid: null | {
    readonly byMs: number | null;
    readonly measured: { readonly ph: number; readonly atMs: number; readonly by: string } | null;
  };
  /** Where cold is to guard it: how it cooled. */
  readonly cooling: CoolingRecord | null;
}

export function safetyRecord(batch: Batch, timeline: Timeline, here: CrockState): SafetyRecord {
  const past = pastOf(timeline, here);
  const whole = timeline.stages.flatMap((s) => s.run.states);
  const end = lastOf(timeline.stages[timeline.stages.length - 1]!.run);
  const soured = whole.some((s) => s.souring !== null);
  const reached = whole.find((s) => s.souring !== null && s.ph <= SAFE_PH);
  const measured = batch.readings.findLast((r) => r.quantity === 'ph');
  const rawMilk = pouredBy(timeline.stages.map((s) => s.stage)).some((s) => s.treatment === 'raw');
  return {
    rawMilk,
    boughtPasteurised: !rawMilk,
    peakC: Math.max(...past.map((s) => s.tempC)),
    pasteurised: here.pasteurisedShare >= 1,
    warmHours: here.warmMin / 60,
    warmHoursEnd: end.warmMin / 60,
    acid: soured
      ? {
          byMs: reached ? msOf(timeline, reached.minute) : null,
          measured: measured ? { ph: measured.value, atMs: measured.atMs, by: measured.by } : null,
        }
      : null,
    cooling: end.ph > SAFE_PH ? coolingRecord(past) : null,
  };
}
