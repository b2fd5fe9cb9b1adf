import { createHash } from 'node:crypto';
import { readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Names the engine by its files: once one of them was written anew, what was worked out with it is worked out anew too. */
export function engineName(): string {
  const folder = dirname(fileURLToPath(import.meta.resolve('@oat-crock/core')));
  const hash = createHash('sha256');
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.[jt]s$/.test(name) && !/\.(spec|d)\.[jt]s$/.test(name))
    .sort();
  for (const name of files) {
    const { size, mtimeMs } = statSync(join(folder, name));
    hash.update(`${name} ${size} ${mtimeMs}\n`);
  }
  return hash.digest('hex').slice(0, 16);
}
