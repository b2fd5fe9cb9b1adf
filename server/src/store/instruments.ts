import type { Instrument } from '@oat-crock/contract';
import { INSTRUMENT_KINDS, type InstrumentCheck, type InstrumentFault, type SimulatedKind } from '@oat-crock/core';
import type { Db } from './open.js';

/** An instrument as the server keeps it. */
export interface KeptInstrument extends Instrument {
  /** What it shows to be known is kept as its hash. */
  readonly tokenHash: string;
}

/** An instrument as it is put up: nothing has been read with it yet. */
export type NewInstrument = Pick<KeptInstrument, 'id' | 'name' | 'kind' | 'simulated' | 'tokenHash' | 'batchId'>;

interface Row {
  readonly id: string;
  readonly name: string;
  readonly kind: SimulatedKind;
  readonly quantity: Instrument['quantity'];
  readonly simulated: number;
  readonly token_hash: string;
  readonly batch_id: string | null;
  readonly last_ms: number | null;
  readonly last_value: number | null;
  readonly same_since_ms: number | null;
  readonly impossible_ms: number | null;
  readonly impossible_value: number | null;
  readonly fault: InstrumentFault | null;
  readonly fault_since_ms: number | null;
  readonly calibrated_ms: number | null;
  readonly is_paused: number;
  readonly gone_ms: number | null;
}

/** A check, and when it was made, ms. */
export interface CheckAt {
  readonly atMs: number;
  readonly checked: InstrumentCheck;
}

export interface InstrumentStore {
  /** Those that are here. */
  readonly all: () => KeptInstrument[];
  /** One that is here. */
  readonly get: (id: string) => KeptInstrument | undefined;
  readonly add: (instrument: NewInstrument) => void;
  readonly change: (id: string, change: Pick<Instrument, 'name' | 'isPaused'>) => void;
  readonly renew: (id: string, tokenHash: string) => void;
  /** Takes it away; its name stays for the makes that it read. */
  readonly remove: (id: string, atMs: number) => void;
  /** How it was checked, the newest first. */
  readonly checks: (id: string) => readonly CheckAt[];
  readonly check: (id: string, check: CheckAt) => void;
  /** Forgets how it was checked: what it reads from then on stands as it is. */
  readonly uncheck: (id: string) => void;
  readonly place: (id: string, batchId: string | null) => void;
  /** Notes what it read last, and the last that could not be. */
  readonly hasRead: (id: string, seen: Pick<Instrument, 'lastMs' | 'lastValue' | 'sameSinceMs' | 'impossible'>) => void;
  readonly giveFault: (id: string, fault: InstrumentFault | null, sinceMs: number) => void;
  readonly calibrate: (id: string, atMs: number) => void;
}

export function instrumentStore(db: Db): InstrumentStore {
  const all = db.prepare<[], Row>('SELECT * FROM instrument WHERE gone_ms IS NULL ORDER BY id');
  const get = db.prepare<[string], Row>('SELECT * FROM instrument WHERE id = ? AND gone_ms IS NULL');
  const add = db.prepare(
    `INSERT INTO instrument (id, name, kind, quantity, simulated, token_hash, batch_id)
     VALUES (@id, @name, @kind, @quantity, @simulated, @tokenHash, @batchId)
     ON CONFLICT (id) DO UPDATE SET name = @name, token_hash = @tokenHash, gone_ms = NULL`,
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
  const change = db.prepare('UPDATE instrument SET name = @name, is_paused = @isPaused WHERE id = @id');
  const renew = db.prepare<[string, string]>('UPDATE instrument SET token_hash = ? WHERE id = ?');
  const remove = db.prepare<[number, string]>('UPDATE instrument SET gone_ms = ?, batch_id = NULL WHERE id = ?');
  const checks = db.prepare<[string], { atMs: number; checked: string }>(
    'SELECT at_ms AS atMs, checked FROM instrument_check WHERE instrument_id = ? ORDER BY at_ms DESC',
  );
  const check = db.prepare(
    `INSERT INTO instrument_check VALUES (@id, @atMs, @checked)
     ON CONFLICT (instrument_id, at_ms) DO UPDATE SET checked = @checked`,
  );
  const uncheck = db.prepare<[string]>('DELETE FROM instrument_check WHERE instrument_id = ?');
  const checksOf = (id: string) =>
    checks.all(id).map(({ atMs, checked }) => ({ atMs, checked: JSON.parse(checked) as InstrumentCheck }));
  const toInstrument = (row: Row): KeptInstrument => ({ ...plainInstrument(row), check: checksOf(row.id)[0] ?? null });
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
    change: (id, { name, isPaused }) => void change.run({ id, name, isPaused: Number(isPaused) }),
    renew: (id, tokenHash) => void renew.run(tokenHash, id),
    remove: (id, atMs) => void remove.run(atMs, id),
    checks: checksOf,
    check: (id, { atMs, checked }) => void check.run({ id, atMs, checked: JSON.stringify(checked) }),
    uncheck: (id) => void uncheck.run(id),
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

function plainInstrument(row: Row): Omit<KeptInstrument, 'check'> {
  const { id, name, kind, quantity, token_hash: tokenHash, impossible_ms: atMs, impossible_value: value } = row;
  return {
    id,
    name,
    kind,
    quantity,
    tokenHash,
    isPaused: row.is_paused === 1,
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
  const { id, name, kind, quantity, simulated, batchId, isPaused } = kept;
  const { lastMs, lastValue, sameSinceMs, impossible, fault, faultSinceMs, calibratedMs, check } = kept;
  const read = { lastMs, lastValue, sameSinceMs, impossible };
  return { id, name, kind, quantity, simulated, batchId, isPaused, ...read, fault, faultSinceMs, calibratedMs, check };
}
