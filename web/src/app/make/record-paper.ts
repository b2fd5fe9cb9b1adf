import { writtenLater } from './log-list';
import type { Batch, Followed, LogLine } from '@oat-crock/core';
import { CAUTIONS } from '@oat-crock/core';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { entryWords } from '../log/entry-words';
import { stepWordsIn } from '../log/timed-log';
import { A4_PT, bold, onA4, ruled, soft } from '../paper/parts';
import { textOf } from '../ui/units';
import { written } from '../ui/dates';
import { dayTime, mass } from '../ui/words';
import { lotCode } from './lot-code';
import { safetyRows } from './safety-words';

/** What heads a record. */
export interface RecordHead {
  readonly method: string;
  readonly nowMs: number;
}

/**
 * A make as one page for somebody who inspects it: what went in, what was done when, its heat, acid and cooling, decisions
 * with their names, and the log with every correction beside what it said first.
 */
export function recordPaper(batch: Batch, followed: Followed, { method, nowMs }: RecordHead): TDocumentDefinitions {
  const stepWords = stepWordsIn(batch);
  return onA4(`Record ${lotCode(batch)}`, [
    {
      columns: [
        { text: batch.name, style: 'title' },
        { text: `Lot ${lotCode(batch)}. Printed ${written(nowMs, 'record')}`, alignment: 'right', style: 'soft' },
      ],
    },
    { text: `${method}. Begun ${written(batch.startedMs, 'record')}. ${endWords(batch)}` },
    {
      columns: [
        {
          width: '*',
          stack: [heading('Safety'), safetyTable(followed, nowMs), ...findings(followed), ...decisions(batch)],
        },
        {
          width: '*',
          stack: [
            heading('What came of it'),
            outcome(batch, followed),
            heading('Otherwise than planned'),
            ...deviations(followed),
          ],
        },
      ],
      columnGap: A4_PT.gap,
    },
    heading('The log, by hand'),
    ruled(
      ['auto', '*'],
      batch.log
        .filter(({ entry, fate }) => entry.source === 'hand' && fate !== 'is a correction')
        .map((line): Content[] => [
          { text: [dayTime(line.atMs), writtenLater(line)].filter(Boolean).join(', '), style: 'soft' },
          lineWords(line, stepWords),
        ]),
    ),
    ...instruments(batch),
    { text: textOf(CAUTIONS.defer), style: 'small', margin: [0, 8, 0, 0] },
    { text: 'The heat record is a record, not a certificate.', style: 'small' },
  ]);
}

const heading = (text: string): Content => ({ text, style: 'heading' });

function endWords({ ended }: Batch): string {
  if (!ended) return 'Still on the way.';
  return ended.how === 'finished'
    ? `Finished ${written(ended.atMs, 'record')}.`
    : `Discarded ${written(ended.atMs, 'record')}${ended.by ? ` by ${ended.by}` : ''}: ${ended.reason}`;
}

function safetyTable({ safety }: Followed, nowMs: number): Content {
  return ruled(
    [42, '*'],
    safetyRows(safety, nowMs).map(({ what, says }) => [{ text: what, style: 'soft' }, { text: textOf(says) }]),
  );
}

function findings({ findings: found }: Followed): Content[] {
  return found.map(({ level, rule, reason, source }): Content => ({
    text: [bold(`${level}, ${textOf(rule)}: `), textOf(reason), soft(textOf(source))],
    margin: [0, 3, 0, 0],
  }));
}

function decisions({ decisions: taken }: Batch): Content[] {
  if (taken.length === 0) return [];
  return [
    heading('Decisions'),
    ruled(
      ['auto', '*'],
      taken.map(({ atMs, decided, by, reason }) => [
        { text: dayTime(atMs), style: 'soft' },
        { text: [bold(decided === 'held' ? 'On hold' : 'Let go'), ` by ${by}: ${reason}`] },
      ]),
    ),
  ];
}

function outcome({ ended }: Batch, { outcome: { label, byproducts }, balanceEnd }: Followed): Content {
  const finished = ended?.how === 'finished' ? ended : null;
  return ruled(
    [52, '*'],
    [
      [{ text: 'Went in', style: 'soft' }, { text: mass(balanceEnd.inG) }],
      [
        { text: 'Product', style: 'soft' },
        { text: finished ? mass(finished.productG) : `about ${mass(balanceEnd.productG)}` },
      ],
      [{ text: 'Pots', style: 'soft' }, { text: String(finished?.pots ?? label.pots) }],
      ...(byproducts.length > 0
        ? [
            [
              { text: 'Beside it', style: 'soft' },
              { text: byproducts.map((left) => `${left.name.toLowerCase()} ${mass(left.massG)}`).join(', ') },
            ],
          ]
        : []),
      [{ text: 'Of', style: 'soft' }, { text: label.ingredients.map(textOf).join(', ') }],
      [
        { text: 'Contains', style: 'soft' },
        { text: label.contains.map(textOf).join(', ') || 'nothing that is reckoned here' },
      ],
      [
        { text: 'Keeps', style: 'soft' },
        {
          text:
            label.keepsDays === null
              ? textOf(label.keepsNeeds)
              : textOf(`${label.keepsDays} days at ${label.storeC.toFixed(0)} °C`),
        },
      ],
    ],
  );
}

function deviations({ deviations: found }: Followed): Content[] {
  if (found.length === 0) return [{ text: 'Nothing.' }];
  return found.map(({ says, effects }): Content => ({
    text: [bold(`${textOf(says)}. `), effects.map(textOf).join('; ')],
  }));
}

/** A line of the log: what it said first stays legible, struck through, beside what it says now. */
function lineWords({ entry, fate, now }: LogLine, stepWords: (id: string) => string): Content {
  const words = entryWords(entry.body, stepWords);
  if (fate === 'stands') return { text: words };
  const after = now ? `corrected: ${entryWords(now, stepWords)}` : 'taken back';
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
        text: `${values.length} readings, ${words(sorted[0]!)} to ${words(sorted.at(-1)!)}, ${dayTime(lines[0]!.entry.atMs)} to ${dayTime(lines.at(-1)!.entry.atMs)}`,
      },
    ];
  });
  return [heading('Instruments'), ruled(['auto', '*'], rows)];
}
