import type { Family, FieldProblem } from '@oat-crock/contract/wire';

/** Checks a record by the server's own schema (loaded when first needed). Empty where it is right. */
export async function recordProblems(family: Family, draft: unknown): Promise<readonly FieldProblem[]> {
  const { check, gearSchema, InputRefused, lotSchema } = await import('@oat-crock/contract');
  try {
    if (family === 'lots') check(lotSchema, draft);
    else check(gearSchema, draft);
    return [];
  } catch (error) {
    if (error instanceof InputRefused) return error.errors;
    throw error;
  }
}
