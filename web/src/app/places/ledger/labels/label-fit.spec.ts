import { labelsLieOnPage, type LabelStock } from '@oat-crock/contract/api';
import fc from 'fast-check';
import { EDGE_MM, fitLabel, LINE, linesOf, MM_PER_PT, NAME_TIMES, xHeightMm, type LabelPart } from './label-fit';
import { LABEL_STOCKS, labelPlaces } from './label-sheet';

/** Every letter half as wide as it is high. */
const HALF = (text: string) => text.length / 2;
const PARTS: readonly LabelPart[] = [
  { is: 'name', weight: 'name', text: 'Scalded yogurt' },
  { is: 'dates', weight: 'bold', text: 'Use by 22 May 2026' },
  { is: 'ingredients', weight: 'plain', text: 'Ingredients: whole milk, skimmed milk powder, starter.' },
  {
    is: 'nutrition',
    weight: 'plain',
    text: '100 g: 267 kJ / 64 kcal, fat 3.6 g, sugars 4.0 g, protein 3.3 g, salt 0.11 g.',
  },
];
const heightMm = (parts: readonly LabelPart[], fontPt: number, textMm: number) =>
  parts.reduce((sum, { text, weight }) => {
    const pt = weight === 'name' ? fontPt * NAME_TIMES : fontPt;
    return sum + linesOf(text, textMm / MM_PER_PT / pt, HALF) * pt * LINE * MM_PER_PT;
  }, 0);

describe('a label', () => {
  it('is broken between words, and within a word that no line holds', () => {
    expect(linesOf('two words', 10, HALF)).toBe(1);
    expect(linesOf('two words', 4.4, HALF)).toBe(2);
    expect(linesOf('two words', 4.5, HALF)).toBe(1);
    expect(linesOf('Buttermilchquark', 4, HALF)).toBe(2);
    expect(linesOf('a Buttermilchquark b', 4, HALF)).toBe(4);
  });

  it('is set as large as goes onto it, never over its edge', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 120, noNaN: true }),
        fc.double({ min: 12, max: 90, noNaN: true }),
        fc.boolean(),
        (w, h, hasCode) => {
          const fitted = fitLabel(PARTS, { widthMm: w, heightMm: h }, hasCode, HALF);
          const insideMm = w - 2 * EDGE_MM;
          expect(fitted.textMm + fitted.codeMm).toBeLessThanOrEqual(insideMm + 1e-9);
          expect(fitted.codeMm).toBeLessThanOrEqual(h - 2 * EDGE_MM);
          if (!hasCode) expect(fitted.codeMm).toBe(0);
          if (fitted.fits)
            expect(heightMm(fitted.parts, fitted.fontPt, fitted.textMm)).toBeLessThanOrEqual(h - 2 * EDGE_MM);
          else expect(heightMm(fitted.parts, 5, fitted.textMm)).toBeGreaterThan(h - 2 * EDGE_MM);
          // Whatever is left out, what it is and its last day stay.
          expect(fitted.parts.map(({ is }) => is).slice(0, 2)).toEqual(['name', 'dates']);
        },
      ),
      { numRuns: 300, seed: 3 },
    );
  });

  it('leaves out the values first, then the ingredients, and says so', () => {
    const on = (heightMm: number) => fitLabel(PARTS, { widthMm: 40, heightMm }, false, HALF);
    expect([on(40), on(16.5), on(12)].map(({ leftOut }) => leftOut)).toEqual([
      [],
      ['nutrition'],
      ['nutrition', 'ingredients'],
    ]);
    expect(on(6)).toEqual(jasmine.objectContaining({ fits: false, fontPt: 5 }));
  });

  it('has a code where a telephone can read it, and letters whose height is told', () => {
    expect(fitLabel(PARTS, { widthMm: 30, heightMm: 40 }, true, HALF).codeMm).toBe(0);
    expect(fitLabel(PARTS, { widthMm: 70, heightMm: 36 }, true, HALF).codeMm).toBe(20);
    expect(xHeightMm(6.8)).toBeCloseTo(1.2, 1);
  });
});

describe('sheets of labels', () => {
  it('have each label on the page and none over another, whatever is free of the first', () => {
    for (const stock of Object.values<LabelStock>(LABEL_STOCKS)) {
      expect(labelsLieOnPage(stock)).toBeTrue();
      const onPage = stock.columns * stock.rows;
      const places = labelPlaces(stock, 2 * onPage, onPage);
      expect(places.map(({ page }) => page).filter((page, i, all) => page !== all[i - 1])).toEqual(
        [0, 1, 2].slice(0, 1 + Math.ceil((2 * onPage - 1) / onPage)),
      );
      expect(new Set(places.map((p) => `${p.page} ${p.leftMm} ${p.topMm}`)).size).toBe(2 * onPage);
      for (const { leftMm, topMm } of places) {
        expect(leftMm + stock.widthMm).toBeLessThanOrEqual(stock.pageWidthMm + 1);
        expect(topMm + stock.heightMm).toBeLessThanOrEqual(stock.pageHeightMm + 1);
      }
    }
  });

  it('are refused a millimetre over the page, and no less', () => {
    const stock = LABEL_STOCKS.threeByEight;
    expect([70.3, 70.4].map((widthMm) => labelsLieOnPage({ ...stock, widthMm }))).toEqual([true, false]);
    expect([5.5, 10, 10.1].map((topMm) => labelsLieOnPage({ ...stock, topMm }))).toEqual([true, true, false]);
  });
});
