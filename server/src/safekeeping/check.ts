import { check, entrySchema, InputRefused, type Family } from '@oat-crock/contract';
import { replay, say, type Entry, type Text } from '@oat-crock/core';
import { keptStore, TABLES } from '../store/kept.js';
import { formOf, NEWEST_FORM } from '../store/migrations.js';
import { connect, type Db } from '../store/open.js';
import { codeOf, troubleWith } from './trouble.js';

/** What a data file was found to be when all of it was read. */
export interface DairyChecked {
  readonly makes: number;
  readonly lines: number;
  /** The newest line of the log, ms; null where there is none. */
  readonly newestMs: number | null;
  /** What cannot be read or is not as it was written: the file is not to be relied on. */
  readonly damage: readonly Text[];
  /** What can be read, but would not be written like that today. */
  readonly odd: readonly Text[];
}

/** So much of each is told; a file may be wrong all through. */
const MOST = 20;

/**
 * Reads a data file from end to end, as it is, whatever its form: whether SQLite finds it whole, every line of every log can be
 * read and each make replayed, and whether every record is as it would be written today. Writes nothing.
 *
 * @param told hears how much was done, 0 to 1
 */
export function checkDairy(file: string, told: (share: number) => void = () => undefined): DairyChecked {
  const found = { makes: 0, lines: 0, newestMs: null as number | null, damage: [] as Text[], odd: [] as Text[] };
  try {
    const db = connect(file, { readonly: true, waitMs: 10_000 });
    try {
      found.damage.push(...damageIn(db));
      if (found.damage.length === 0) {
        told(WHOLE_SHARE);
        readLog(db, found, (share) => told(WHOLE_SHARE + (1 - WHOLE_SHARE) * share));
        found.odd.push(...oddRecords(db));
      }
    } finally {
      db.close();
    }
  } catch (error) {
    const trouble = troubleWith(file, error);
    if (!trouble) throw error;
    const isWithin = /^SQLITE_(CORRUPT|NOTADB)/.test(codeOf(error));
    found.damage.push(isWithin ? say('safe.check.sqlite', { what: (error as Error).message }) : trouble.text);
  }
  return { ...found, damage: found.damage.slice(0, MOST), odd: found.odd.slice(0, MOST) };
}

/** How much of a check is SQLite's own: about as much again is reading the logs. */
const WHOLE_SHARE = 0.4;

/** What SQLite finds wrong with the file, and whether it is a dairy at all. */
function damageIn(db: Db): Text[] {
  const lines = db.pragma(`integrity_check(${MOST})`) as readonly { readonly integrity_check: string }[];
  const damage = lines.map((line) => line.integrity_check).filter((line) => line !== 'ok');
  if (damage.length > 0) return damage.map((what) => say('safe.check.sqlite', { what }));
  if (!isDairy(db)) return [say('safe.check.noDairy')];
  const form = formOf(db);
  return form > NEWEST_FORM ? [say('safe.check.newer', { form: String(form), reads: String(NEWEST_FORM) })] : [];
}

/** What migration 018 marks a file with; older forms bear no mark. */
const OUR_MARK = 1_329_681_475;

/** Whether a database holds a dairy's log, in whatever form. */
export function isDairy(db: Db): boolean {
  const mark = db.pragma('application_id', { simple: true }) as number;
  if (mark !== 0 && mark !== OUR_MARK) return false;
  const columns = db.pragma('table_info(entry)') as readonly { readonly name: string }[];
  return ['seq', 'id', 'batch_id', 'at_ms', 'source', 'body'].every((name) => columns.some((c) => c.name === name));
}

interface LineRow {
  readonly id: string;
  readonly batchId: string;
  readonly atMs: number;
  readonly source: string;
  readonly body: string;
}

/** Reads the log make by make. */
function readLog(
  db: Db,
  found: { makes: number; lines: number; newestMs: number | null; damage: Text[]; odd: Text[] },
  told: (share: number) => void,
): void {
  const makes = db.prepare<[], { id: string }>('SELECT DISTINCT batch_id AS id FROM entry').all();
  const linesOf = db.prepare<[string], LineRow>(
    'SELECT id, batch_id AS batchId, at_ms AS atMs, source, body FROM entry WHERE batch_id = ? ORDER BY seq',
  );
  makes.forEach(({ id: make }, i) => {
    const rows = linesOf.all(make);
    found.lines += rows.length;
    const entries: Entry[] = [];
    for (const row of rows) {
      found.newestMs = Math.max(found.newestMs ?? row.atMs, row.atMs);
      try {
        const entry = { ...row, body: JSON.parse(row.body) as Entry['body'] };
        entries.push(entry);
        // What instruments read is checked as it comes, and there is too much of it to be asked every night.
        if (entry.source === 'hand') check(entrySchema, entry);
      } catch (error) {
        if (error instanceof InputRefused)
          found.odd.push(say('safe.check.line', { make, line: row.id, what: first(error) }));
        else found.damage.push(say('safe.check.lineUnreadable', { make, line: row.id }));
      }
    }
    try {
      if (replay(entries)) found.makes++;
      else found.odd.push(say('safe.check.noBegin', { make }));
    } catch {
      found.odd.push(say('safe.check.make', { make }));
    }
    told((i + 1) / makes.length);
  });
}

/** Records that would not be written today as they stand; tables that the file's form does not have yet are passed over. */
function oddRecords(db: Db): Text[] {
  return (Object.keys(TABLES) as Family[]).flatMap((family) => {
    const table = TABLES[family];
    if ((db.pragma(`table_info(${table})`) as readonly unknown[]).length === 0) return [];
    return keptStore(db, family)
      .odd()
      .map(({ id, field, message }) =>
        say('safe.check.record', { table, id, what: say('safe.check.field', { field, message }) }),
      );
  });
}

/** The first that is wrong of an input. */
function first({ errors: [one] }: InputRefused): Text {
  return one ? say('safe.check.field', { field: one.field, message: one.message }) : say('safe.check.unreadable');
}
