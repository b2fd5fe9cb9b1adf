import { InputRefused } from '@oat-crock/contract';
import { say, type Text } from '@oat-crock/core';
import { createHash } from 'node:crypto';
import { closeSync, openSync, readSync } from 'node:fs';
import type { Readable } from 'node:stream';
import { open, type Entry, type ZipFile } from 'yauzl';
import { ARCHIVE_FORM, ARCHIVE_IS, belongs, CHECKSUMS, MANIFEST, type Manifest } from './form.js';

/** What is told while an archive is read. */
export interface Heard {
  readonly manifest: (manifest: Manifest) => void;
  /** A line of a table, and which of the table's it is, from 1. */
  readonly line: (table: string, value: unknown, number: number) => void;
  readonly photo: (id: string, bytes: Buffer) => void;
  /** After every bit of the file: lines that were told are whole until here. */
  readonly rest?: () => void;
}

/** No line of a table is longer, bytes; and no picture. */
const LONGEST = 2 * 1024 * 1024;

/** Says what is wrong with an archive. */
export function refused(message: Text, remedy: Text = say('server.archive.takeAnother')): InputRefused {
  return new InputRefused([{ field: 'archive', message, remedy }]);
}

/**
 * Reads an archive from a file bit by bit, and checks it all the way: that it is one, of a form that can be read, that every file
 * belongs to it, and that none was cut off or changed.
 *
 * @throws InputRefused for whatever is no sound archive, in words
 */
export async function readArchive(path: string, heard: Heard): Promise<void> {
  const zip = await opened(path);
  const sums = new Map<string, string>();
  const counted = new Map<string, number>();
  let manifest: Manifest | null = null;
  let told: Readonly<Record<string, string>> | null = null;

  /** What is done with the bytes of a file. */
  function takerOf(name: string): Taker {
    if (name === MANIFEST) return whole((bytes) => heard.manifest((manifest = manifestIn(bytes))));
    if (manifest === null) throw refused(say('server.archive.isNone'));
    if (name === CHECKSUMS) return whole((bytes) => (told = checksumsIn(bytes)));
    const [, table] = /^records\/(.+)\.jsonl$/.exec(name) ?? [];
    if (table !== undefined) {
      return lines((text) => {
        const number = (counted.get(table) ?? 0) + 1;
        counted.set(table, number);
        heard.line(table, parsed(text, table, number), number);
      }, table);
    }
    const [, photo] = /^photos\/(.+)\.\w+$/.exec(name) ?? [];
    return photo === undefined ? () => undefined : whole((bytes) => heard.photo(photo, bytes));
  }

  try {
    for await (const [entry, stream] of filesOf(zip)) {
      const name = entry.fileName;
      if (!belongs(name) || sums.has(name))
        throw refused(say('server.archive.doesNotBelong', { name: name.slice(0, 80) }));
      const take = takerOf(name);
      const hash = createHash('sha256');
      for await (const bytes of await stream()) {
        hash.update(bytes);
        take(bytes, false);
        heard.rest?.();
      }
      take(Buffer.alloc(0), true);
      sums.set(name, hash.digest('hex'));
    }
  } catch (error) {
    throw asRefused(error);
  } finally {
    zip.close();
  }
  if (manifest === null) throw refused(say('server.archive.isNone'));
  if (told === null) throw refused(say('server.archive.cutOff'));
  for (const [name, sum] of Object.entries(told as Record<string, string>))
    if (sums.get(name) !== sum) throw refused(say('server.archive.changed', { name }));
  for (const [table, count] of Object.entries((manifest as Manifest).lines))
    if ((counted.get(table) ?? 0) !== count) throw refused(say('server.archive.cutOff'));
}

type Taker = (bytes: Buffer, isLast: boolean) => void;

/** Opens a file as ZIP; one that was cut off has lost its directory, which stands at its end. */
function opened(path: string): Promise<ZipFile> {
  return new Promise((resolve, reject) =>
    open(path, { lazyEntries: true, autoClose: false, strictFileNames: true }, (error, zip) =>
      error
        ? reject(refused(say(beginsAsZip(path) ? 'server.archive.cutOff' : 'server.archive.isNone')))
        : resolve(zip),
    ),
  );
}

function beginsAsZip(path: string): boolean {
  const [file, begin] = [openSync(path, 'r'), Buffer.alloc(4)];
  readSync(file, begin, 0, 4, 0);
  closeSync(file);
  return begin.toString('latin1') === 'PK\u0003\u0004';
}

/** The files of a ZIP in the order in which they were written, each with how to read it. */
async function* filesOf(zip: ZipFile): AsyncIterable<readonly [Entry, () => Promise<Readable>]> {
  for (;;) {
    const entry = await new Promise<Entry | null>((resolve, reject) => {
      zip
        .once('entry', resolve)
        .once('end', () => resolve(null))
        .once('error', reject);
      zip.readEntry();
    });
    zip.removeAllListeners();
    if (!entry) return;
    const stream = () =>
      new Promise<Readable>((resolve, reject) =>
        zip.openReadStream(entry, (error, readable) => (error ? reject(error) : resolve(readable))),
      );
    yield [entry, stream];
  }
}

/** What the unpacking says of a file that climbs out of its folder is said as such; all else is damage. */
function asRefused(error: unknown): InputRefused {
  if (error instanceof InputRefused) return error;
  const [, name] =
    /^(?:invalid relative path|absolute path|invalid characters in fileName): (.*)$/.exec((error as Error).message) ??
    [];
  if (name !== undefined) return refused(say('server.archive.doesNotBelong', { name: name.slice(0, 80) }));
  return refused(say('server.archive.cutOff'));
}

function checksumsIn(bytes: Buffer): Readonly<Record<string, string>> {
  const sums = JSON.parse(bytes.toString('utf8')) as unknown;
  if (typeof sums !== 'object' || sums === null) throw refused(say('server.archive.cutOff'));
  return sums as Readonly<Record<string, string>>;
}

function manifestIn(bytes: Buffer): Manifest {
  let manifest: Partial<Manifest> | null = null;
  try {
    manifest = JSON.parse(bytes.toString('utf8')) as Partial<Manifest> | null;
  } catch {
    // Said below.
  }
  const { is, form, lines, writtenMs, zone } = manifest ?? {};
  if (is !== ARCHIVE_IS || typeof form !== 'number' || typeof lines !== 'object' || lines === null) {
    throw refused(say('server.archive.isNone'));
  }
  if (form > ARCHIVE_FORM) {
    throw refused(
      say('server.archive.newer', { form: String(form), reads: String(ARCHIVE_FORM) }),
      say('server.archive.takeNewerOatCrock'),
    );
  }
  return { is, form, lines, writtenMs: Number(writtenMs), zone: String(zone) };
}

function parsed(text: string, table: string, number: number): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw refused(say('server.archive.noJson', { table, number: String(number) }));
  }
}

/** Gathers a small file whole. */
function whole(done: (bytes: Buffer) => void): Taker {
  const gathered: Buffer[] = [];
  let size = 0;
  return (bytes, isLast) => {
    size += bytes.length;
    if (size > LONGEST) throw refused(say('server.archive.tooLong'));
    gathered.push(Buffer.from(bytes));
    if (isLast) done(Buffer.concat(gathered));
  };
}

/** Tells the lines of a file, one by one; the last has its line feed, too. */
function lines(tell: (text: string) => void, table: string): Taker {
  let rest: Buffer = Buffer.alloc(0);
  return (bytes, isLast) => {
    let from = 0;
    for (let at = bytes.indexOf(10); at >= 0; at = bytes.indexOf(10, from)) {
      const line = bytes.subarray(from, at);
      if (rest.length + line.length > LONGEST) throw refused(say('server.archive.tooLong'));
      tell((rest.length > 0 ? Buffer.concat([rest, line]) : line).toString('utf8'));
      rest = Buffer.alloc(0);
      from = at + 1;
    }
    if (from < bytes.length) rest = Buffer.concat([rest, bytes.subarray(from)]);
    if (rest.length > LONGEST) throw refused(say('server.archive.tooLong'));
    if (isLast && rest.length > 0) throw refused(say('server.archive.noLineEnd', { table }));
  };
}
