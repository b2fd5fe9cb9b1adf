import { coolingFinding } from './cooling.js';
import { OVERDUE, SAFE_PH, WARM_WATCH_H } from '../constants/safety-limits.js';
import type { CrockState } from '../state/crock-state.js';

/** How a rule sees the make. */
export type SafetyLevel = 'fine' | 'watch' | 'hold' | 'discard';

export interface Finding {
  readonly level: Exclude<SafetyLevel, 'fine'>;
  readonly rule: string;
  readonly reason: string;
  readonly doNow: string;
  readonly source: string;
}

/** What the rules read: the trajectory, not the recipe. */
export interface SafetyView {
  readonly state: CrockState;
  /** The states it has passed through so far; none when left out. */
  readonly past?: readonly CrockState[];
  /** pH as last measured, as far as the reading is to be believed; null where nobody measured. */
  readonly measuredPh: number | null;
  readonly rawMilk: boolean;
  /** Minutes of souring so far, and what a usual starter was forecast to take before anything was read; null before souring. */
  readonly souringMin: number | null;
  readonly forecastMin: number | null;
  /** Two different looks of a set curd, and a clean sour smell: as good as a measured acidity for going on with it. */
  readonly acidSeen: boolean;
  readonly onCounter: boolean;
  readonly ended: boolean;
}

const ACID_SOURCE = 'FDA Food Code 1-201.10 (acid as a control at pH 4.6); acid in time';

/** Everything the rules have to say of a make now, gravest first. */
export function assessSafety(view: SafetyView): Finding[] {
  const cooling = coolingFinding(view.past ?? [], view.measuredPh ?? view.state.ph);
  return [acidInTime(view), endedAcid(view), counterDrain(view), warmHours(view), rawRecord(view), cooling]
    .filter((f): f is Finding => f !== null)
    .sort((a, b) => RANK[b.level] - RANK[a.level]);
}

const RANK = { watch: 1, hold: 2, discard: 3 } as const;

/** The gravest level among findings. */
export function gravest(findings: readonly Finding[]): SafetyLevel {
  return findings[0]?.level ?? 'fine';
}

function acidInTime(view: SafetyView): Finding | null {
  const { souringMin, forecastMin, measuredPh } = view;
  if (souringMin === null || forecastMin === null || view.ended) return null;
  if (measuredPh !== null && measuredPh <= SAFE_PH) return null;
  const ratio = souringMin / forecastMin;
  const source = ACID_SOURCE;
  const rule = 'acid in time';
  if (view.acidSeen) {
    if (ratio <= OVERDUE.watch) return null;
    return {
      level: 'watch',
      rule,
      source,
      reason: 'It is set and smells clean and sour: left longer than forecast it is sharper, no worse.',
      doNow: 'Chill it now. Measure the pH where you can; above 4.6 it does not keep.',
    };
  }
  if (ratio > OVERDUE.discard) return discardOf(measuredPh, rule);
  if (ratio > OVERDUE.hold) {
    return {
      level: 'hold',
      rule,
      source,
      reason: `It has been warm ${ratio.toFixed(1)} times as long as forecast and nobody has measured pH ${SAFE_PH} or less.`,
      doNow: 'Measure the pH. Above 4.6 by now: do not eat it.',
    };
  }
  if (ratio > OVERDUE.watch) {
    return {
      level: 'watch',
      rule,
      source,
      reason: 'It is slower than forecast.',
      doNow: 'Measure the pH or tilt the crock, and log what you see.',
    };
  }
  return null;
}

function discardOf(measuredPh: number | null, rule: string): Finding {
  const seen =
    measuredPh === null ? 'with nothing that shows it has soured' : `and it was last at pH ${measuredPh.toFixed(2)}`;
  return {
    level: 'discard',
    rule,
    source: ACID_SOURCE,
    reason: `Twice the forecast time has gone, ${seen}: something other than the culture may have grown.`,
    doNow:
      'Look and smell before anything, and log both: set, with a film of whey and a clean sour smell, it is only sharper. Else discard it without tasting, scald everything, start again with a fresh starter.',
  };
}

function endedAcid(view: SafetyView): Finding | null {
  const ph = view.measuredPh ?? view.state.ph;
  if (!view.ended || ph <= SAFE_PH) return null;
  if (view.state.souring === null || view.state.curd.churned >= 1) {
    return {
      level: 'watch',
      rule: 'not kept by acid',
      source: 'FDA Food Code 3-501.14 (cooling) and 3-501.17 (date marking)',
      reason: `At pH ${ph.toFixed(2)} acid does not guard it; it never was meant to.`,
      doNow: 'Keep it at 5 °C or colder and eat it within five days.',
    };
  }
  return {
    level: 'hold',
    rule: 'acid endpoint',
    source: ACID_SOURCE,
    reason: `It ended at pH ${ph.toFixed(2)}, above ${SAFE_PH}: acid does not guard it.`,
    doNow: 'Keep it at 5 °C or colder, eat it within three days, and do not sell it.',
  };
}

function counterDrain(view: SafetyView): Finding | null {
  const ph = view.measuredPh ?? view.state.ph;
  if (!view.onCounter || ph <= SAFE_PH) return null;
  return {
    level: 'hold',
    rule: 'counter draining',
    source: ACID_SOURCE,
    reason: `It drains on the counter at pH ${ph.toFixed(2)}.`,
    doNow: 'Move it into the cold now.',
  };
}

function warmHours(view: SafetyView): Finding | null {
  const hours = view.state.warmMin / 60;
  if (hours < WARM_WATCH_H || (view.measuredPh ?? view.state.ph) <= SAFE_PH) return null;
  return {
    level: 'watch',
    rule: 'hours warm',
    source: 'FDA Food Code 3-501.14 and 3-501.19 (time and temperature control)',
    reason: `${hours.toFixed(0)} hours between 5 and 57 °C above pH ${SAFE_PH} so far.`,
    doNow: 'Measure the pH; if it is not falling, stop.',
  };
}

function rawRecord(view: SafetyView): Finding | null {
  if (!view.rawMilk || view.state.pasteurisedShare >= 1 || view.state.souring === null) return null;
  return {
    level: 'watch',
    rule: 'raw milk',
    source: 'Pasteurized Milk Ordinance, definitions of pasteurization',
    reason: 'This is raw milk and this make did not heat it to a listed pasteurisation.',
    doNow: 'Label it raw; keep it from anyone pregnant, very young, old or ill. Next time hold 72 °C for 15 s or more.',
  };
}
