import type { Content, ContentTable, TDocumentDefinitions } from 'pdfmake/interfaces';
import { FONT } from './paper-api';

const SOFT = '#4a4038';
export const LINE = '#9c8f80';
export const A4_PT = { width: 595.28, margin: 30, gap: 16 };
export const COLUMN_PT = (A4_PT.width - 2 * A4_PT.margin - A4_PT.gap) / 2;

/** A page of A4 in the printed faces: styles `title`, `heading`, `soft`, `small`. */
export function onA4(title: string, content: Content[]): TDocumentDefinitions {
  return inkable({
    pageSize: 'A4',
    pageMargins: A4_PT.margin,
    info: { title },
    defaultStyle: { lineHeight: 1.12, color: '#000' },
    styles: {
      title: { font: FONT.names, fontSize: 17 },
      heading: { font: FONT.names, fontSize: 11.5, margin: [0, 7, 0, 2] },
      soft: { color: SOFT },
      small: { fontSize: 6.8, color: SOFT },
    },
    content,
  });
}

export const bold = (text: string) => ({ text, bold: true });
export const soft = (text: string) => ({ text: text && ` ${text}`, style: 'soft' });

/** Rows with a fine line over each. */
export function ruled(widths: (string | number)[], rows: Content[][]): ContentTable {
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
export function inkable<T>(part: T): T {
  if (typeof part === 'string') return spelt(part) as T;
  if (Array.isArray(part)) return part.map((p: unknown) => inkable(p)) as T;
  if (typeof part !== 'object' || part === null) return part;
  return Object.fromEntries(Object.entries(part).map(([key, value]) => [key, inkable(value as unknown)])) as T;
}
