import { join, resolve } from 'node:path';
import { ROOT } from './root.js';

/** The data file: as `OAT_CROCK_DB` names it, or the usual one of a dairy or of the demonstration. */
export function dataFile(environment: Readonly<Record<string, string | undefined>>, demo: boolean): string {
  return resolve(environment['OAT_CROCK_DB'] ?? join(ROOT, 'data', demo ? 'demo.sqlite' : 'dairy.sqlite'));
}
