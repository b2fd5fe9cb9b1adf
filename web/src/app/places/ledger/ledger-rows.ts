import { countedOf, finishedStockOf, holdOf, methodOf, plainWords, type Batch } from '@oat-crock/core';
import { lotCode } from '../../shared/ui/lot-code';
import { named, tell, textOf } from '../../shared/ui/said';
import { mass } from '../../shared/ui/words';
import { sayDay } from '../../shared/ui/days';
import { written } from '../../shared/ui/dates';

/** How a make stands. */
export type MakeState = 'on' | 'here' | 'gone' | 'held' | 'discarded';

/** A make as a line of the ledger: what is read, and beside it what it is sorted by. */
export interface LedgerRow {
  readonly id: string;
  readonly name: string;
  readonly method: string;
  readonly lot: string;
  readonly begun: string;
  readonly begunMs: number;
  readonly made: string;
  readonly madeG: number;
  readonly here: string;
  readonly hereG: number;
  readonly useBy: string;
  readonly useByDay: string;
  readonly taste: number | null;
  readonly state: MakeState;
  readonly stateWords: string;
  /** All that it is found by, in small letters without accents. */
  readonly found: string;
}

/** A make as a line. */
export function ledgerRow(batch: Batch): LedgerRow {
  const { id, name, ended, startedMs } = batch;
  const stock = finishedStockOf(batch);
  const method = named(methodOf(batch).name);
  const lot = lotCode(batch);
  const state = stateOf(batch, stock?.left ?? 0);
  return {
    id,
    name,
    method,
    lot,
    begun: written(startedMs, 'dayYear'),
    begunMs: startedMs,
    made: stock ? madeWords(stock.unit === 'pots' ? textOf(countedOf(stock, stock.made)) : '', batch) : '',
    madeG: ended?.how === 'finished' ? ended.productG : 0,
    here: stock && stock.left > 0 ? textOf(countedOf(stock, stock.left)) : '',
    hereG: stock ? stock.left * stock.eachG : 0,
    useBy: stock?.useBy ? sayDay(stock.useBy) : '',
    useByDay: stock?.useBy ?? '',
    taste: ended?.how === 'finished' ? (ended.score?.taste ?? null) : null,
    state,
    stateWords: tell('page.ledger.rows.state', { state }),
    found: plainWords([name, method, lot, ...saidOf(batch)].join(' ')),
  };
}

const madeWords = (pots: string, { ended }: Batch): string => {
  const weighs = ended?.how === 'finished' ? mass(ended.productG) : '';
  return pots ? `${weighs}, ${pots}` : weighs;
};

function stateOf(batch: Batch, left: number): MakeState {
  const { ended } = batch;
  if (ended?.how === 'discarded') return 'discarded';
  if (holdOf(batch)) return 'held';
  if (!ended) return 'on';
  return left > 0 ? 'here' : 'gone';
}

/** What somebody has said of it: notes, words at the end, reasons, and who got some of it. */
function saidOf({ notes, ended, decisions, movements, photos }: Batch): string[] {
  return [
    ...notes.map((n) => n.text),
    ...photos.map((p) => p.text),
    ...decisions.flatMap((d) => [d.by, d.reason]),
    ...movements.flatMap((m) => (m.is === 'issued' ? [m.to ?? '', m.why ?? ''] : [])),
    ended?.how === 'finished' ? ended.words : (ended?.reason ?? ''),
  ];
}

/** Rows in which every word of a line is found, and that stand so. */
export function foundRows(
  rows: readonly LedgerRow[],
  line: string,
  states: ReadonlySet<MakeState>,
): readonly LedgerRow[] {
  const words = plainWords(line).split(/\s+/).filter(Boolean);
  return rows.filter(
    ({ found, state }) => (states.size === 0 || states.has(state)) && words.every((w) => found.includes(w)),
  );
}
