import type { Settings } from '@oat-crock/contract/api';
import { countedOf } from '@oat-crock/core';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { bold, onA4, ruled } from '../../../shared/paper/parts';
import { written } from '../../../shared/ui/dates';
import { dayOf } from '../../../shared/ui/days';
import { noonOf } from '../../../shared/ui/days';
import { lotCode } from '../../../shared/ui/lot-code';
import { tell, textOf } from '../../../shared/ui/said';
import { mass, temp } from '../../../shared/ui/words';
import type { WantedFilled } from '../../../state/own-orders';
import { type DeliveryLot, lastGiven } from './delivery-lots';

/** What a delivery note says: what was handed over of which lots, from whom, to whom. */
export interface NoteOf {
  readonly want: WantedFilled;
  readonly lots: readonly DeliveryLot[];
  readonly settings: Settings;
  readonly nowMs: number;
}

/** When the last of it went out, ms. */
const handedMs = ({ want, lots, nowMs }: NoteOf): number =>
  lots.reduce((last, { own }) => Math.max(last, lastGiven(own, want.occurrence.id)?.atMs ?? 0), 0) || nowMs;

/** The number of a note: the day it was handed over and the end of its order's id. */
export const noteNumber = (of: NoteOf): string => `${dayOf(handedMs(of))}-${of.want.occurrence.order.id.slice(-4)}`;

/** The sheet that goes with pots: each lot with its count, mass and last day, how it is to be kept, and room for two names. */
export function deliveryNote(of: NoteOf): TDocumentDefinitions {
  const { want, lots, settings } = of;
  const { whom, note } = want.occurrence.order;
  const title = tell('page.ledger.deliveryNote.title', { number: noteNumber(of) });
  const totalG = lots.reduce((sum, { given, own }) => sum + given * own.stock.eachG, 0);
  const head = ['what', 'lot', 'count', 'mass', 'until'] as const;
  return onA4(title, [
    { text: title, style: 'title' },
    {
      columns: [
        {
          stack: [
            soft(tell('page.ledger.deliveryNote.from')),
            bold(settings.dairyName || blank()),
            settings.dairyAddress,
          ],
        },
        { stack: [soft(tell('page.ledger.deliveryNote.to')), bold(whom || blank())] },
        { stack: [soft(tell('page.ledger.deliveryNote.handed')), bold(written(handedMs(of), 'record'))] },
      ],
      columnGap: 16,
      margin: [0, 6, 0, 10],
    },
    ruled(
      ['*', 'auto', 'auto', 'auto', 'auto'],
      [
        head.map((what): Content => ({ text: tell('page.ledger.deliveryNote.head', { what }), style: 'soft' })),
        ...lots.map(({ own: { batch, stock }, given }): Content[] => [
          bold(batch.name),
          lotCode(batch),
          textOf(countedOf(stock, given)),
          mass(given * stock.eachG),
          stock.useBy === null ? '–' : written(noonOf(stock.useBy), 'dayYear'),
        ]),
      ],
    ),
    { text: tell('page.ledger.deliveryNote.total', { mass: mass(totalG) }), bold: true, margin: [0, 6, 0, 0] },
    { text: tell('page.ledger.deliveryNote.keep', { store: temp(settings.refrigeratorC) }), margin: [0, 6, 0, 0] },
    ...(note ? [{ text: note, style: 'soft', margin: [0, 4, 0, 0] as [number, number, number, number] }] : []),
    {
      columns: [tell('page.ledger.deliveryNote.handedBy'), tell('page.ledger.deliveryNote.receivedBy')],
      columnGap: 16,
      margin: [0, 26, 0, 0],
    },
  ]);
}

const soft = (text: string): Content => ({ text, style: 'soft' });
const blank = () => '____________________';
