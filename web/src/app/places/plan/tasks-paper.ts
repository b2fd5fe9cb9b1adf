import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { onA4, ruled } from '../../shared/paper/parts';
import { written } from '../../shared/ui/dates';
import type { DayOfTasks } from './tasks-by-day';
import { tell } from '../../shared/ui/said';

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
  return onA4(tell('page.plan.tasksPaper.handsDay'), [
    {
      columns: [
        { text: tell('page.plan.tasksPaper.handsDay'), style: 'title' },
        {
          text: tell('page.plan.tasksPaper.printed', { now: written(nowMs, 'record') }),
          alignment: 'right',
          style: 'soft',
        },
      ],
    },
    ...days.flatMap(({ day, takes, visits }): Content[] => [
      { text: [day, { text: `   ${tell('page.plan.tasksPaper.takes', { takes })}`, fontSize: 8.5 }], style: 'heading' },
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
          { text: tell('page.plan.tasksPaper.toFetch'), style: 'heading' } as Content,
          ruled(
            [60, '*', 'auto'],
            fetch.map((f) => [
              { text: f.much, bold: true },
              { text: f.what },
              { text: tell('page.plan.tasksPaper.by', { by: f.by }), style: 'soft' },
            ]),
          ),
        ]
      : []),
  ]);
}
