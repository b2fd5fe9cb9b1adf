import { readingMoments, readTruth, replay, seededRandom, seedFromText, type StockLot } from '@oat-crock/core';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { hashOf, newToken } from '../access/secrets.js';
import { takeArchiveIn, tryArchive } from '../archive/take-in.js';
import type { Kitchen } from '../kitchen.js';
import { DEMO_CURRENCY, DEMO_NAME, DEMO_ROOM, DEMO_INSTRUMENTS, DEMO_TOLD, FOR_SCHOOL, LIVE_KITS } from './dairy.js';
import { demoGear, demoLots } from './larder.js';
import { begunForSchool, demoOrders, demoSupplies } from './orders.js';
import { demoMakes } from './makes.js';
import { trueRoom } from '../simulator/true-room.js';

/** The logger has hung on the wall for so long, ms. */
const ROOM_READ_MS = 10 * 86_400_000;

/** The year before the demonstration's week, played by the engine (`npm run demo-year`), as any archive. */
const YEAR = join(dirname(fileURLToPath(import.meta.url)), '..', '..', 'demo', 'year.zip');

/** Fills an empty database with the demo dairy and its year; one that holds anything is left as it is. */
export async function fillDemo(kitchen: Kitchen, withYear: boolean): Promise<void> {
  if (kitchen.instruments.all().length > 0) return;
  // A demonstration that is opened in the middle of that year, or before it, has not lived it.
  if (withYear && (await tryArchive(kitchen, YEAR)).writtenMs < kitchen.clock.now()) await takeArchiveIn(kitchen, YEAR);
  seedDemo(kitchen);
}

/** Fills an empty database with the demo dairy as it is in its week; one that holds anything is left as it is. */
export function seedDemo(kitchen: Kitchen): void {
  if (kitchen.instruments.all().length > 0) return;
  const nowMs = kitchen.clock.now();
  const { settings: usual } = kitchen.household.settings();
  const { zone } = usual;
  const settings = { ...usual, ...DEMO_ROOM, ...DEMO_NAME, currency: DEMO_CURRENCY };
  const roomAt = trueRoom(settings);
  kitchen.db.transaction(() => {
    kitchen.household.saveSettings(settings, 0);
    for (const atMs of readingMoments('room-logger', nowMs - ROOM_READ_MS, nowMs)) {
      const tempC = readTruth('room-logger', roomAt(atMs), seededRandom(seedFromText(`room-logger ${atMs}`)));
      kitchen.room.keep('room', { atMs, tempC });
    }
    for (const instrument of DEMO_INSTRUMENTS) {
      kitchen.instruments.add({
        ...instrument,
        simulated: true,
        batchId: null,
        tokenHash: hashOf(newToken()),
      });
    }
    for (const recipient of DEMO_TOLD) kitchen.alerts.add(recipient);
    const lots = demoLots(nowMs, zone);
    const milk = lots.find((lot): lot is StockLot => lot.kind === 'milk' && lot.treatment === 'raw')!;
    for (const lot of lots) kitchen.lots.save(lot, 0);
    for (const gear of demoGear(nowMs)) kitchen.gear.save(gear, 0);
    const orders = demoOrders(nowMs, zone);
    for (const order of orders) kitchen.orders.save(order, 0);
    for (const supply of demoSupplies(nowMs, zone)) kitchen.supplies.save(supply, 0);
    const { logs, cultures } = demoMakes(nowMs, milk, zone, roomAt);
    for (const lot of cultures) kitchen.lots.save(lot, 0);
    for (const log of logs) {
      kitchen.entries.append(log);
      const [started] = log;
      const name = started?.body.type === 'started' ? started.body.name : '';
      for (const id of LIVE_KITS[name] ?? []) kitchen.instruments.place(id, started!.batchId);
      if (name === FOR_SCHOOL) kitchen.plannedBatches.save(begunForSchool(orders, replay(log)!, nowMs, zone), 0);
    }
  })();
}
