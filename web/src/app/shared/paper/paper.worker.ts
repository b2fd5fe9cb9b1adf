import { expose } from 'comlink';
import pdfMake from 'pdfmake/build/pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import { FONT, FONT_SIZES, type PaperApi, type PaperFonts } from './paper-api';

/** A table with a fine line over each row but the first. */
const RULED = {
  hLineWidth: (row: number, { table }: { table: { body: unknown[][] } }) =>
    row === 0 || row === table.body.length ? 0 : 0.4,
  vLineWidth: () => 0,
  hLineColor: () => '#9c8f80',
  paddingLeft: (column: number) => (column === 0 ? 0 : 5),
  paddingRight: () => 0,
  paddingTop: () => 1.6,
  paddingBottom: () => 1.2,
};

/** Printed matter as PDF, off the page's own thread. */
const api: PaperApi = {
  async onePage(document: TDocumentDefinitions, fonts: PaperFonts): Promise<Uint8Array> {
    prepare(fonts);
    let made: Uint8Array = new Uint8Array();
    for (const fontSize of FONT_SIZES) {
      let pages = 0;
      const fitted = pdfMake.createPdf({
        // what is set is written into, so each setting has a copy of its own
        ...structuredClone(document),
        defaultStyle: { ...document.defaultStyle, font: FONT.work, fontSize },
        footer: (_page: number, count: number) => {
          pages = count;
          return null;
        },
      });
      made = await fitted.getBuffer();
      if (pages <= 1) break;
    }
    return made;
  },
  async asItIs(document: TDocumentDefinitions, fonts: PaperFonts): Promise<Uint8Array> {
    prepare(fonts);
    return pdfMake.createPdf(document).getBuffer();
  },
};

function prepare(fonts: PaperFonts): void {
  pdfMake.setFonts({ [FONT.work]: fonts.work, [FONT.names]: fonts.names });
  pdfMake.setTableLayouts({ ruled: RULED });
}

expose(api);
