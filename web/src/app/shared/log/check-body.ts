import type { FieldProblem } from '@oat-crock/contract/api';
import type { EntryBody } from '@oat-crock/core';
import { problemsBy } from '../../state/problems-by';

/** Checks what is about to be logged by the server's own schema. Empty where it is right. */
export function bodyProblems(body: EntryBody): Promise<readonly FieldProblem[]> {
  return problemsBy((contract) => contract.entryBodySchema, body);
}
