import { type Batch, type Followed, type LogLine, type Lot, CAUTIONS, temp as tempOf } from '@oat-crock/core';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { writtenLater } from './written-later';
import { entryWords, type LineNames } from './entry-words';
import { lineNamesIn } from './timed-log';
import { A4_PT, bold, onA4, ruled, soft } from '../paper/parts';
import { textOf, untitled, tell } from '../ui/said';
import { written } from '../ui/dates';
import { dayTime, mass } from '../ui/words';
import { lotCode } from '../ui/lot-code';
import { safetyRows } from './safety-words';

/** What heads a record. */
export interface RecordHead {
  readonly method: string;
  readonly nowMs: number;
  /** Every lot there was, by its id. */
  readonly lots?: Readonly<Record<string, { readonly item: Lot }>>;
}

/**
 * A make as one page for somebody who inspects it: what went in, what was done when, its heat, acid and cooling, decisions
 * with their names, and the log with every correction beside what it said first.
 */
export function recordPaper(
  batch: Batch,
  followed: Followed,
  { method, nowMs, lots }: RecordHead,
): TDocumentDefinitions {
  const names = lineNamesIn(batch, lots);
  return onA4(tell('page.make.recordPaper.record', { lot: lotCode(batch) }), [
    {
      columns: [
        { text: batch.name, style: 'title' },
        {
          text: tell('page.make.recordPaper.lotPrinted', { lot: lotCode(batch), at: written(nowMs, 'record') }),
          alignment: 'right',
          style: 'soft',
        },
      ],
    },
    {
      text: tell('page.make.recordPaper.begun', {
        method,
        started: written(batch.startedMs, 'record'),
        end: endWords(batch),
      }),
    },
    {
      columns: [
        {
          width: '*',
          stack: [
            heading(tell('page.make.recordPaper.safety')),
            safetyTable(followed, nowMs),
            ...findings(followed),
            ...decisions(batch),
          ],
        },
        {
          width: '*',
          stack: [
            heading(tell('page.make.recordPaper.whatCame')),
            outcome(batch, followed),
            heading(tell('page.make.recordPaper.otherwisePlanned')),
            ...deviations(followed),
          ],
        },
      ],
      columnGap: A4_PT.gap,
    },
    heading(tell('page.make.recordPaper.logHand')),
    ruled(
      ['auto', '*'],
      batch.log
        .filter(({ entry, fate }) => entry.source === 'hand' && fate !== 'is a correction')
        .map((line): Content[] => [
          { text: [dayTime(line.atMs), writtenLater(line)].filter(Boolean).join(', '), style: 'soft' },
          lineWords(line, names),
        ]),
    ),
    ...instruments(batch),
    { text: textOf(CAUTIONS.defer), style: 'small', margin: [0, 8, 0, 0] },
    { text: tell('page.make.recordPaper.heatRecordRecordNot'), style: 'small' },
  ]);
}

const heading = (text: string): Content => ({ text, style: 'heading' });

function endWords({ ended }: Batch): string {
  if (!ended) return tell('page.make.recordPaper.stillWay');
  return ended.how === 'finished'
    ? tell('page.make.recordPaper.finished', { at: written(ended.atMs, 'record') })
    : ended.by
      ? tell('page.make.recordPaper.discardedBy', {
          at: written(ended.atMs, 'record'),
          by: ended.by,
          reason: ended.reason,
        })
      : tell('page.make.recordPaper.discarded', { at: written(ended.atMs, 'record'), reason: ended.reason });
}

function safetyTable({ safety }: Followed, nowMs: number): Content {
  return ruled(
    [42, '*'],
    safetyRows(safety, nowMs).map(({ what, says }) => [{ text: what, style: 'soft' }, { text: textOf(says) }]),
  );
}

function findings({ findings: found }: Followed): Content[] {
  return found.map(({ level, rule, reason, source }): Content => ({
    text: [bold(`${tell('page.make.recordPaper.level', { level, rule })} `), textOf(reason), soft(textOf(source))],
    margin: [0, 3, 0, 0],
  }));
}

function decisions({ decisions: taken }: Batch): Content[] {
  if (taken.length === 0) return [];
  return [
    heading(tell('page.make.recordPaper.decisions')),
    ruled(
      ['auto', '*'],
      taken.map(({ atMs, decided, by, reason }) => [
        { text: dayTime(atMs), style: 'soft' },
        {
          text: [
            bold(decided === 'held' ? tell('page.make.recordPaper.onHold') : tell('page.make.recordPaper.letGo')),
            ` ${tell('page.make.recordPaper.byWhom', { by, reason })}`,
          ],
        },
      ]),
    ),
  ];
}

function outcome({ ended }: Batch, { outcome: { label, byproducts }, balanceEnd }: Followed): Content {
  const finished = ended?.how === 'finished' ? ended : null;
  return ruled(
    [52, '*'],
    [
      [{ text: tell('page.make.recordPaper.wentIn'), style: 'soft' }, { text: mass(balanceEnd.inG) }],
      [
        { text: tell('page.make.recordPaper.product'), style: 'soft' },
        {
          text: finished
            ? mass(finished.productG)
            : tell('page.make.recordPaper.about', { product: mass(balanceEnd.productG) }),
        },
      ],
      [{ text: tell('page.make.recordPaper.pots'), style: 'soft' }, { text: String(finished?.pots ?? label.pots) }],
      ...(byproducts.length > 0
        ? [
            [
              { text: tell('page.make.recordPaper.besideIt'), style: 'soft' },
              { text: byproducts.map((left) => `${textOf(left.name)} ${mass(left.massG)}`).join(', ') },
            ],
          ]
        : []),
      [{ text: tell('page.make.recordPaper.of'), style: 'soft' }, { text: label.ingredients.map(untitled).join(', ') }],
      [
        { text: tell('page.make.recordPaper.contains'), style: 'soft' },
        { text: label.contains.map(textOf).join(', ') || tell('page.make.recordPaper.nothingReckonedHere') },
      ],
      [
        { text: tell('page.make.recordPaper.keeps'), style: 'soft' },
        {
          text:
            label.keepsDays === null
              ? textOf(label.keepsNeeds)
              : tell('page.make.recordPaper.days', { days: label.keepsDays, store: tempOf(label.storeC) }),
        },
      ],
    ],
  );
}

function deviations({ deviations: found }: Followed): Content[] {
  if (found.length === 0) return [{ text: tell('page.make.recordPaper.nothing') }];
  return found.map(({ says, effects }): Content => ({
    text: [bold(`${textOf(says)}. `), effects.map(textOf).join('; ')],
  }));
}

/** A line of the log: what it said first stays legible, struck through, beside what it says now. */
function lineWords({ entry, fate, now }: LogLine, names: LineNames): Content {
  const words = entryWords(entry.body, names);
  if (fate === 'stands') return { text: words };
  const after = now
    ? tell('page.make.recordPaper.corrected', { now: entryWords(now, names) })
    : tell('page.make.recordPaper.takenBack');
  return { text: [{ text: words, decoration: 'lineThrough' }, ` ${after}`] };
}

/** What instruments read, each in a line: a record of thousands of lines would hide the hands. */
function instruments({ log }: Batch): Content[] {
  const bySource = Map.groupBy(
    log.filter(({ entry }) => entry.source !== 'hand'),
    ({ entry }) => entry.source,
  );
  if (bySource.size === 0) return [];
  const rows = [...bySource].map(([source, lines]): Content[] => {
    const values = lines.flatMap(({ entry: { body } }) => (body.type === 'reading' ? [body] : []));
    const sorted = values.toSorted((a, b) => a.value - b.value);
    const words = (body: (typeof values)[number]) => entryWords(body);
    return [
      { text: source, style: 'soft' },
      {
        text: tell('page.make.recordPaper.readingsToTo', {
          count: values.length,
          least: words(sorted[0]!),
          most: words(sorted.at(-1)!),
          from: dayTime(lines[0]!.entry.atMs),
          until: dayTime(lines.at(-1)!.entry.atMs),
        }),
      },
    ];
  });
  return [heading(tell('page.make.recordPaper.instruments')), ruled(['auto', '*'], rows)];
}
