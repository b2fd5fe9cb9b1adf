import type { Environment } from '../environment/environment.js';
import type { Wake } from './household.js';
import { courseOf, firstOf, lastOf, runOn, type StageRun } from './run.js';

const MS_PER_MIN = 60_000;

/**
 * Leaves a stage that would be done in the night until somebody is awake, where its give allows: a drain or a cold
 * rest waits, a souring does not. What cannot wait is left where it is, to be seen.
 *
 * @param startMs moment of the make's minute 0
 */
export function untilWoken(run: StageRun, environment: Environment, startMs: number, wake: Wake): StageRun {
  if (!run.finished) return run;
  const doneMs = startMs + lastOf(run).minute * MS_PER_MIN;
  const waitMin = (wake(doneMs) - doneMs) / MS_PER_MIN;
  if (waitMin <= 0) return run;
  const { lateMin } = run.stage.kind.slack(run.stage.params, courseOf(run, environment));
  return waitMin <= lateMin ? runOn(run, environment, waitMin) : run;
}

/** The first moment at which a stage's work was done, minutes of the make; null where it never is. */
export function doneMinute(run: StageRun, environment: Environment): number | null {
  const { kind, params } = run.stage;
  const since = firstOf(run).minute;
  return run.states.find((s) => kind.done(s, params, environment, since))?.minute ?? null;
}
