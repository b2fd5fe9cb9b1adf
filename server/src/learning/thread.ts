import { parentPort, workerData } from 'node:worker_threads';
import { openDb } from '../store/open.js';
import { school } from './trainer.js';
import type { Heard, LearningOrders, Look } from './start.js';

/**
 * What finished makes teach, worked out beside the server on a line of its own into the same file, so that no request waits for
 * it. It is told to look, asks what is due one make after another, and says when that came to something new.
 */
const { file, zone, engine } = workerData as LearningOrders;
const { due, ask, pool } = school(openDb(file), engine, zone);

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
