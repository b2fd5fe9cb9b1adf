import type { LabelStock } from '@oat-crock/contract/api';

/** Where a label lies: on which page (0 is the first), and how far from its left and top edge, mm. */
export interface LabelPlace {
  readonly page: number;
  readonly leftMm: number;
  readonly topMm: number;
}

/**
 * Where so many labels lie, row by row, on as many pages as they take.
 *
 * @param startAt the first free label of the first page, counted from 1: what was used before is left free
 */
export function labelPlaces(stock: LabelStock, count: number, startAt = 1): readonly LabelPlace[] {
  const onPage = stock.columns * stock.rows;
  return Array.from({ length: count }, (_, i) => {
    const nth = startAt - 1 + i;
    const [row, column] = [Math.floor((nth % onPage) / stock.columns), nth % stock.columns];
    return {
      page: Math.floor(nth / onPage),
      leftMm: stock.leftMm + column * (stock.widthMm + stock.gapXMm),
      topMm: stock.topMm + row * (stock.heightMm + stock.gapYMm),
    };
  });
}

const A4 = { pageWidthMm: 210, pageHeightMm: 297 } as const;

/** Labels that are common, to begin with; whatever one has is measured and written over them. */
export const LABEL_STOCKS = {
  threeByEight: { ...A4, columns: 3, rows: 8, widthMm: 70, heightMm: 36, leftMm: 0, topMm: 4.5, gapXMm: 0, gapYMm: 0 },
  twoByFive: { ...A4, columns: 2, rows: 5, widthMm: 99, heightMm: 57, leftMm: 4.5, topMm: 6, gapXMm: 2, gapYMm: 0 },
  roll: {
    ...{ pageWidthMm: 62, pageHeightMm: 40, columns: 1, rows: 1, widthMm: 62, heightMm: 40 },
    ...{ leftMm: 0, topMm: 0, gapXMm: 0, gapYMm: 0 },
  },
} as const satisfies Readonly<Record<string, LabelStock>>;
export type LabelStockId = keyof typeof LABEL_STOCKS;
