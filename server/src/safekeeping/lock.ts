import Database from 'better-sqlite3';
import { codeOf } from './trouble.js';

/** Lets others have the file. */
export type LetGo = () => void;

/**
 * Takes a data file for one server alone, for as long as the process lives: an exclusive lock of SQLite on a small file beside it,
 * which the system lets go of by itself when a process is killed. Null where another has it.
 */
export function takeAlone(file: string): LetGo | null {
  const beside = new Database(`${file}-in-use`);
  try {
    beside.pragma('busy_timeout = 0');
    beside.exec('BEGIN EXCLUSIVE');
    return () => beside.close();
  } catch (error) {
    beside.close();
    if (codeOf(error) === 'SQLITE_BUSY') return null;
    throw error;
  }
}
