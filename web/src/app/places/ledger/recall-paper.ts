import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { bold, onA4, ruled, soft } from '../../shared/paper/parts';
import { written } from '../../shared/ui/dates';
import { tell } from '../../shared/ui/said';

/** What a list to call by says. */
export interface RecallList {
  readonly of: string;
  readonly nowMs: number;
  readonly receivers: readonly { readonly name: string; readonly amount: string; readonly makes: readonly string[] }[];
  readonly makes: readonly {
    readonly name: string;
    readonly lot: string;
    readonly left: string;
    readonly held: boolean;
  }[];
}

/** Whom to call, with how much of what they got and room to note what was said; and the makes it is about, with what is here. */
export function recallPaper({ of, nowMs, receivers, makes }: RecallList): TDocumentDefinitions {
  const title = tell('page.ledger.recallPaper.title', { of });
  const rows = receivers.map(({ name, amount, makes: got }): Content[] => [
    { text: [bold(name), soft(amount)] },
    { text: got.join(', '), style: 'soft' },
    tell('page.ledger.recallPaper.calledAt'),
  ]);
  return onA4(title, [
    { text: title, style: 'title' },
    { text: tell('page.ledger.recallPaper.writtenAt', { at: written(nowMs, 'record') }), style: 'soft' },
    heading(tell('page.ledger.trace.whoToCall')),
    rows.length > 0 ? ruled(['*', '*', 150], rows) : tell('page.ledger.trace.nobody'),
    heading(tell('page.ledger.trace.makesItIsIn')),
    ruled(
      ['*', 'auto', 'auto', 'auto'],
      makes.map(({ name, lot, left, held }): Content[] => [
        bold(name),
        lot,
        left,
        held ? tell('page.ledger.rows.state', { state: 'held' }) : '',
      ]),
    ),
    { text: tell('page.ledger.recallPaper.tellAuthority'), style: 'small', margin: [0, 10, 0, 0] },
  ]);
}

const heading = (text: string): Content => ({ text, style: 'heading' });
