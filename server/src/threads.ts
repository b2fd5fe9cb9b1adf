import { fileURLToPath } from 'node:url';

/** The file of the thread that stands beside a module: `thread.js`, or `thread.ts` where the sources are run. */
export function threadBeside(moduleUrl: string): string {
  return fileURLToPath(new URL(moduleUrl.endsWith('.ts') ? 'thread.ts' : 'thread.js', moduleUrl));
}
