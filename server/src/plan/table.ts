import { doersOf, type PlannedBatch } from '@oat-crock/contract';
import { spreadsheetRows } from '../spreadsheet.js';
import type { Words } from '../words.js';

interface Row {
  readonly at: string;
  readonly minutes: number;
  readonly earliest: string;
  readonly latest: string;
  readonly make: string;
  readonly part: string;
  readonly for: string;
  readonly stage: string;
  readonly hands: string;
  readonly who: string;
  readonly ready: string;
  readonly due: string;
  readonly product_g: number;
  readonly gear: string;
}

/** The hands of planned makes as a table (RFC 4180), one a line in order of time; moments as ISO 8601 in UTC. */
export function tableOf(plannedBatches: readonly PlannedBatch[], words: Words): string {
  const rows = plannedBatches.flatMap((plannedBatch) =>
    plannedBatch.tasks.map((task): Row => ({
      at: iso(task.atMs),
      minutes: Math.round(task.minutes),
      earliest: iso(task.earliestMs),
      latest: iso(task.latestMs),
      make: words(plannedBatch.name),
      part: `${plannedBatch.part}/${plannedBatch.parts}`,
      for: whomsOf(plannedBatch).join('; '),
      stage: task.stageId,
      hands: words(task.says),
      who: words(doersOf(task)),
      ready: iso(plannedBatch.readyMs),
      due: plannedBatch.dueMs === null ? '' : iso(plannedBatch.dueMs),
      product_g: plannedBatch.productG,
      gear: plannedBatch.gear.join('; '),
    })),
  );
  rows.sort((a, b) => (a.at < b.at ? -1 : 1));
  return spreadsheetRows(rows, COLUMNS, true);
}

/** For whom it is made. */
const whomsOf = ({ whom, shares }: PlannedBatch): readonly string[] =>
  [...new Set(shares?.map((s) => s.whom) ?? [whom])].filter(Boolean);

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
  'who',
  'ready',
  'due',
  'product_g',
  'gear',
] as const satisfies readonly (keyof Row)[];

const iso = (ms: number) => new Date(ms).toISOString();
