import { kitchenTime, type ClockReading, type Instrument } from '@oat-crock/contract';
import {
  faultyReading,
  readingMoments,
  replay,
  seededRandom,
  seedFromText,
  standInReading,
  type Batch,
  type Entry,
  type StandInKind,
} from '@oat-crock/core';
import { ulid } from 'ulid';
import type { StandInOrders } from './start.js';

/**
 * The simulated thermometer, pH probe and scale: a client of the public interface like any other. Each reads the
 * crock it stands in at its own pace by the kitchen's clock and posts what it sees.
 */
const orders = JSON.parse(process.env['OAT_CROCK_STAND_INS'] ?? 'null') as StandInOrders | null;
if (!orders) throw new Error('OAT_CROCK_STAND_INS is not set; this process is started by the server');
const { address, instruments } = orders;

const EVERY_MS = 700;
/** Longest stretch read back at once, and most readings posted at once. */
const LONGEST_BACK_MS = 60 * 60_000;

const readUntil = new Map<string, number>();

async function round(): Promise<void> {
  const nowMs = kitchenTime(await get<ClockReading>('clock'), Date.now());
  const placed = (await get<{ instruments: Instrument[] }>('instruments')).instruments;
  const batches = new Map<string, Batch | null>();
  for (const { id, kind, token } of instruments) {
    const instrument = placed.find((i) => i.id === id);
    const batchId = instrument?.batchId ?? null;
    if (batchId && !batches.has(batchId)) {
      batches.set(batchId, replay((await get<{ entries: Entry[] }>(`batches/${batchId}?readings=none`)).entries));
    }
    const batch = batchId ? (batches.get(batchId) ?? null) : null;
    const afterMs = Math.max(readUntil.get(id) ?? nowMs, nowMs - LONGEST_BACK_MS);
    readUntil.set(id, nowMs);
    if (batch && instrument) await post(id, token, readings(kind as StandInKind, instrument, batch, afterMs, nowMs));
  }
}

function readings(kind: StandInKind, instrument: Instrument, batch: Batch, afterMs: number, nowMs: number) {
  const soundThen = () => standInReading(kind, batch, instrument.faultSinceMs ?? nowMs);
  return readingMoments(kind, afterMs, nowMs).flatMap((atMs) => {
    const sound = standInReading(kind, batch, atMs);
    if (sound === null) return [];
    const random = seededRandom(seedFromText(`${instrument.id} ${atMs}`));
    const value = faultyReading(kind, sound, atMs, instrument, soundThen, random);
    return value === null ? [] : [{ id: ulid(atMs), atMs, value }];
  });
}

async function get<T>(path: string): Promise<T> {
  return (await (await fetch(`${address}/api/v1/${path}`)).json()) as T;
}

async function post(id: string, token: string, sent: readonly object[]): Promise<void> {
  if (sent.length === 0) return;
  await fetch(`${address}/api/v1/instruments/${id}/readings`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', authorization: `Bearer ${token}` },
    body: JSON.stringify({ readings: sent }),
  });
}

/** The server may be busy or going down: a missed round is read back in the next. */
async function keepReading(): Promise<void> {
  for (;;) {
    await round().catch(() => undefined);
    await new Promise((resume) => setTimeout(resume, EVERY_MS));
  }
}

process.on('disconnect', () => process.exit(0));
void keepReading();
