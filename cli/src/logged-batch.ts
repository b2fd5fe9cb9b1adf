import { type Batch, type Choices, type Entry, type EntryBody, methodById, replay } from '@oat-crock/core';
import { InputRefused } from '@oat-crock/contract';
import { refusing } from './refusing.js';

interface LogLine {
  readonly id: string;
  readonly atMin: number;
  readonly body: EntryBody;
}

/** A make and its log, as they come in. */
export interface MakeIn {
  readonly method: string;
  readonly choices: Choices;
  readonly log: readonly LogLine[];
  readonly nowMin: number;
}

const MIN_MS = 60_000;
/** The command line has no calendar: minute 0 of every make. */
const FROM_MS = 0;

export const msOf = (min: number) => FROM_MS + Math.round(min * MIN_MS);
export const minOf = (ms: number | null) => (ms === null ? null : (ms - FROM_MS) / MIN_MS);

/** The batch that a log tells; what is asked for at the top goes before what its first line says. */
export function batchOf({ method, choices, log }: MakeIn, field: string): Batch {
  refusing(`${field}method`, () => methodById(method));
  const entries = log.map(({ id, atMin, body }): Entry => ({
    id,
    batchId: 'cli',
    atMs: msOf(atMin),
    source: 'hand',
    body: body.type === 'started' ? { ...body, methodId: method, choices: { ...body.choices, ...choices } } : body,
  }));
  const batch = replay(entries);
  if (batch) return batch;
  throw new InputRefused([
    { field: `${field}log`, message: 'No line of it starts the make.', remedy: 'Let its first line be "started".' },
  ]);
}
