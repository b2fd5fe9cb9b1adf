import type { TDocumentDefinitions, TFontFamilyTypes } from 'pdfmake/interfaces';

/** The two faces of a printed page: one for names and headings, one for the work. */
export const FONT = { names: 'Bitter', work: 'HankenGrotesk' } as const;

export interface PaperFonts {
  readonly names: TFontFamilyTypes;
  readonly work: TFontFamilyTypes;
}

/** Letters of a page in points, the largest first: a page that runs over is set in the next. */
export const FONT_SIZES: readonly number[] = [10, 9.3, 8.6, 8, 7.4, 6.8];

/** What the worker that sets pages answers. */
export interface PaperApi {
  /**
   * A document set on one page, in the largest letters that fit; on as many as it takes where the smallest do not.
   *
   * @param fonts addresses of the fonts' files
   * @returns the bytes of a PDF
   */
  onePage(document: TDocumentDefinitions, fonts: PaperFonts): Promise<Uint8Array>;
  /** A document whose letters have their sizes, as it is. */
  asItIs(document: TDocumentDefinitions, fonts: PaperFonts): Promise<Uint8Array>;
}
