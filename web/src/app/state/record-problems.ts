import type { Family, FieldProblem } from '@oat-crock/contract/wire';
import { methodFaults, type Method } from '@oat-crock/core';

/** Checks a record by the server's own schema (loaded when first needed). Empty where it is right. */
export async function recordProblems(family: Family, draft: unknown): Promise<readonly FieldProblem[]> {
  const { check, gearSchema, InputRefused, lotSchema, methodSchema } = await import('@oat-crock/contract');
  const schemas = { lots: lotSchema, gear: gearSchema, methods: methodSchema };
  try {
    const record = check<unknown>(schemas[family], draft);
    return family === 'methods' ? methodFaults(record as Method) : [];
  } catch (error) {
    if (error instanceof InputRefused) return error.errors;
    throw error;
  }
}
