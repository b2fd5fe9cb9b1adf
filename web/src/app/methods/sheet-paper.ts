import type { Column, Content, ContentTable, TDocumentDefinitions } from 'pdfmake/interfaces';
import { FONT } from '../paper/paper-api';
import type { SheetWords } from './sheet-words';

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

const SOFT = '#4a4038';
const LINE = '#9c8f80';
const A4_PT = { width: 595.28, margin: 30, gap: 16 };
const COLUMN_PT = (A4_PT.width - 2 * A4_PT.margin - A4_PT.gap) / 2;

/**
 * A make sheet as one printed page: what is weighed and what comes of it at the left, hands with a box to tick at the
 * right, cautions at the foot, room for notes.
 */
export function sheetPaper(says: SheetWords, head: SheetHead): TDocumentDefinitions {
  return inkable({
    pageSize: 'A4',
    pageMargins: A4_PT.margin,
    info: { title: [head.title, head.name].filter(Boolean).join(', ') },
    defaultStyle: { lineHeight: 1.12, color: '#000' },
    styles: {
      title: { font: FONT.names, fontSize: 17 },
      heading: { font: FONT.names, fontSize: 11.5, margin: [0, 7, 0, 2] },
      soft: { color: SOFT },
      small: { fontSize: 6.8, color: SOFT },
    },
    content: [
      {
        columns: [
          { text: head.title, style: 'title' },
          { text: begunLine(head), alignment: 'right', style: 'soft' },
        ],
      },
      ...says.findings.map((f): Content => ({ text: [bold(f.reason), ` ${f.doNow}`], margin: [0, 3, 0, 0] })),
      { columns: [leftColumn(says, head), rightColumn(says)], columnGap: A4_PT.gap },
      { text: 'Cautions', style: 'heading' },
      { ul: says.cautions.map((text): Content => ({ text })), style: 'small' },
    ],
  });
}

const begunLine = ({ name, begun }: SheetHead) => (name ? `${name}. Begun ${begun}` : `Begun ${begun}`);

function leftColumn(says: SheetWords, { drawing }: SheetHead): Column {
  return {
    width: '*',
    stack: [
      { text: 'Weigh out', style: 'heading' },
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
      { text: 'What comes of it', style: 'heading' },
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
      { text: 'Hands', style: 'heading' },
      { text: says.handsLine, style: 'soft', margin: [0, 0, 0, 2] },
      ruled(
        [9, 'auto', '*'],
        says.hands.map((hand) => [BOX, { ...bold(hand.at), noWrap: true }, { text: [hand.what, soft(hand.expect)] }]),
      ),
      { text: 'Notes', style: 'heading' },
      ...Array.from({ length: NOTE_LINES }, (): Content => NOTE_LINE),
    ],
  };
}

const NOTE_LINES = 3;
const NOTE_LINE: Content = {
  canvas: [{ type: 'line', x1: 0, y1: 16, x2: COLUMN_PT, y2: 16, lineWidth: 0.5, lineColor: LINE }],
};
const BOX: Content = { canvas: [{ type: 'rect', x: 0, y: 2, w: 7, h: 7, lineWidth: 0.7 }] };

const bold = (text: string) => ({ text, bold: true });
const soft = (text: string) => ({ text: text && ` ${text}`, style: 'soft' });

/** Rows with a fine line over each. */
function ruled(widths: (string | number)[], rows: Content[][]): ContentTable {
  return {
    table: { widths, body: rows.length > 0 ? rows : [widths.map(() => '')] },
    layout: 'ruled',
  };
}

/** Fractions and signs that the printed faces lack, spelt out: "2 1/3 cups". */
const spelt = (text: string): string =>
  text
    .replace(/(?<=\d)(?=[⅓⅔])/g, ' ')
    .replaceAll('⅓', '1/3')
    .replaceAll('⅔', '2/3')
    .replace(/¤ ?/g, '');

/** The same document in letters that the printed faces have. */
function inkable<T>(part: T): T {
  if (typeof part === 'string') return spelt(part) as T;
  if (Array.isArray(part)) return part.map((p: unknown) => inkable(p)) as T;
  if (typeof part !== 'object' || part === null) return part;
  return Object.fromEntries(Object.entries(part).map(([key, value]) => [key, inkable(value as unknown)])) as T;
}
