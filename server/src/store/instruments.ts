import type { Instrument } from '@oat-crock/contract';
import type { StandInKind } from '@oat-crock/core';
import type { Db } from './open.js';

/** An instrument as the server keeps it. */
export interface KeptInstrument extends Instrument {
  readonly kind: StandInKind;
  readonly token: string;
}

interface Row {
  readonly id: string;
  readonly name: string;
  readonly kind: StandInKind;
  readonly quantity: Instrument['quantity'];
  readonly simulated: number;
  readonly token: string;
  readonly batch_id: string | null;
}

export interface InstrumentStore {
  readonly all: () => KeptInstrument[];
  readonly get: (id: string) => KeptInstrument | undefined;
  readonly add: (instrument: KeptInstrument) => void;
  readonly place: (id: string, batchId: string | null) => void;
}

export function instrumentStore(db: Db): InstrumentStore {
  const all = db.prepare<[], Row>('SELECT * FROM instrument ORDER BY id');
  const get = db.prepare<[string], Row>('SELECT * FROM instrument WHERE id = ?');
  const add = db.prepare(
    `INSERT INTO instrument (id, name, kind, quantity, simulated, token, batch_id)
     VALUES (@id, @name, @kind, @quantity, @simulated, @token, @batchId)`,
  );
  const place = db.prepare<[string | null, string]>('UPDATE instrument SET batch_id = ? WHERE id = ?');
  return {
    all: () => all.all().map(toInstrument),
    get: (id) => {
      const row = get.get(id);
      return row && toInstrument(row);
    },
    add: (instrument) => {
      add.run({ ...instrument, simulated: instrument.simulated ? 1 : 0 });
    },
    place: (id, batchId) => {
      place.run(batchId, id);
    },
  };
}

function toInstrument(row: Row): KeptInstrument {
  const { id, name, kind, quantity, token } = row;
  return { id, name, kind, quantity, token, simulated: row.simulated === 1, batchId: row.batch_id };
}

/** An instrument without its token: what a page may know. */
export function publicInstrument({ id, name, quantity, simulated, batchId }: KeptInstrument): Instrument {
  return { id, name, quantity, simulated, batchId };
}
