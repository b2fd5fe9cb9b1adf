/** How a part of a label is set. */
export type Weight = 'name' | 'bold' | 'plain';

/** A piece of text on a label: pieces that may be left out where there is no room say in which turn. */
export interface LabelPart {
  readonly is: 'name' | 'lot' | 'dates' | 'contains' | 'warns' | 'keep' | 'maker' | 'ingredients' | 'nutrition';
  readonly text: string;
  readonly weight: Weight;
}

/** A label as it comes out. */
export interface FittedLabel {
  readonly parts: readonly LabelPart[];
  /** Height of the letters, pt; that of the name is half as large again. */
  readonly fontPt: number;
  /** Width of what is written, and side of the code beside it, mm; 0 where there is none. */
  readonly textMm: number;
  readonly codeMm: number;
  /** What there was no room for. */
  readonly leftOut: readonly LabelPart['is'][];
  /** Whether all the rest fits; where not, it runs over the edge. */
  readonly fits: boolean;
}

export const MM_PER_PT = 25.4 / 72;
/** Empty edge of a label, and the gap between its text and its code, mm. */
export const EDGE_MM = 2;
const GAP_MM = 1.5;
/** Letters, pt: the largest and the smallest, and the steps between. */
const [LARGEST_PT, SMALLEST_PT, STEP_PT] = [11, 5, 0.25];
/** A line's height as a share of its letters', and how much larger the name is. */
export const LINE = 1.2;
export const NAME_TIMES = 1.4;
/** A code of so little can still be read by a telephone; a larger one takes at most this share of the label. */
const [CODE_MM, MOST_CODE_MM, CODE_SHARE] = [11, 20, 0.34];
/** Height of a small x in the printed face, as a share of its letters' size. */
const X_HEIGHT = 0.5;
/** What is left out first where there is no room. */
const LEFT_OUT_FIRST: readonly LabelPart['is'][] = ['nutrition', 'ingredients'];

/** Height of a small x, mm: what food codes go by. */
export const xHeightMm = (fontPt: number): number => X_HEIGHT * fontPt * MM_PER_PT;

/**
 * Parts of a label set as large as they go onto it; where even the smallest letters are too large, the values and then the
 * ingredients are left out.
 *
 * @param widthOf width of a text in letters of size 1
 */
export function fitLabel(
  parts: readonly LabelPart[],
  { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
  hasCode: boolean,
  widthOf: (text: string, weight: Weight) => number,
): FittedLabel {
  const [insideMm, highMm] = [widthMm - 2 * EDGE_MM, heightMm - 2 * EDGE_MM];
  const wouldMm = Math.min(MOST_CODE_MM, highMm, CODE_SHARE * insideMm);
  const codeMm = hasCode && wouldMm >= CODE_MM ? wouldMm : 0;
  const textMm = insideMm - (codeMm > 0 ? codeMm + GAP_MM : 0);
  const heightOf = (some: readonly LabelPart[], fontPt: number) =>
    some.reduce((sum, { text, weight }) => {
      const pt = weight === 'name' ? fontPt * NAME_TIMES : fontPt;
      return sum + linesOf(text, textMm / MM_PER_PT / pt, (word) => widthOf(word, weight)) * pt * LINE * MM_PER_PT;
    }, 0);
  const largest = (some: readonly LabelPart[]) => {
    for (let pt = LARGEST_PT; pt >= SMALLEST_PT; pt -= STEP_PT) if (heightOf(some, pt) <= highMm) return pt;
    return null;
  };
  let kept = parts;
  const leftOut: LabelPart['is'][] = [];
  for (const next of [...LEFT_OUT_FIRST, null]) {
    const fontPt = largest(kept);
    const as = { parts: kept, textMm, codeMm, leftOut };
    if (fontPt !== null) return { ...as, fontPt, fits: true };
    if (next === null) return { ...as, fontPt: SMALLEST_PT, fits: false };
    if (kept.some(({ is }) => is === next)) leftOut.push(next);
    kept = kept.filter(({ is }) => is !== next);
  }
  throw new RangeError('a label has no parts');
}

/** Lines that a text takes, broken between words; a word longer than a line takes as many as it needs. */
export function linesOf(text: string, width: number, widthOf: (text: string) => number): number {
  const space = widthOf(' ');
  let lines = 1;
  let at = 0;
  for (const word of text.split(' ')) {
    const wide = widthOf(word);
    if (at > 0 && at + space + wide > width) {
      lines++;
      at = 0;
    }
    at += (at > 0 ? space : 0) + wide;
    const over = Math.ceil(at / width - 1e-9) - 1;
    if (over > 0) {
      lines += over;
      at -= over * width;
    }
  }
  return lines;
}
