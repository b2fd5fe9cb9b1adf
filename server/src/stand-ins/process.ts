import { kitchenTime, type ClockReading, type Instrument, type Settings } from '@oat-crock/contract';
import {
  faultyReading,
  readingMoments,
  readTruth,
  replay,
  seededRandom,
  seedFromText,
  standInReading,
  type Batch,
  type Entry,
  type StandInKind,
} from '@oat-crock/core';
import { ulid } from 'ulid';
import { trueRoom } from './true-room.js';
import type { StandInOrders } from './start.js';

/**
 * The simulated thermometer, pH probe, scale and room logger: a client of the public interface like any other. Each reads the
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
    const sound = soundReading(kind as StandInKind, batch, roomAt);
    if (sound && instrument) await post(id, token, readings(kind as StandInKind, instrument, sound, afterMs, nowMs));
  }
}

/** What a sound instrument shows at a moment, null where it has nothing to read. */
type Sound = (atMs: number) => number | null;

/** How an instrument of a kind reads the crock it stands in, or the room; null while it stands in no crock. */
function soundReading(kind: StandInKind, batch: Batch | null, roomAt: (ms: number) => number): Sound | null {
  if (kind === 'room-logger') {
    return (atMs) => readTruth(kind, roomAt(atMs), seededRandom(seedFromText(`${kind} ${atMs}`)));
  }
  return batch && ((atMs) => standInReading(kind, batch, atMs, { roomAt }));
}

function readings(kind: StandInKind, instrument: Instrument, soundAt: Sound, afterMs: number, nowMs: number) {
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
