import type { Instrument } from '@oat-crock/contract';
import { INSTRUMENT_KINDS, type InstrumentFault, type SimulatedKind } from '@oat-crock/core';
import type { Db } from './open.js';

/** An instrument as the server keeps it. */
export interface KeptInstrument extends Instrument {
  readonly kind: SimulatedKind;
  readonly token: string;
}

/** An instrument as it is put up: nothing has been read with it yet. */
export type NewInstrument = Pick<KeptInstrument, 'id' | 'name' | 'kind' | 'simulated' | 'token' | 'batchId'>;

interface Row {
  readonly id: string;
  readonly name: string;
  readonly kind: SimulatedKind;
  readonly quantity: Instrument['quantity'];
  readonly simulated: number;
  readonly token: string;
  readonly batch_id: string | null;
  readonly last_ms: number | null;
  readonly last_value: number | null;
  readonly same_since_ms: number | null;
  readonly impossible_ms: number | null;
  readonly impossible_value: number | null;
  readonly fault: InstrumentFault | null;
  readonly fault_since_ms: number | null;
  readonly calibrated_ms: number | null;
}

export interface InstrumentStore {
  readonly all: () => KeptInstrument[];
  readonly get: (id: string) => KeptInstrument | undefined;
  readonly add: (instrument: NewInstrument) => void;
  readonly place: (id: string, batchId: string | null) => void;
  /** Notes what it read last, and the last that could not be. */
  readonly hasRead: (id: string, seen: Pick<Instrument, 'lastMs' | 'lastValue' | 'sameSinceMs' | 'impossible'>) => void;
  readonly giveFault: (id: string, fault: InstrumentFault | null, sinceMs: number) => void;
  readonly calibrate: (id: string, atMs: number) => void;
}

export function instrumentStore(db: Db): InstrumentStore {
  const all = db.prepare<[], Row>('SELECT * FROM instrument ORDER BY id');
  const get = db.prepare<[string], Row>('SELECT * FROM instrument WHERE id = ?');
  const add = db.prepare(
    `INSERT INTO instrument (id, name, kind, quantity, simulated, token, batch_id)
     VALUES (@id, @name, @kind, @quantity, @simulated, @token, @batchId)`,
  );
  // In another crock it begins anew: what it read in the last one says nothing of this.
  const place = db.prepare<[string | null, string]>(
    `UPDATE instrument SET batch_id = ?, last_ms = NULL, last_value = NULL, same_since_ms = NULL,
     impossible_ms = NULL, impossible_value = NULL WHERE id = ?`,
  );
  const hasRead = db.prepare(
    `UPDATE instrument SET last_ms = @lastMs, last_value = @lastValue, same_since_ms = @sameSinceMs,
     impossible_ms = @impossibleMs, impossible_value = @impossibleValue WHERE id = @id`,
  );
  const giveFault = db.prepare<[string | null, number | null, string]>(
    'UPDATE instrument SET fault = ?, fault_since_ms = ? WHERE id = ?',
  );
  const calibrate = db.prepare<[number, string]>('UPDATE instrument SET calibrated_ms = ? WHERE id = ?');
  return {
    all: () => all.all().map(toInstrument),
    get: (id) => {
      const row = get.get(id);
      return row && toInstrument(row);
    },
    add: (instrument) => {
      const { quantity } = INSTRUMENT_KINDS[instrument.kind];
      add.run({ ...instrument, quantity, simulated: instrument.simulated ? 1 : 0 });
    },
    place: (id, batchId) => {
      place.run(batchId, id);
    },
    hasRead: (id, { lastMs, lastValue, sameSinceMs, impossible }) => {
      const [impossibleMs, impossibleValue] = [impossible?.atMs ?? null, impossible?.value ?? null];
      hasRead.run({ id, lastMs, lastValue, sameSinceMs, impossibleMs, impossibleValue });
    },
    giveFault: (id, fault, sinceMs) => {
      giveFault.run(fault, fault === null ? null : sinceMs, id);
    },
    calibrate: (id, atMs) => {
      calibrate.run(atMs, id);
    },
  };
}

function toInstrument(row: Row): KeptInstrument {
  const { id, name, kind, quantity, token, impossible_ms: atMs, impossible_value: value } = row;
  return {
    id,
    name,
    kind,
    quantity,
    token,
    simulated: row.simulated === 1,
    batchId: row.batch_id,
    lastMs: row.last_ms,
    lastValue: row.last_value,
    sameSinceMs: row.same_since_ms,
    impossible: atMs === null || value === null ? null : { atMs, value },
    fault: row.fault,
    faultSinceMs: row.fault_since_ms,
    calibratedMs: row.calibrated_ms,
  };
}

/** An instrument without its token: what a page may know. */
export function publicInstrument(kept: KeptInstrument): Instrument {
  const { id, name, quantity, simulated, batchId, lastMs, lastValue, sameSinceMs, impossible } = kept;
  const { fault, faultSinceMs, calibratedMs } = kept;
  const read = { lastMs, lastValue, sameSinceMs, impossible };
  return { id, name, quantity, simulated, batchId, ...read, fault, faultSinceMs, calibratedMs };
}
