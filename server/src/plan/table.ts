import type { PlannedPour } from '@oat-crock/contract';
import { stringify } from 'csv-stringify/sync';

/** The hands of planned makes as a table (RFC 4180), one a line in order of time; moments as ISO 8601 in UTC. */
export function tableOf(pours: readonly PlannedPour[]): string {
  const rows = pours.flatMap((pour) =>
    pour.hands.map((hand) => ({
      at: iso(hand.atMs),
      minutes: Math.round(hand.minutes),
      earliest: iso(hand.earliestMs),
      latest: iso(hand.latestMs),
      make: pour.name,
      part: `${pour.part}/${pour.parts}`,
      for: pour.whom,
      stage: hand.stageId,
      hands: hand.says,
      ready: iso(pour.readyMs),
      due: pour.dueMs === null ? '' : iso(pour.dueMs),
      product_g: pour.productG,
      gear: pour.gear.join('; '),
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
