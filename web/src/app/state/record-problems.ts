import type { FieldProblem } from '@oat-crock/contract/api';
import { methodFaults, type Method } from '@oat-crock/core';
import { textOf } from '../shared/ui/said';
import { problemsBy } from './problems-by';
import type { RecordFamily } from './record-writing';

/** Checks a record by the server's own schema, a method by the engine as well. Empty where it is right. */
export async function recordProblems(family: RecordFamily, draft: object): Promise<readonly FieldProblem[]> {
  // The household's id is the page's own.
  const checked = family === 'settings' ? withoutId(draft) : draft;
  const problems = await problemsBy(
    ({ lotSchema, gearSchema, methodSchema, orderSchema, plannedBatchSchema, supplySchema, settingsSchema }) => {
      return {
        lots: lotSchema,
        gear: gearSchema,
        methods: methodSchema,
        orders: orderSchema,
        plannedBatches: plannedBatchSchema,
        supplies: supplySchema,
        settings: settingsSchema,
      }[family];
    },
    checked,
  );
  return family === 'methods' && problems.length === 0
    ? methodFaults(draft as Method).map(({ field, message, remedy }) => ({
        field,
        message: textOf(message),
        remedy: textOf(remedy),
      }))
    : problems;
}

const withoutId = (record: object) => Object.fromEntries(Object.entries(record).filter(([key]) => key !== 'id'));
