import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { serveHere } from './serve-here.js';

const KEY = 'E2E_FILLED_DEMO';

/** The demonstration's data as all tests begin with them. */
export const filledDemo = (): string => process.env[KEY]!;

/** Fills the demonstration once, before all tests, until its finished makes have taught: what is copied knows it from the start. */
export default async function fill(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'oat-crock-e2e-'));
  const file = join(folder, 'demo.sqlite');
  const { kitchen, close } = await serveHere(file, true);
  while (!kitchen.learning.settled) await setTimeout(50);
  await close();
  process.env[KEY] = file;
  return () => rmSync(folder, { recursive: true, force: true });
}
