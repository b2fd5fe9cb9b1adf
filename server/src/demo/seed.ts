import { USUAL_SETTINGS } from '@oat-crock/contract';
import type { StockLot } from '@oat-crock/core';
import { randomBytes } from 'node:crypto';
import type { Kitchen } from '../kitchen.js';
import { DEMO_CURRENCY, DEMO_ROOM, DEMO_INSTRUMENTS, demoScripts, LIVE_KITS } from './dairy.js';
import { demoGear, demoLots } from './larder.js';
import { play } from './play.js';

/** Fills an empty database with the demo dairy; one that holds anything is left as it is. */
export function seedDemo(kitchen: Kitchen): void {
  if (kitchen.instruments.all().length > 0) return;
  const nowMs = kitchen.clock.now();
  kitchen.db.transaction(() => {
    kitchen.household.saveSettings({ ...USUAL_SETTINGS, ...DEMO_ROOM, currency: DEMO_CURRENCY }, 0);
    for (const instrument of DEMO_INSTRUMENTS) {
      kitchen.instruments.add({
        ...instrument,
        simulated: true,
        batchId: null,
        token: randomBytes(24).toString('base64url'),
      });
    }
    const lots = demoLots(nowMs);
    const milk = lots.find((lot): lot is StockLot => lot.kind === 'milk' && lot.treatment === 'raw')!;
    for (const lot of lots) kitchen.lots.save(lot, 0);
    for (const gear of demoGear(nowMs)) kitchen.gear.save(gear, 0);
    for (const script of demoScripts(nowMs, milk)) {
      const entries = play(script);
      kitchen.entries.append(entries);
      for (const id of LIVE_KITS[script.name] ?? []) kitchen.instruments.place(id, entries[0]!.batchId);
    }
  })();
}
