import { canBe, type InstrumentReading, type ReadingsTaken, type StoredEntry } from '@oat-crock/contract';
import {
  checkOutcome,
  corrected,
  isKept,
  isOfRoom,
  kindReading,
  type CrockQuantity,
  type Entry,
  type KeptReading,
  type RoomReading,
} from '@oat-crock/core';
import { createHash } from 'node:crypto';
import { encodeTime } from 'ulid';
import type { Kitchen } from '../kitchen.js';
import type { CheckAt, KeptInstrument } from '../store/instruments.js';

/** What was kept of what an instrument posted: lines of a crock's log, or readings of the room. */
export interface Kept {
  readonly entries: readonly StoredEntry[];
  readonly room: readonly RoomReading[];
}

/** Where an instrument's readings go. */
interface Place {
  /** Whether this very reading is there already. */
  readonly has: (reading: InstrumentReading) => boolean;
  readonly besides: (atMs: number) => readonly [KeptReading | null, KeptReading | null];
  readonly keep: (reading: InstrumentReading) => void;
  readonly kept: Kept;
}

/**
 * Takes what an instrument posted into the log of the crock it stands in, or to the room's own readings: late, repeated and
 * out of order as it may come. What is too near to a kept reading and no different is let go; what cannot be is noted and not
 * kept. All in one transaction.
 */
export function takeReadings(
  kitchen: Kitchen,
  instrument: KeptInstrument,
  readings: readonly InstrumentReading[],
): ReadingsTaken & { readonly fresh: Kept } {
  const { id: source, quantity } = instrument;
  const place = placeOf(kitchen, instrument);
  return kitchen.db.transaction(() => {
    const impossible: number[] = [];
    let seen = instrument as Pick<KeptInstrument, 'lastMs' | 'lastValue' | 'sameSinceMs' | 'impossible'>;
    let kept = 0;
    const asIs = correcting(kitchen.instruments.checks(source));
    for (const [at, shown] of readings.entries()) {
      const { atMs } = shown;
      const value = asIs(shown);
      const reading = { ...shown, value };
      if (!canBe(quantity, value)) {
        impossible.push(at);
        if (atMs >= (seen.impossible?.atMs ?? 0)) seen = { ...seen, impossible: { atMs, value } };
        continue;
      }
      if (atMs > (seen.lastMs ?? 0)) {
        const sameSinceMs = value === seen.lastValue ? (seen.sameSinceMs ?? atMs) : atMs;
        seen = { ...seen, lastMs: atMs, lastValue: value, sameSinceMs };
      }
      if (!place || place.has(reading)) continue;
      const [before, after] = place.besides(atMs);
      if (!isKept(quantity, reading, before, after)) continue;
      place.keep(reading);
      kept++;
    }
    kitchen.instruments.hasRead(source, seen);
    const thinned = readings.length - impossible.length - kept;
    return { kept, thinned, impossible, fresh: place?.kept ?? { entries: [], room: [] } };
  })();
}

/** What an instrument showed, as it is by the newest check before. */
function correcting(checks: readonly CheckAt[]): (reading: InstrumentReading) => number {
  const known = checks.map(({ atMs, checked }) => ({ atMs, correction: checkOutcome(checked).correction }));
  return ({ atMs, value }) => {
    const check = known.find((check) => check.atMs <= atMs);
    return check ? corrected(value, check.correction) : value;
  };
}

/** Where the readings of an instrument are kept; null while it stands in no crock. */
function placeOf({ entries, room }: Kitchen, { id, batchId, quantity }: KeptInstrument): Place | null {
  if (isOfRoom(quantity)) return roomPlace(room, id);
  return batchId === null ? null : crockPlace(entries, batchId, id, quantity);
}

function roomPlace(room: Kitchen['room'], source: string): Place {
  const fresh: RoomReading[] = [];
  const asKept = (reading: RoomReading | null) => reading && { atMs: reading.atMs, value: reading.tempC };
  const besides = (atMs: number) => {
    const [before, after] = room.besides(source, atMs);
    return [asKept(before), asKept(after)] as const;
  };
  return {
    has: ({ atMs }) => besides(atMs)[0]?.atMs === atMs,
    besides,
    keep: ({ atMs, value }) => {
      room.keep(source, { atMs, tempC: value });
      fresh.push({ atMs, tempC: value });
    },
    kept: { entries: [], room: fresh },
  };
}

function crockPlace(entries: Kitchen['entries'], batchId: string, source: string, quantity: CrockQuantity): Place {
  const fresh: StoredEntry[] = [];
  const idOf = ({ id, atMs }: InstrumentReading) => id ?? readingId(source, atMs);
  return {
    has: (reading) => entries.get(idOf(reading)) !== null,
    besides: (atMs) => {
      const [before, after] = entries.besides(batchId, source, atMs);
      return [asReading(before), asReading(after)];
    },
    keep: (reading) => {
      const { atMs, value } = reading;
      const body = { type: 'reading', quantity, value, by: kindReading(quantity).by } as const;
      fresh.push(...entries.append([{ id: idOf(reading), batchId, atMs, source, body }]).fresh);
    },
    kept: { entries: fresh, room: [] },
  };
}

function asReading(entry: Entry | null): KeptReading | null {
  return entry?.body.type === 'reading' ? { atMs: entry.atMs, value: entry.body.value } : null;
}

const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/** The id of a reading that came without one: of its moment and its instrument, so that it is the same when it comes again. */
export function readingId(source: string, atMs: number): string {
  const bytes = createHash('sha256').update(`${source} ${atMs}`).digest();
  return encodeTime(atMs, 10) + [...bytes.subarray(0, 16)].map((b) => SIGNS[b % 32]).join('');
}
