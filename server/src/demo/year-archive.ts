import { pino } from 'pino';
import { writeArchive } from '../archive/write.js';
import { openKitchen } from '../kitchen.js';
import { openDb } from '../store/open.js';
import { trueRoom } from '../simulator/true-room.js';
import { DEMO_ROOM } from './dairy.js';
import { playYear } from './year.js';

/** The year before the demonstration's week as an archive: the same bytes each time it is played by the same engine. */
export async function yearArchive(): Promise<Buffer> {
  const time = { startMs: Date.UTC(2026, 3, 27), rate: 1, zone: 'UTC' };
  // A clock that stands still: what is written does not depend on when that is.
  const kitchen = openKitchen(openDb(':memory:'), pino({ level: 'silent' }), time, () => 0);
  const { settings } = kitchen.household.settings();
  const { logs, lots } = playYear(trueRoom({ ...settings, ...DEMO_ROOM }));
  for (const { lot, goneMs } of lots) kitchen.lots.put({ version: 2, goneMs, item: lot });
  for (const log of logs) kitchen.entries.append(log);
  const chunks: Uint8Array[] = [];
  await writeArchive(kitchen, (bytes) => void chunks.push(bytes));
  kitchen.db.close();
  return Buffer.concat(chunks);
}
