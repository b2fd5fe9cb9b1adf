import type { Column, Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { A4_PT, bold, COLUMN_PT, LINE, onA4, ruled, soft } from '../../shared/paper/parts';
import type { SheetWords } from './sheet-words';
import { tell } from '../../shared/ui/said';

/** What heads a printed sheet, and the drawing on it. */
export interface SheetHead {
  /** The method. */
  readonly title: string;
  /** The make's own name; empty where it has none. */
  readonly name: string;
  /** When it is begun, in words. */
  readonly begun: string;
  /** The line of heat and souring, a drawing that stands alone. */
  readonly drawing: string;
}

/**
 * A make sheet as one printed page: what is weighed and what comes of it at the left, hands with a box to tick at the
 * right, cautions at the foot, room for notes.
 */
export function sheetPaper(says: SheetWords, head: SheetHead): TDocumentDefinitions {
  return onA4([head.title, head.name].filter(Boolean).join(', '), [
    {
      columns: [
        { text: head.title, style: 'title' },
        { text: begunLine(head), alignment: 'right', style: 'soft' },
      ],
    },
    ...says.findings.map((f): Content => ({ text: [bold(f.reason), ` ${f.doNow}`], margin: [0, 3, 0, 0] })),
    { columns: [leftColumn(says, head), rightColumn(says)], columnGap: A4_PT.gap },
    { text: tell('page.methods.sheetPaper.cautions'), style: 'heading' },
    { ul: says.cautions.map((text): Content => ({ text })), style: 'small' },
  ]);
}

const begunLine = ({ name, begun }: SheetHead) =>
  name ? tell('page.methods.sheetPaper.begun', { name, begun }) : tell('page.methods.sheetPaper.begun2', { begun });

function leftColumn(says: SheetWords, { drawing }: SheetHead): Column {
  return {
    width: '*',
    stack: [
      { text: tell('page.methods.sheetPaper.weighOut'), style: 'heading' },
      ruled(
        ['auto', '*', 'auto'],
        says.amounts.map(({ mass, what, kitchen, lacking }) => [
          bold(mass),
          { text: lacking ? `${what}. ${lacking}` : what },
          { text: kitchen, style: 'soft', alignment: 'right' },
        ]),
      ),
      { text: says.lineTitle, style: 'heading' },
      { svg: drawing, width: COLUMN_PT },
      { text: says.heat, style: 'soft' },
      { text: tell('page.methods.sheetPaper.whatComes'), style: 'heading' },
      ruled(
        [62, '*'],
        [
          ...says.windows.map((w) => [{ text: w.what, style: 'soft' }, bold(w.words)]),
          ...says.facts.map((f) => [{ text: f.what, style: 'soft' }, { text: [bold(f.value), ` ${f.more}`] }]),
        ],
      ),
    ],
  };
}

function rightColumn(says: SheetWords): Column {
  return {
    width: '*',
    stack: [
      { text: tell('page.methods.sheetPaper.hands'), style: 'heading' },
      { text: says.handsLine, style: 'soft', margin: [0, 0, 0, 2] },
      ruled(
        [9, 'auto', '*'],
        says.hands.map((hand) => [BOX, { ...bold(hand.at), noWrap: true }, { text: [hand.what, soft(hand.expect)] }]),
      ),
      { text: tell('page.methods.sheetPaper.notes'), style: 'heading' },
      ...Array.from({ length: NOTE_LINES }, (): Content => NOTE_LINE),
    ],
  };
}

const NOTE_LINES = 3;
const NOTE_LINE: Content = {
  canvas: [{ type: 'line', x1: 0, y1: 16, x2: COLUMN_PT, y2: 16, lineWidth: 0.5, lineColor: LINE }],
};
const BOX: Content = { canvas: [{ type: 'rect', x: 0, y: 2, w: 7, h: 7, lineWidth: 0.7 }] };
