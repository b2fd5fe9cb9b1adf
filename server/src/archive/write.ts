import { strToU8, Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import { createHash } from 'node:crypto';
import type { Kitchen } from '../kitchen.js';
import { schemaDocument } from '../http/openapi.js';
import { csvText, tablesOf } from './csv.js';
import { ARCHIVE_FORM, ARCHIVE_IS, CHECKSUMS, MANIFEST, type Manifest } from './form.js';
import { partsOf } from './parts.js';
import { README } from './readme.js';

/** What takes the bytes of an archive; it is waited for, so that no more is held than it can take. */
export type Sink = (bytes: Uint8Array) => Promise<void> | void;

const EXTENSION = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' } as const;

/** Writes everything that a kitchen has as one archive, a little at a time. */
export async function writeArchive(kitchen: Kitchen, sink: Sink): Promise<void> {
  const parts = partsOf(kitchen);
  const waiting: Uint8Array[] = [];
  const zip = new Zip((error, bytes) => {
    if (error) throw error;
    waiting.push(bytes);
  });
  const pass = async () => {
    for (const bytes of waiting.splice(0)) await sink(bytes);
  };
  const checksums: Record<string, string> = {};

  /** Adds a file of which the content comes bit by bit. */
  async function add(name: string, content: Iterable<Uint8Array>, squeezed = true): Promise<void> {
    const file = squeezed ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name);
    // The same dairy gives the same archive, byte by byte: files are as old as what the archive says it was written.
    file.mtime = written;
    zip.add(file);
    const hash = createHash('sha256');
    for (const bytes of content) {
      hash.update(bytes);
      file.push(bytes);
      await pass();
    }
    file.push(new Uint8Array(0), true);
    checksums[name] = hash.digest('hex');
    await pass();
  }
  const addText = (name: string, text: string) => add(name, [strToU8(text)]);
  const addJson = (name: string, value: unknown) => addText(name, `${JSON.stringify(value, null, 2)}\n`);

  const writtenMs = kitchen.clock.now();
  const written = new Date(writtenMs);
  const manifest: Manifest = {
    is: ARCHIVE_IS,
    form: ARCHIVE_FORM,
    writtenMs,
    zone: kitchen.household.settings().settings.zone,
    lines: Object.fromEntries(parts.map((part) => [part.name, part.count()])),
  };
  await addJson(MANIFEST, manifest);
  await addText('README.md', README);
  for (const part of parts) await addJson(`schemas/${part.name}.schema.json`, schemaDocument(part.name, part.schema));
  for (const part of parts) await add(`records/${part.name}.jsonl`, linesOf(part.pages(), manifest.lines[part.name]!));
  for (const { id, type } of kitchen.photos.all())
    await add(`photos/${id}.${EXTENSION[type]}`, [new Uint8Array(kitchen.photos.get(id)!.bytes)], false);
  for (const table of tablesOf(kitchen)) await add(`csv/${table.name}.csv`, csvOf(table));
  await addJson(CHECKSUMS, checksums);
  zip.end();
  await pass();
}

/** So many lines as the manifest says: what was written meanwhile belongs to the next archive. */
function* linesOf(pages: Iterable<readonly unknown[]>, count: number): Iterable<Uint8Array> {
  let left = count;
  for (const page of pages) {
    const lines = page.slice(0, left);
    left -= lines.length;
    if (lines.length > 0) yield strToU8(lines.map((line) => `${JSON.stringify(line)}\n`).join(''));
  }
}

function* csvOf(table: ReturnType<typeof tablesOf>[number]): Iterable<Uint8Array> {
  yield strToU8(csvText(table, [], true));
  for (const rows of table.rows()) if (rows.length > 0) yield strToU8(csvText(table, rows, false));
}
