import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parentPort, workerData } from 'node:worker_threads';
import { openDb } from '../store/open.js';
import { school } from './school.js';
import type { Heard, LearningOrders, Look } from './start.js';

/**
 * What finished makes teach, worked out beside the server on a line of its own into the same file, so that no request waits for
 * it. It is told to look, asks what is due one make after another, and says when that came to something new.
 */
const { file, zone } = workerData as LearningOrders;
const { due, ask, pool } = school(openDb(file), engineDigest(), zone);

/** The last look that was asked for; null where nothing is to be done. */
let wanted: Look | null = null;
let queue: ReturnType<typeof due> = [];

parentPort!.on('message', (look: Look) => {
  const idle = wanted === null;
  wanted = look;
  if (idle) setImmediate(work);
});

/** Asks one make; where none is left, looks whether any is due by now, and pools them at last. */
function work(): void {
  if (queue.length === 0) queue = due();
  const [next, ...later] = queue;
  if (next) {
    ask(next, wanted!.nowMs);
    queue = later;
    setImmediate(work);
    return;
  }
  wanted = null;
  const heard: Heard = { changed: pool() };
  parentPort!.postMessage(heard);
}

/** Names the engine by its files: where one of them is another, what was worked out is worked out anew. */
function engineDigest(): string {
  const folder = dirname(fileURLToPath(import.meta.resolve('@oat-crock/core')));
  const hash = createHash('sha256');
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /(?<!\.spec)\.[jt]s$/.test(name) && !name.endsWith('.d.ts'))
    .sort();
  for (const name of files) hash.update(name).update(readFileSync(join(folder, name)));
  return hash.digest('hex').slice(0, 16);
}
