import { canBe, type InstrumentReading, type ReadingsTaken, type StoredEntry } from '@oat-crock/contract';
import { isKept, type Entry } from '@oat-crock/core';
import { createHash } from 'node:crypto';
import { encodeTime } from 'ulid';
import type { Kitchen } from '../kitchen.js';
import type { KeptInstrument } from '../store/instruments.js';

const BY = { tempC: 'thermometer', ph: 'meter', wheyG: 'scale' } as const;

/**
 * Takes what an instrument posted into the log of the crock it stands in: late, repeated and out of order as it may come.
 * What is too near to a kept reading and no different is let go; what cannot be is noted and not kept. All in one transaction.
 */
export function takeReadings(
  { db, entries, instruments }: Kitchen,
  instrument: KeptInstrument,
  readings: readonly InstrumentReading[],
): ReadingsTaken & { readonly fresh: readonly StoredEntry[] } {
  const { id: source, batchId, quantity } = instrument;
  return db.transaction(() => {
    const impossible: number[] = [];
    const fresh: StoredEntry[] = [];
    let seen = instrument as Pick<KeptInstrument, 'lastMs' | 'lastValue' | 'sameSinceMs' | 'impossible'>;
    let possible = 0;
    for (const [place, reading] of readings.entries()) {
      const { atMs, value } = reading;
      if (!canBe(quantity, value)) {
        impossible.push(place);
        if (atMs >= (seen.impossible?.atMs ?? 0)) seen = { ...seen, impossible: { atMs, value } };
        continue;
      }
      possible++;
      if (atMs > (seen.lastMs ?? 0)) {
        const sameSinceMs = value === seen.lastValue ? (seen.sameSinceMs ?? atMs) : atMs;
        seen = { ...seen, lastMs: atMs, lastValue: value, sameSinceMs };
      }
      if (batchId === null) continue;
      const id = reading.id ?? readingId(source, atMs);
      if (entries.get(id)) continue;
      const [before, after] = entries.besides(batchId, source, atMs).map(asKept);
      if (!isKept(quantity, reading, before ?? null, after ?? null)) continue;
      const body = { type: 'reading', quantity, value, by: BY[quantity] } as const;
      fresh.push(...entries.append([{ id, batchId, atMs, source, body }]).fresh);
    }
    instruments.hasRead(source, seen);
    return { kept: fresh.length, thinned: possible - fresh.length, impossible, fresh };
  })();
}

function asKept(entry: Entry | null) {
  return entry?.body.type === 'reading' ? { atMs: entry.atMs, value: entry.body.value } : null;
}

const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/** The id of a reading that came without one: of its moment and its instrument, so that it is the same when it comes again. */
export function readingId(source: string, atMs: number): string {
  const bytes = createHash('sha256').update(`${source} ${atMs}`).digest();
  return encodeTime(atMs, 10) + [...bytes.subarray(0, 16)].map((b) => SIGNS[b % 32]).join('');
}
