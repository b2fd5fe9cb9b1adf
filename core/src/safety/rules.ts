import { say, type Text } from '../messages/message.js';
import { acidity, amount, temp } from '../messages/quantity.js';
import { coolingFinding } from './cooling.js';
import { shelfLife } from './shelf-life.js';
import { OVERDUE, SAFE_PH, WARM_WATCH_H } from '../constants/safety-limits.js';
import type { CrockState } from '../state/crock-state.js';

/** How a rule sees the make. */
export type SafetyLevel = 'fine' | 'watch' | 'hold' | 'discard';

export interface Finding {
  readonly level: Exclude<SafetyLevel, 'fine'>;
  readonly rule: Text;
  readonly reason: Text;
  readonly doNow: Text;
  readonly source: Text;
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
  /** Minutes that it was meant to stand, where the clock ends it; null or left out where its acidity does. */
  readonly clockMin?: number | null;
  /** Two different looks of a set curd, and a clean sour smell: as good as a measured acidity for going on with it. */
  readonly acidSeen: boolean;
  readonly onCounter: boolean;
  readonly ended: boolean;
}

const ACID_SOURCE: Text = say('safety.rules.fdaFoodCodeAcid');

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

/** A little after its hour it still stands as it was meant to. */
const MEANT_SHARE = 1.05;

function acidInTime(view: SafetyView): Finding | null {
  const { souringMin, forecastMin, measuredPh } = view;
  if (souringMin === null || forecastMin === null || view.ended) return null;
  if (measuredPh !== null && measuredPh <= SAFE_PH) return null;
  const ratio = souringMin / forecastMin;
  const source = ACID_SOURCE;
  const rule: Text = say('safety.rules.acidTime');
  if (view.acidSeen) {
    if (ratio <= OVERDUE.watch) return null;
    return {
      level: 'watch',
      rule,
      source,
      reason: say('safety.rules.setSmellsCleanSour'),
      doNow: say('safety.rules.chillNowMeasurePh'),
    };
  }
  if (ratio > OVERDUE.watch && measuredPh === null && souringMin <= MEANT_SHARE * (view.clockMin ?? 0)) {
    return {
      level: 'watch',
      rule,
      source,
      reason: say('safety.rules.meantSoLong'),
      doNow: say('safety.rules.lookBeforeGoingOn'),
    };
  }
  if (ratio > OVERDUE.discard) return discardOf(measuredPh, rule);
  if (ratio > OVERDUE.hold) {
    return {
      level: 'hold',
      rule,
      source,
      reason: say('safety.rules.beenWarmTimesLong', { ratio: amount(ratio, 1), safe: acidity(SAFE_PH, 1) }),
      doNow: say('safety.rules.measurePhAboveNow'),
    };
  }
  if (ratio > OVERDUE.watch) {
    return {
      level: 'watch',
      rule,
      source,
      reason: say('safety.rules.slowerForecast'),
      doNow: say('safety.rules.measurePhTiltCrock'),
    };
  }
  return null;
}

function discardOf(measuredPh: number | null, rule: Text): Finding {
  return {
    level: 'discard',
    rule,
    source: ACID_SOURCE,
    reason:
      measuredPh === null
        ? say('safety.rules.twiceForecastUnmeasured')
        : say('safety.rules.twiceForecastMeasured', { ph: acidity(measuredPh) }),
    doNow: say('safety.rules.lookSmellBeforeAnything'),
  };
}

function endedAcid(view: SafetyView): Finding | null {
  const ph = view.measuredPh ?? view.state.ph;
  // Nothing grows in the drops of churned butter as it does in milk; its own life is on its label.
  if (!view.ended || ph <= SAFE_PH || view.state.curd.churned >= 1) return null;
  if (view.state.souring === null) {
    return {
      level: 'watch',
      rule: say('safety.rules.notKeptAcid'),
      source: say('safety.rules.fdaFoodCodeCooling'),
      reason: say('safety.rules.phAcidDoesNot', { ph: acidity(ph) }),
      doNow: say('safety.rules.keepColderEatWithin', { temp: temp(5), days: shelfLife(view.state).days }),
    };
  }
  return {
    level: 'hold',
    rule: say('safety.rules.acidEndpoint'),
    source: ACID_SOURCE,
    reason: say('safety.rules.endedPhAboveAcid', { ph: acidity(ph), safe: acidity(SAFE_PH, 1) }),
    doNow: say('safety.rules.keepColderEatWithin2', { temp: temp(5) }),
  };
}

function counterDrain(view: SafetyView): Finding | null {
  const ph = view.measuredPh ?? view.state.ph;
  if (!view.onCounter || ph <= SAFE_PH) return null;
  return {
    level: 'hold',
    rule: say('safety.rules.counterDraining'),
    source: ACID_SOURCE,
    reason: say('safety.rules.drainsCounterPh', { ph: acidity(ph) }),
    doNow: say('safety.rules.moveIntoColdNow'),
  };
}

/** So far above the pH that guards it, a souring that is over and lives has all but done its work. */
const NEARLY_PH = 0.2;

function nearlyGuarded({ state, souringMin, measuredPh }: SafetyView): boolean {
  const lives = state.souring !== null && !state.souring.dead;
  return lives && souringMin === null && (measuredPh ?? state.ph) <= SAFE_PH + NEARLY_PH;
}

function warmHours(view: SafetyView): Finding | null {
  const hours = view.state.warmMin / 60;
  if (hours < WARM_WATCH_H || (view.measuredPh ?? view.state.ph) <= SAFE_PH) return null;
  if (view.state.curd.churned >= 1 || nearlyGuarded(view)) return null;
  return {
    level: 'watch',
    rule: say('safety.rules.hoursWarm'),
    source: say('safety.rules.fdaFoodCodeTime'),
    reason: say('safety.rules.hoursBetweenAbovePh', {
      hours: amount(hours, 0),
      from: temp(5),
      to: temp(57),
      safe: acidity(SAFE_PH, 1),
    }),
    doNow:
      view.souringMin === null
        ? say('safety.rules.souringOver', { cold: temp(5) })
        : say('safety.rules.measurePhIfNot'),
  };
}

function rawRecord(view: SafetyView): Finding | null {
  if (!view.rawMilk || view.state.pasteurisedShare >= 1 || view.state.souring === null) return null;
  return {
    level: 'watch',
    rule: say('safety.rules.rawMilk'),
    source: say('safety.rules.pasteurizedMilkOrdinanceDefinitions'),
    reason: say('safety.rules.rawMilkMakeDid'),
    doNow: say('safety.rules.labelRawKeepFrom', { temp: temp(72) }),
  };
}
