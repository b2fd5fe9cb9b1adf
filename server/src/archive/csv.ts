import { finishedStockOf, methodOf, movedIn, replay, type Batch } from '@oat-crock/core';
import type { Kitchen } from '../kitchen.js';
import { spreadsheetRows } from '../spreadsheet.js';

/** A table for a spreadsheet: its columns, and its rows a few at a time. */
export interface Table {
  readonly name: 'makes' | 'movements' | 'readings';
  readonly columns: readonly string[];
  readonly rows: () => Iterable<readonly Row[]>;
}

type Row = Readonly<Record<string, string | number | null>>;

const PAGE = 200;
const iso = (ms: number) => new Date(ms).toISOString();

/** The tables that a kitchen can be read as. */
export function tablesOf(kitchen: Kitchen): readonly Table[] {
  return [makesTable(kitchen), movementsTable(kitchen), readingsTable(kitchen)];
}

/** Some rows of a table as text. */
export const csvText = ({ columns }: Table, rows: readonly Row[], header: boolean): string =>
  spreadsheetRows(rows, columns, header);

function* batches({ entries, makes }: Kitchen): Iterable<readonly Batch[]> {
  const ids = makes.inOrder();
  for (let from = 0; from < ids.length; from += PAGE)
    yield ids.slice(from, from + PAGE).flatMap((id) => replay(entries.ofBatch(id, 'none')) ?? []);
}

function makesTable(kitchen: Kitchen): Table {
  const { words } = kitchen;
  const columns = [
    ...[
      'id',
      'name',
      'method',
      'begun',
      'ended',
      'state',
      'product_g',
      'whey_g',
      'held_back_g',
      'pots',
      'here',
      'use_by',
    ],
    ...['sourness', 'thickness', 'smoothness', 'taste', 'words'],
    ...['in_g', 'forecast_g', 'yield_pct', 'lost_pct', 'outlay', 'per_kg', 'end_ph', 'soured_h', 'forecast_soured_h'],
  ];
  return {
    name: 'makes',
    columns,
    *rows() {
      for (const page of batches(kitchen)) {
        const figures = new Map(kitchen.figures.ofMakes(page.map(({ id }) => id)).map((m) => [m.make.id, m.figures]));
        yield page.map((batch): Row => {
          const { ended } = batch;
          const done = ended?.how === 'finished' ? ended : null;
          const of = figures.get(batch.id);
          return {
            id: batch.id,
            name: batch.name,
            method: words(methodOf(batch).name),
            begun: iso(batch.startedMs),
            ended: ended && iso(ended.atMs),
            state: ended?.how ?? 'on',
            product_g: done?.productG ?? null,
            whey_g: done?.wheyG ?? null,
            held_back_g: done?.heldBackG ?? null,
            pots: done?.pots ?? null,
            here: finishedStockOf(batch)?.left ?? null,
            use_by: done?.useBy ?? null,
            ...(done?.score ?? {}),
            words: done?.words ?? (ended?.how === 'discarded' ? ended.reason : ''),
            in_g: of?.inG ?? null,
            forecast_g: of?.forecastG ?? null,
            yield_pct: of?.yieldPct ?? null,
            lost_pct: of?.lostPct ?? null,
            outlay: of?.outlay ?? null,
            per_kg: of?.perKg ?? null,
            end_ph: of?.endPh ?? null,
            soured_h: of?.souredH ?? null,
            forecast_soured_h: of?.forecastSouredH ?? null,
          };
        });
      }
    },
  };
}

function movementsTable(kitchen: Kitchen): Table {
  return {
    name: 'movements',
    columns: ['make_id', 'make', 'at', 'moved', 'how', 'count', 'unit', 'to', 'why'],
    *rows() {
      for (const page of batches(kitchen)) {
        yield page.flatMap((batch) => {
          const unit = finishedStockOf(batch)?.unit ?? 'g';
          return batch.movements.map((m): Row => ({
            make_id: batch.id,
            make: batch.name,
            at: iso(m.atMs),
            moved: m.is,
            how: m.is === 'issued' ? m.how : m.where,
            count: movedIn(unit, m),
            unit,
            to: m.is === 'issued' ? (m.to ?? '') : '',
            why: m.is === 'issued' ? (m.why ?? '') : '',
          }));
        });
      }
    },
  };
}

/** Readings as they stand: without those that were taken back, and with what corrections made of the others. */
function readingsTable({ entries, makes }: Kitchen): Table {
  return {
    name: 'readings',
    columns: ['make_id', 'at', 'quantity', 'value', 'by', 'source'],
    *rows() {
      for (const id of makes.inOrder()) {
        const log = entries.ofBatch(id);
        const sources = new Map(log.map((entry) => [entry.id, entry.source]));
        yield (replay(log)?.readings ?? []).map((r): Row => ({
          make_id: id,
          at: iso(r.atMs),
          quantity: r.quantity,
          value: r.value,
          by: r.by,
          source: sources.get(r.id)!,
        }));
      }
    },
  };
}
