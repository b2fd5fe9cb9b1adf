import { SAFE_PH } from '../constants/safety-limits.js';
import type { Environment } from '../environment/environment.js';
import { forecastDrain, type DrainForecast } from '../forecast/drain-forecast.js';
import {
  forecastSouring,
  type FanPoint,
  type ForecastOptions,
  type SouringForecast,
} from '../forecast/souring-forecast.js';
import type { Expecting } from '../learn/expecting.js';
import type { Pooled } from '../learn/pooled.js';
import { type GivenWindow, widened, widthAt } from '../learn/widths.js';
import { solidsFraction, totalG } from '../materials/composition.js';
import { drainProblem, souringProblem } from './forecast-problems.js';
import { firstOf, lastOf, type StageRun } from './run.js';

/** When a sheet's souring is sour, and when acid guards it. */
export interface SheetSouring {
  readonly beginMin: number;
  readonly targetPh: number;
  readonly forecast: SouringForecast;
  /** Minutes from its begin until acid guards it, as it is likely to go; null where it never does. */
  readonly guardedAfterMin: number | null;
  /** Where the clock ends it: when, and how sour it is then. */
  readonly byClock: { readonly endMin: number; readonly ph: FanPoint } | null;
}

/** When a sheet's curd has drained. */
export interface SheetStraining {
  readonly beginMin: number;
  readonly forecast: DrainForecast;
  /** Where the clock ends it: when, all the whey that is gone by then, and what it is. */
  readonly byClock: { readonly endMin: number; readonly wheyG: number; readonly solidsPct: number } | null;
}

/** The souring of a make as it would be forecast before anything was poured; null where nothing sours. */
export function souringOf(
  runs: readonly StageRun[],
  environment: Environment,
  options: ForecastOptions,
  { souringPriorFor }: Expecting,
  learned?: Pooled,
): SheetSouring | null {
  for (const run of runs) {
    const problem = souringProblem(run, environment);
    if (problem) {
      const [beginMin, endMin] = [firstOf(run).minute, lastOf(run).minute];
      const asked = run.stage.kind.endsAt ? { ...options, atMin: endMin - beginMin } : options;
      const own = forecastSouring({ ...problem, prior: souringPriorFor(problem, run.stage) }, [], asked);
      const forecast = asWideAsHeld(own, 'acidity', learned);
      const byClock = forecast.at && { endMin, ph: forecast.at };
      return { beginMin, targetPh: problem.targetPh, forecast, guardedAfterMin: guardedAfter(runs, beginMin), byClock };
    }
  }
  return null;
}

/** A forecast as wide as this kitchen's windows have had to be to hold. */
function asWideAsHeld<T extends Pick<DrainForecast, 'p10Min' | 'p50Min' | 'p90Min'>>(
  forecast: T,
  by: GivenWindow['by'],
  learned: Pooled | undefined,
): T {
  const { p10Min, p50Min, p90Min } = forecast;
  const [from, to] = widened(p10Min, p50Min, p90Min, widthAt(learned, by, 0));
  return { ...forecast, p10Min: from === null ? null : Math.max(0, from), p90Min: to };
}

function guardedAfter(runs: readonly StageRun[], beginMin: number): number | null {
  const states = runs.flatMap((r) => r.states).filter((s) => s.minute >= beginMin);
  const guarded = states.find((s) => s.ph <= SAFE_PH);
  return guarded ? guarded.minute - beginMin : null;
}

/** The same of its last draining. */
export function strainingOf(
  runs: readonly StageRun[],
  environment: Environment,
  options: ForecastOptions,
  { drainPriorFor }: Expecting,
  learned?: Pooled,
): SheetStraining | null {
  const run = runs.findLast((r) => r.stage.kind.drainage);
  const problem = run && drainProblem(run, environment);
  if (!run || !problem) return null;
  const end = lastOf(run);
  const byClock = run.stage.kind.endsAt && {
    endMin: end.minute,
    wheyG: totalG(end.whey),
    solidsPct: 100 * solidsFraction(end.masses),
  };
  return {
    beginMin: firstOf(run).minute,
    forecast: asWideAsHeld(
      forecastDrain(problem.course, problem.wantedWheyG, [], options, drainPriorFor(run.stage)),
      'solids',
      learned,
    ),
    byClock: byClock ?? null,
  };
}
