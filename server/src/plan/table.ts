import type { PlannedBatch } from '@oat-crock/contract';
import { stringify } from 'csv-stringify/sync';

/** The hands of planned makes as a table (RFC 4180), one a line in order of time; moments as ISO 8601 in UTC. */
export function tableOf(plannedBatches: readonly PlannedBatch[]): string {
  const rows = plannedBatches.flatMap((plannedBatch) =>
    plannedBatch.tasks.map((task) => ({
      at: iso(task.atMs),
      minutes: Math.round(task.minutes),
      earliest: iso(task.earliestMs),
      latest: iso(task.latestMs),
      make: plannedBatch.name,
      part: `${plannedBatch.part}/${plannedBatch.parts}`,
      for: plannedBatch.whom,
      stage: task.stageId,
      tasks: task.says,
      ready: iso(plannedBatch.readyMs),
      due: plannedBatch.dueMs === null ? '' : iso(plannedBatch.dueMs),
      product_g: plannedBatch.productG,
      gear: plannedBatch.gear.join('; '),
    })),
  );
  rows.sort((a, b) => (a.at < b.at ? -1 : 1));
  return stringify(rows, { header: true, columns: COLUMNS, record_delimiter: 'windows', escape_formulas: true });
}

const COLUMNS = [
  'at',
  'minutes',
  'earliest',
  'latest',
  'make',
  'part',
  'for',
  'stage',
  'hands',
  'ready',
  'due',
  'product_g',
  'gear',
];

const iso = (ms: number) => new Date(ms).toISOString();
