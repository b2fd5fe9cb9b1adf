import type { LogLine } from '@oat-crock/core';
import { decodeTime } from 'ulid';
import { tell } from '../ui/said';
import { dayTime } from '../ui/words';

/** Written so long after it happened, a line says both, ms. */
const WRITTEN_LATER_MS = 15 * 60_000;

/** When a line was written, where that was long after it happened; empty where it was not. */
export function writtenLater({ entry, atMs }: LogLine): string {
  if (entry.source !== 'hand') return '';
  const writtenMs = decodeTime(entry.id);
  return writtenMs - atMs > WRITTEN_LATER_MS ? tell('page.make.logList.written', { written: dayTime(writtenMs) }) : '';
}
