import type { Family, FieldProblem } from '@oat-crock/contract/api';
import { methodFaults, type Method } from '@oat-crock/core';
import { textOf } from '../shared/ui/said';
import { problemsBy } from './problems-by';

/** Checks a record by the server's own schema, a method by the engine as well. Empty where it is right. */
export async function recordProblems(family: Family, draft: unknown): Promise<readonly FieldProblem[]> {
  const problems = await problemsBy(({ lotSchema, gearSchema, methodSchema, orderSchema, plannedBatchSchema }) => {
    return {
      lots: lotSchema,
      gear: gearSchema,
      methods: methodSchema,
      orders: orderSchema,
      plannedBatches: plannedBatchSchema,
    }[family];
  }, draft);
  return family === 'methods' && problems.length === 0
    ? methodFaults(draft as Method).map(({ field, message, remedy }) => ({
        field,
        message: textOf(message),
        remedy: textOf(remedy),
      }))
    : problems;
}
