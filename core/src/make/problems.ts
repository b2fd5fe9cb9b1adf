import type { Problem } from '../stages/kind.js';
import { firstOf, lastOf, type StageRun } from './run.js';

/** What stands in the way of the stages of a make, as they were run. */
export function problemsOf(runs: readonly StageRun[]): readonly Problem[] {
  return runs.flatMap((run, i) => {
    const before = i > 0 ? lastOf(runs[i - 1]!) : firstOf(run);
    const { kind, params } = run.stage;
    return [
      ...kind.problems(params, before),
      ...(run.finished ? (kind.problemsAtEnd?.(params, lastOf(run), firstOf(run)) ?? []) : []),
    ];
  });
}
