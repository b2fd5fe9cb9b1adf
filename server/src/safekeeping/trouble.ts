import { say, type Text } from '@oat-crock/core';

/** The code of an error of SQLite or of the system; empty where it has none. */
export const codeOf = (error: unknown): string => String((error as { code?: unknown } | null)?.code ?? '');

/** What is wrong with a file or its folder, and the way out. */
export interface Trouble {
  readonly text: Text;
  readonly remedy: Text;
}

/** A data file cannot be opened, or something cannot be done with it: in words. */
export class CannotOpen extends Error implements Trouble {
  constructor(
    readonly text: Text,
    readonly remedy: Text,
  ) {
    super(typeof text === 'string' ? text : text.key);
    this.name = 'CannotOpen';
  }
}

/** What the codes of SQLite and of the system mean, by how they begin. */
const MEANINGS: readonly (readonly [RegExp, (file: string) => Trouble])[] = [
  [
    /^(SQLITE_FULL|ENOSPC|EDQUOT)/,
    (file) => ({ text: say('safe.trouble.full', { file }), remedy: say('safe.trouble.makeSpace') }),
  ],
  [
    /^(SQLITE_READONLY|EACCES|EPERM|EROFS)/,
    (file) => ({ text: say('safe.trouble.mayNotWrite', { file }), remedy: say('safe.trouble.giveRight') }),
  ],
  [
    /^(SQLITE_BUSY|SQLITE_LOCKED|SQLITE_PROTOCOL)/,
    (file) => ({ text: say('safe.trouble.heldByAnother', { file }), remedy: say('safe.trouble.closeOther') }),
  ],
  [
    /^SQLITE_NOTADB/,
    (file) => ({ text: say('safe.trouble.noDairy', { file }), remedy: say('safe.trouble.giveFileOrRestore') }),
  ],
  [
    /^SQLITE_CORRUPT/,
    (file) => ({ text: say('safe.trouble.damaged', { file }), remedy: say('safe.trouble.restore', { file }) }),
  ],
  [
    /^(SQLITE_CANTOPEN|ENOENT|ENOTDIR|EISDIR|EEXIST|ELOOP|ENAMETOOLONG)/,
    (file) => ({ text: say('safe.trouble.cannotReach', { file }), remedy: say('safe.trouble.checkPath') }),
  ],
  [
    /^(SQLITE_IOERR|EIO)/,
    (file) => ({ text: say('safe.trouble.diskFails', { file }), remedy: say('safe.trouble.copyElsewhere') }),
  ],
];

/** Says what an error of SQLite or of the system means for a file; null for any other error. */
export function troubleWith(file: string, error: unknown): Trouble | null {
  if (error instanceof CannotOpen) return error;
  return MEANINGS.find(([code]) => code.test(codeOf(error)))?.[1](file) ?? null;
}

/** Has something done with a file; what goes wrong with it is said in words. */
export function inWords<T>(file: string, done: () => T): T {
  try {
    return done();
  } catch (error) {
    const trouble = troubleWith(file, error);
    throw trouble ? new CannotOpen(trouble.text, trouble.remedy) : error;
  }
}
