import type * as contractModule from '@oat-crock/contract';
import type { FieldProblem } from '@oat-crock/contract/api';

type Contract = typeof contractModule;

/** Checks a value by one of the server's own schemas (loaded when first needed). Empty where it is right. */
export async function problemsBy(
  pick: (contract: Contract) => Parameters<Contract['check']>[0],
  value: unknown,
): Promise<readonly FieldProblem[]> {
  const contract = await import('@oat-crock/contract');
  try {
    contract.check(pick(contract), value);
    return [];
  } catch (error) {
    if (error instanceof contract.InputRefused) return error.errors;
    throw error;
  }
}
