import { BlobReader, BlobWriter, configure, Uint8ArrayReader, ZipWriter } from '@zip.js/zip.js';
import type { MakePaper } from './make-papers';

// The page's policy lets no worker begin from a text of its own, and PDFs are packed already.
configure({ useWebWorkers: false });
const PACKED = { level: 0 } as const;

/**
 * Papers as one ZIP, in the order in which they come.
 *
 * @param before a ZIP that they are added to, byte for byte as it is
 * @param folder where in it they lie
 */
export async function zipOf(
  papers: AsyncIterable<MakePaper>,
  { before = null, folder = '' }: { readonly before?: Blob | null; readonly folder?: string } = {},
): Promise<Blob> {
  const zip = new ZipWriter(new BlobWriter('application/zip'), PACKED);
  if (before) await zip.prependZip(new BlobReader(before));
  for await (const { name, bytes } of papers) await zip.add(`${folder}${name}`, new Uint8ArrayReader(bytes));
  return zip.close();
}
