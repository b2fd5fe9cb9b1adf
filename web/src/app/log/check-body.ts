import type { FieldProblem } from '@oat-crock/contract/wire';
import type { EntryBody } from '@oat-crock/core';

/** Checks what is about to be logged by the server's own schema (loaded when first needed). Empty where it is right. */
export async function bodyProblems(body: EntryBody): Promise<readonly FieldProblem[]> {
  const { entryBodySchema, check, InputRefused } = await import('@oat-crock/contract');
  try {
    check(entryBodySchema, body);
    return [];
  } catch (error) {
    if (error instanceof InputRefused) return error.errors;
    throw error;
  }
}
