import { holdOf, type Batch } from '../batch/replay.js';
import type { Score } from '../batch/entry.js';
import { methodOf } from '../make/planned.js';
import type { Text } from '../messages/message.js';
import { finishedStockOf, type FinishedStock } from './finished-stock.js';

/** How a make stands: on, done and some of it here, done and all of it gone, held back, or thrown away before its end. */
export const MAKE_STATES = ['here', 'on', 'gone', 'held', 'discarded'] as const;
export type MakeState = (typeof MAKE_STATES)[number];

/** A make as a line of the ledger. */
export interface MakeLine {
  readonly id: string;
  readonly name: string;
  readonly methodId: string;
  readonly method: Text;
  readonly startedMs: number;
  readonly endedMs: number | null;
  readonly state: MakeState;
  /** Of what was finished: how it is counted, how much of it there was and how much is here, in that unit. */
  readonly unit: FinishedStock['unit'];
  readonly called: FinishedStock['called'];
  readonly made: number;
  readonly here: number;
  /** What was weighed of it, and what of that is here, g; nothing where it was not finished. */
  readonly madeG: number;
  readonly hereG: number;
  /** The day on its pots, "2026-05-24". */
  readonly useBy: string | null;
  readonly score: Score | null;
}

/** What the ledger says of a make at a glance; of a make that is on, counts and masses are 0. */
export function makeLineOf(batch: Batch): MakeLine {
  const { id, name, methodId, startedMs, ended } = batch;
  const stock = finishedStockOf(batch);
  const finished = ended?.how === 'finished' ? ended : null;
  return {
    id,
    name,
    methodId,
    method: methodOf(batch).name,
    startedMs,
    endedMs: ended?.atMs ?? null,
    state: stateOf(batch, stock?.left ?? 0),
    unit: stock?.unit ?? 'g',
    called: stock?.called ?? 'pots',
    made: stock?.made ?? 0,
    here: stock?.left ?? 0,
    madeG: finished?.productG ?? 0,
    hereG: stock ? stock.left * stock.eachG : 0,
    useBy: stock?.useBy ?? null,
    score: finished?.score ?? null,
  };
}

function stateOf(batch: Batch, left: number): MakeState {
  if (batch.ended?.how === 'discarded') return 'discarded';
  if (holdOf(batch)) return 'held';
  if (!batch.ended) return 'on';
  return left > 0 ? 'here' : 'gone';
}

/** What somebody has said of a make: notes, words at its end, reasons, who decided, and who got some of it. */
export function saidOf({ notes, ended, decisions, movements, photos, place }: Batch): readonly string[] {
  return [
    ...notes.map(({ text }) => text),
    ...photos.map(({ text }) => text),
    ...decisions.flatMap(({ by, reason }) => [by, reason]),
    ...movements.flatMap((m) => (m.is === 'issued' ? [m.to ?? '', m.why ?? ''] : [])),
    place ?? '',
    ended?.how === 'finished' ? ended.words : (ended?.reason ?? ''),
  ].filter(Boolean);
}
