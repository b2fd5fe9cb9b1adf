import type { Entry, EntryBody } from '@oat-crock/core';
import type { Express } from 'express';
import { pino } from 'pino';
import { ulid } from 'ulid';
import { createApp } from '../http/app.js';
import { openKitchen, type Kitchen } from '../kitchen.js';
import { openDb } from '../store/open.js';
import { timeSettings } from '../time/settings.js';

/** The week of the demonstration. */
export const DEMO_TIME = timeSettings({}, true, () => 'UTC');
const MACHINE_TIME = timeSettings({}, false, () => 'UTC');

/** A kitchen in memory with its web server, for tests: by the machine's clock, or by that of the demonstration. */
export function testKitchen(demo = false): { readonly kitchen: Kitchen; readonly app: Express } {
  const kitchen = openKitchen(openDb(':memory:'), pino({ level: 'silent' }), demo ? DEMO_TIME : MACHINE_TIME);
  return { kitchen, app: createApp(kitchen, null) };
}

/** An entry by hand. */
export function entryOf(batchId: string, body: EntryBody, atMs = Date.UTC(2026, 4, 2, 8)): Entry {
  return { id: ulid(), batchId, atMs, source: 'hand', body };
}

/** The start of a strained yogurt. */
export function startOf(batchId: string): Entry {
  return entryOf(batchId, { type: 'started', methodId: 'strained-yogurt', choices: { fatPct: 5 }, name: 'Pot' });
}
