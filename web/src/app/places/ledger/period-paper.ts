import {
  countedOf,
  finishedStockOf,
  methodOf,
  movedIn,
  temp as tempOf,
  type Batch,
  type Gear,
  type LogLine,
} from '@oat-crock/core';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { entryWords } from '../../shared/log/entry-words';
import { lineNamesIn } from '../../shared/log/timed-log';
import { bold, onA4, ruled, soft } from '../../shared/paper/parts';
import { written } from '../../shared/ui/dates';
import { lotCode } from '../../shared/ui/lot-code';
import { named, quantity, tell, textOf } from '../../shared/ui/said';
import { acidity, dayTime, mass } from '../../shared/ui/words';

/** The makes of some days, and from when to when that is, ms. */
export interface Period {
  readonly fromMs: number;
  readonly untilMs: number;
  readonly nowMs: number;
  /** Those that were begun then, in order of time. */
  readonly batches: readonly Batch[];
  /** Cold shelves of the household, with what was measured of them. */
  readonly shelves: readonly Gear[];
}

/**
 * A stretch of time for an inspector or a bookkeeper: every make with what was measured of its heat and its acid, decisions with
 * their names, what went to whom, and every correction beside what was said first.
 */
export function periodPaper({ fromMs, untilMs, nowMs, batches, shelves }: Period): TDocumentDefinitions {
  const title = tell('page.ledger.periodPaper.title', {
    from: written(fromMs, 'dayYear'),
    until: written(untilMs, 'dayYear'),
  });
  const productG = batches.reduce((sum, { ended }) => sum + (ended?.how === 'finished' ? ended.productG : 0), 0);
  return onA4(title, [
    { text: title, style: 'title' },
    {
      text: tell('page.ledger.periodPaper.sum', {
        count: batches.length,
        product: mass(productG),
        at: written(nowMs, 'record'),
      }),
      style: 'soft',
    },
    heading(tell('page.ledger.ledger.makes')),
    ruled(['auto', '*', 'auto', 'auto', 'auto'], [HEAD(), ...batches.map(makeRow)]),
    ...section('page.ledger.periodPaper.cold', ['*', 'auto'], shelves.map(shelfRow)),
    ...section('page.ledger.periodPaper.decisions', ['auto', '*', '*'], batches.flatMap(decisionRows)),
    ...section('page.ledger.periodPaper.whatWent', ['auto', '*', 'auto', '*'], batches.flatMap(movementRows)),
    ...section('page.ledger.periodPaper.corrections', ['auto', '*', '*'], batches.flatMap(correctionRows)),
    { text: tell('page.ledger.periodPaper.measuredOnly'), style: 'small', margin: [0, 8, 0, 0] },
  ]);
}

const heading = (text: string): Content => ({ text, style: 'heading' });

const HEAD = (): Content[] =>
  [
    tell('page.ledger.ledger.begun'),
    tell('page.ledger.ledger.make'),
    tell('page.ledger.ledger.made'),
    tell('page.ledger.periodPaper.hottest'),
    tell('page.ledger.periodPaper.lastPh'),
  ].map((text) => ({ text, style: 'soft' }));

/** A part of it, where there is anything to say. */
function section(
  key:
    | 'page.ledger.periodPaper.cold'
    | 'page.ledger.periodPaper.decisions'
    | 'page.ledger.periodPaper.whatWent'
    | 'page.ledger.periodPaper.corrections',
  widths: (string | number)[],
  rows: Content[][],
): Content[] {
  return rows.length > 0 ? [heading(tell(key)), ruled(widths, rows)] : [];
}

function makeRow(batch: Batch): Content[] {
  const { ended, readings, startedMs, name } = batch;
  const temps = readings.filter(({ quantity: of }) => of === 'tempC');
  const hottest = temps.reduce<Reading | null>((a, b) => (a && a.value >= b.value ? a : b), null);
  const ph = readings.findLast(({ quantity: of }) => of === 'ph');
  const made =
    ended?.how === 'finished'
      ? mass(ended.productG)
      : tell('page.ledger.rows.state', { state: ended ? 'discarded' : 'on' });
  return [
    dayTime(startedMs),
    { text: [bold(name), soft(`${named(methodOf(batch).name)}, ${lotCode(batch)}`)] },
    made,
    hottest ? { text: [bold(quantity(tempOf(hottest.value, 1))), soft(readAt(hottest))] } : '–',
    ph ? { text: [bold(acidity(ph.value)), soft(readAt(ph))] } : '–',
  ];
}

type Reading = Batch['readings'][number];

/** When it was read, and by what. */
const readAt = ({ atMs, by }: Reading) => tell('page.ledger.periodPaper.readAt', { at: dayTime(atMs), by });

/** A cold shelf: how cold it is, as it was measured last, or that it never was. */
function shelfRow({ name, learned: { holdsC } }: Gear): Content[] {
  return [
    bold(name),
    holdsC
      ? tell('page.ledger.periodPaper.coldMeasured', {
          temp: quantity(tempOf(holdsC.value, 1)),
          day: written(holdsC.atMs, 'dayYear'),
        })
      : tell('page.ledger.periodPaper.coldNotMeasured'),
  ];
}

const decisionRows = (batch: Batch): Content[][] => {
  const discarded = batch.ended?.how === 'discarded' ? [batch.ended] : [];
  return [
    ...batch.decisions.map(({ atMs, decided, by, reason }): Content[] => [
      dayTime(atMs),
      bold(batch.name),
      entryWords({ type: decided, by, reason }),
    ]),
    ...discarded.map(({ atMs, reason, by }): Content[] => [
      dayTime(atMs),
      bold(batch.name),
      entryWords({ type: 'discarded', reason, ...(by !== null && { by }) }),
    ]),
  ];
};

function movementRows(batch: Batch): Content[][] {
  const stock = finishedStockOf(batch);
  if (!stock) return [];
  return batch.movements.flatMap((m): Content[][] =>
    m.is === 'issued'
      ? [
          [
            dayTime(m.atMs),
            { text: [bold(batch.name), soft(lotCode(batch))] },
            textOf(countedOf(stock, movedIn(stock.unit, m))),
            [tell('page.ledger.moveOut.how', { how: m.how }), m.to ?? '', m.why ?? ''].filter(Boolean).join(', '),
          ],
        ]
      : [],
  );
}

/** Lines that were corrected or taken back: what they said first, and what stands now. */
function correctionRows(batch: Batch): Content[][] {
  const names = lineNamesIn(batch);
  const says = ({ entry, now, fate }: LogLine) => {
    const first = entryWords(entry.body, names);
    return fate === 'taken back'
      ? tell('page.ledger.periodPaper.takenBack', { first })
      : tell('page.ledger.periodPaper.saidFirst', { now: now ? entryWords(now, names) : first, first });
  };
  return batch.log
    .filter(({ fate }) => fate === 'corrected' || fate === 'taken back')
    .map((line): Content[] => [dayTime(line.atMs), bold(batch.name), says(line)]);
}
