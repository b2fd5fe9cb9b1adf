import { type ClockReading, type Instrument, type Settings } from '@oat-crock/contract';
import {
  faultyReading,
  readingMoments,
  readTruth,
  replay,
  seededRandom,
  seedFromText,
  simulatedReadings,
  type Batch,
  type Entry,
  type SimulatedKind,
} from '@oat-crock/core';
import { ulid } from 'ulid';
import { workerData } from 'node:worker_threads';
import { trueRoom } from './true-room.js';
import type { SimulatorOrders } from './start.js';

/**
 * The simulated thermometer, pH probe, scale and room logger: a client of the public interface like any other. Each reads the
 * crock it stands in at its own pace by the kitchen's clock and posts what it sees.
 */
const { address, instruments } = workerData as SimulatorOrders;

const EVERY_MS = 700;
/** Longest stretch read back where the clock ran fast or jumped, and most readings posted at once. */
const LONGEST_BACK_MS = 48 * 3_600_000;
const MOST_AT_ONCE = 500;

const readUntil = new Map<string, number>();

async function round(): Promise<void> {
  const { kitchenMs: nowMs } = await get<ClockReading>('clock');
  const placed = (await get<{ instruments: Instrument[] }>('instruments')).instruments;
  const roomAt = trueRoom(await get<Settings>('settings'));
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
    const sound = soundReading(kind as SimulatedKind, batch, roomAt, nowMs);
    if (sound && instrument) await post(id, token, readings(kind as SimulatedKind, instrument, sound, afterMs, nowMs));
  }
}

/** What a sound instrument shows at a moment, null where it has nothing to read. */
type Sound = (atMs: number) => number | null;

/** How an instrument of a kind reads the crock it stands in, or the room; null while it stands in no crock. */
function soundReading(
  kind: SimulatedKind,
  batch: Batch | null,
  roomAt: (ms: number) => number,
  nowMs: number,
): Sound | null {
  if (kind === 'room-logger') {
    return (atMs) => readTruth(kind, roomAt(atMs), seededRandom(seedFromText(`${kind} ${atMs}`)));
  }
  return batch && simulatedReadings(kind, batch, nowMs, { roomAt });
}

function readings(kind: SimulatedKind, instrument: Instrument, soundAt: Sound, afterMs: number, nowMs: number) {
  const soundThen = () => soundAt(instrument.faultSinceMs ?? nowMs);
  return readingMoments(kind, afterMs, nowMs).flatMap((atMs) => {
    const sound = soundAt(atMs);
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
  for (let from = 0; from < sent.length; from += MOST_AT_ONCE) {
    await fetch(`${address}/api/v1/instruments/${id}/readings`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${token}` },
      body: JSON.stringify({ readings: sent.slice(from, from + MOST_AT_ONCE) }),
    });
  }
}

/** The server may be busy or going down: a missed round is read back in the next. */
async function keepReading(): Promise<void> {
  for (;;) {
    await round().catch(() => undefined);
    await new Promise((resume) => setTimeout(resume, EVERY_MS));
  }
}

void keepReading();
