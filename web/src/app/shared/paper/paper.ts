import { inject, Injectable } from '@angular/core';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import { Workers, type Started } from '../../engine/workers';
import { saveFile } from '../ui/save-file';
import type { PaperApi, PaperFonts } from './paper-api';

/** Where a font's file lies, as an address a worker can ask for. */
const fontAt = (file: string): string => new URL(`paper-fonts/${file}.woff`, document.baseURI).href;

const fonts = (): PaperFonts => ({
  names: { normal: fontAt('bitter-latin-700-normal'), bold: fontAt('bitter-latin-700-normal') },
  work: { normal: fontAt('hanken-grotesk-latin-400-normal'), bold: fontAt('hanken-grotesk-latin-700-normal') },
});

/** Printed pages as PDF files. Its worker starts with the first of them. */
@Injectable({ providedIn: 'root' })
export class Paper {
  private readonly workers = inject(Workers);
  private worker: Started<PaperApi> | null = null;

  /** Sets a page and hands it out as a file: on one page where that can be, or as it is. */
  async save(name: string, page: TDocumentDefinitions, how: 'on one page' | 'as it is' = 'on one page'): Promise<void> {
    const bytes = await this.bytes(page, how);
    saveFile(`${name}.pdf`, new Blob([bytes as BlobPart], { type: 'application/pdf' }));
  }

  /** Sets a page and gives back the bytes of its PDF. */
  async bytes(page: TDocumentDefinitions, how: 'on one page' | 'as it is' = 'on one page'): Promise<Uint8Array> {
    this.worker ??= this.workers.start(
      () => new Worker(new URL('./paper.worker', import.meta.url), { type: 'module' }),
    );
    return this.worker.ask((api) => (how === 'as it is' ? api.asItIs(page, fonts()) : api.onePage(page, fonts())));
  }
}
