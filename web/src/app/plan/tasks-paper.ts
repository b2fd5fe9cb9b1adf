import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { onA4, ruled } from '../paper/parts';
import { written } from '../ui/dates';
import type { DayOfTasks } from './tasks-by-day';

/** What is to be bought, in words. */
export interface ToFetch {
  readonly what: string;
  readonly much: string;
  readonly by: string;
}

/** The hands of a plan by day, and what to fetch for it, as a page for the wall. */
export function tasksPaper(
  days: readonly DayOfTasks[],
  fetch: readonly ToFetch[],
  nowMs: number,
): TDocumentDefinitions {
  return onA4('Hands by day', [
    {
      columns: [
        { text: 'Hands by day', style: 'title' },
        { text: `Printed ${written(nowMs, 'record')}`, alignment: 'right', style: 'soft' },
      ],
    },
    ...days.flatMap(({ day, takes, visits }): Content[] => [
      { text: [day, { text: `   ${takes} of hands`, fontSize: 8.5 }], style: 'heading' },
      ruled(
        [34, 26, 130, '*'],
        visits.map((v) => [
          { text: v.at, bold: true },
          { text: v.takes === '0 min' ? '' : v.takes, style: 'soft' },
          { text: v.of },
          { text: v.says },
        ]),
      ),
    ]),
    ...(fetch.length > 0
      ? [
          { text: 'To fetch', style: 'heading' } as Content,
          ruled(
            [60, '*', 'auto'],
            fetch.map((f) => [{ text: f.much, bold: true }, { text: f.what }, { text: `by ${f.by}`, style: 'soft' }]),
          ),
        ]
      : []),
  ]);
}
