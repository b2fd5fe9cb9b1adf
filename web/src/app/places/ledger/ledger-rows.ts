import { countedOf, FAULTS, makeLineOf, plainWords, saidOf, type Batch, type MakeLine } from '@oat-crock/core';
import type { MakesAsked, MakesFilter, MakesFound } from '@oat-crock/contract/api';
import { lotCode } from '../../shared/ui/lot-code';
import { named, tell, textOf } from '../../shared/ui/said';
import { mass } from '../../shared/ui/words';
import { sayDay } from '../../shared/ui/days';
import { written } from '../../shared/ui/dates';

/** A make as it is read in the table of the ledger. */
export interface LedgerRow {
  readonly line: MakeLine;
  readonly begun: string;
  readonly method: string;
  readonly lot: string;
  readonly made: string;
  readonly here: string;
  readonly useBy: string;
}

/** A make in words. */
export function ledgerRow(line: MakeLine): LedgerRow {
  const { startedMs, id, made, here, unit, called, madeG, useBy, state } = line;
  const isDone = state !== 'on' && state !== 'discarded' && madeG > 0;
  const weighs = isDone ? mass(madeG) : '';
  return {
    line,
    begun: written(startedMs, 'dayYear'),
    method: named(line.method),
    lot: lotCode({ startedMs, id }),
    made: !isDone
      ? tell('page.ledger.rows.state', { state })
      : unit === 'pots'
        ? `${weighs}, ${textOf(countedOf({ unit, called }, made))}`
        : weighs,
    here: here > 0 ? textOf(countedOf({ unit, called }, here)) : '',
    useBy: useBy === null ? '' : sayDay(useBy),
  };
}

/** What is found among the makes that this page has, as the kitchen's server would: for when that does not answer. */
export function foundHere(batches: readonly Batch[], asked: MakesAsked): MakesFound {
  const words = plainWords(asked.find).split(/\s+/).filter(Boolean);
  const lines = batches
    .map((batch) => ({ batch, line: makeLineOf(batch) }))
    .filter(({ batch, line }) => isAsked(line, asked) && words.every((word) => textFound(batch, line).includes(word)))
    .map(({ line }) => line)
    .sort(inOrder(asked));
  return { found: lines.length, all: batches.length, makes: lines.slice(asked.skip, asked.skip + asked.take) };
}

const isAsked = (line: MakeLine, { states, methodId, fromMs, untilMs, taste }: MakesFilter) =>
  (states.length === 0 || states.includes(line.state)) &&
  (methodId === null || line.methodId === methodId) &&
  (fromMs === null || line.startedMs >= fromMs) &&
  (untilMs === null || line.startedMs < untilMs) &&
  (taste === null || (line.score?.taste ?? 0) >= taste);

function textFound(batch: Batch, line: MakeLine): string {
  const { name, method, startedMs } = line;
  const day = written(startedMs, 'dayYear');
  const wrong = batch.complaints.map((fault) => named(FAULTS[fault].seen));
  return plainWords([name, named(method), lotCode(batch), day, ...wrong, ...saidOf(batch)].join(' '));
}

/** By a figure, what has none last; makes of one figure by when they were begun. */
function inOrder({ sort, descending }: MakesAsked): (a: MakeLine, b: MakeLine) => number {
  const way = descending ? -1 : 1;
  return (a, b) => {
    const [x, y] = [sortedBy(a, sort), sortedBy(b, sort)];
    if (x === null || y === null) return Number(x === null) - Number(y === null) || b.startedMs - a.startedMs;
    return (x < y ? -way : x > y ? way : 0) || b.startedMs - a.startedMs;
  };
}

function sortedBy(line: MakeLine, sort: MakesAsked['sort']): number | string | null {
  if (sort === 'started') return line.startedMs;
  if (sort === 'name') return plainWords(line.name);
  if (sort === 'made') return line.madeG;
  if (sort === 'here') return line.hereG;
  return sort === 'useBy' ? line.useBy : (line.score?.taste ?? null);
}
