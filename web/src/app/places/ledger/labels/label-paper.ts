import type { LabelStock } from '@oat-crock/contract/api';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { inkable } from '../../../shared/paper/parts';
import { FONT } from '../../../shared/paper/paper-api';
import { EDGE_MM, type FittedLabel, LINE, MM_PER_PT, NAME_TIMES } from './label-fit';
import { labelPlaces } from './label-sheet';

/** So much of a line's height its letters take by themselves in the printed face. */
const FACE_LINE = 1.303;

const pt = (mm: number) => mm / MM_PER_PT;

/**
 * Pots' labels on their sheets, each as it was fitted.
 *
 * @param code a drawing of the code that stands on each (SVG)
 */
export function labelPaper(
  title: string,
  stock: LabelStock,
  { parts, fontPt, textMm, codeMm }: FittedLabel,
  code: string,
  { count, startAt }: { readonly count: number; readonly startAt: number },
): TDocumentDefinitions {
  const text = parts.map((part): Content => ({
    text: part.text,
    bold: part.weight !== 'plain',
    fontSize: part.weight === 'name' ? fontPt * NAME_TIMES : fontPt,
    ...(part.weight === 'name' && { font: FONT.names }),
  }));
  const places = labelPlaces(stock, count, startAt);
  const content = places.flatMap(({ page, leftMm, topMm }, i): Content[] => {
    const at = (rightMm: number) => ({ x: pt(leftMm + EDGE_MM + rightMm), y: pt(topMm + EDGE_MM) });
    const label: Content = { columns: [{ width: pt(textMm), stack: text }], absolutePosition: at(0) };
    const drawn: Content[] =
      codeMm > 0 ? [{ svg: code, width: pt(codeMm), absolutePosition: at(stock.widthMm - 2 * EDGE_MM - codeMm) }] : [];
    const turn: Content[] = i > 0 && page !== places[i - 1]!.page ? [{ text: '', pageBreak: 'before' }] : [];
    return [...turn, label, ...drawn];
  });
  return inkable({
    pageSize: { width: pt(stock.pageWidthMm), height: pt(stock.pageHeightMm) },
    pageMargins: 0,
    info: { title },
    defaultStyle: { font: FONT.work, lineHeight: LINE / FACE_LINE, color: '#000' },
    content,
  });
}
