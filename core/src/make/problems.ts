import type { Problem } from '../stages/kind.js';
import { firstOf, lastOf, type StageRun } from './run.js';

/** What stands in the way of the stages of a make, as they were run. */
export function problemsOf(runs: readonly StageRun[]): readonly Problem[] {
  return runs.flatMap((run, i) => {
    const before = i > 0 ? lastOf(runs[i - 1]!) : firstOf(run);
    const { kind, params, chosenBy = {} } = run.stage;
    const problems = [
      ...kind.problems(params, before),
      ...(run.finished ? (kind.problemsAtEnd?.(params, lastOf(run), firstOf(run)) ?? []) : []),
    ];
    return problems.map((problem) => inChoices(problem, chosenBy));
  });
}

/** A problem of a stage's parameters as one of the choices that tell them, where those are called otherwise. */
function inChoices(problem: Problem, chosenBy: Readonly<Record<string, string | undefined>>): Problem {
  const called = (key: string) => chosenBy[key] ?? key;
  const { field, works } = problem;
  if (!works) return { ...problem, field: called(field) };
  const choices = Object.entries(works).map(([key, value]) => [called(key), value] as const);
  return { ...problem, field: called(field), works: Object.fromEntries(choices) };
}
