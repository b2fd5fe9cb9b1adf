import { check, InputRefused, type ArchiveReport } from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import type { Kitchen } from '../kitchen.js';
import type { Manifest } from './form.js';
import { partsOf, type Fate } from './parts.js';
import { readArchive, refused } from './read.js';

/** Lines are taken in so many at a time, each time in one transaction, so that a kitchen that is at work goes on meanwhile. */
const AT_ONCE = 2000;

/**
 * What would come of reading an archive in: every line is checked, none is written.
 *
 * @throws InputRefused where anything of it cannot be read in
 */
export async function tryArchive(kitchen: Kitchen, path: string): Promise<ArchiveReport> {
  const parts = new Map(partsOf(kitchen).map((part) => [part.name, part]));
  const fates = new Map<string, Record<Fate, number>>();
  let manifest: Manifest | null = null;
  await readArchive(path, {
    manifest: (said) => (manifest = said),
    line: (table, value, number) => {
      const part = parts.get(table);
      if (!part) throw refused(say('server.archive.doesNotBelong', { name: table }));
      const line = checked(() => check(part.schema, value) as never, table, number);
      const fate = part.fateOf(line);
      if (table === 'log' && fate === 'other') {
        throw refused(say('server.archive.otherLog', { id: (value as { id: string }).id, number: String(number) }));
      }
      const counts = fates.get(table) ?? { new: 0, known: 0, other: 0 };
      counts[fate]++;
      fates.set(table, counts);
    },
    photo: () => undefined,
  });
  const { writtenMs, form } = manifest! as Manifest;
  return {
    form,
    writtenMs,
    tables: [...fates].map(([table, counts]) => ({ table, ...counts })),
  };
}

/**
 * Reads an archive in, once all of it was tried: a union by id with what is here. Where that is broken off, nothing is lost, and
 * reading it in again goes on with the rest.
 *
 * @throws InputRefused where anything of it cannot be read in; nothing is written then
 */
export async function takeArchiveIn(kitchen: Kitchen, path: string): Promise<ArchiveReport> {
  const report = await tryArchive(kitchen, path);
  const parts = new Map(partsOf(kitchen).map((part) => [part.name, part]));
  const types = new Map<
    string,
    { readonly batchId: string; readonly type: 'image/jpeg' | 'image/png' | 'image/webp' }
  >();
  let table = '';
  let lines: never[] = [];
  const take = () => {
    if (lines.length > 0) kitchen.db.transaction(() => parts.get(table)!.take(lines))();
    lines = [];
  };
  await readArchive(path, {
    manifest: () => undefined,
    line: (of, value) => {
      if (of !== table || lines.length >= AT_ONCE) take();
      table = of;
      lines.push(check(parts.get(of)!.schema, value) as never);
      if (of === 'photos') types.set((value as { id: string }).id, value as never);
    },
    photo: (id, bytes) => {
      const known = types.get(id);
      if (known) kitchen.photos.keep({ id, bytes, batchId: known.batchId, type: known.type });
    },
    rest: take,
  });
  take();
  return report;
}

/** A line as its table has it, or which line of which table is wrong, and what of it. */
function checked<T>(of: () => T, table: string, number: number): T {
  try {
    return of();
  } catch (error) {
    if (!(error instanceof InputRefused)) throw error;
    const [first] = error.errors;
    throw new InputRefused([
      {
        field: `records/${table}.jsonl:${number}${first ? `: ${first.field}` : ''}`,
        message: first?.message ?? '',
        remedy: say('server.archive.takeAnother'),
      },
    ]);
  }
}
