import { parentPort, workerData } from 'node:worker_threads';
import { openDb } from '../store/open.js';
import { school } from './trainer.js';
import type { Heard, LearningOrders } from './start.js';

/** Nobody waits for this thread: it may wait for whoever writes, ms. */
const WAIT_MS = 10_000;

/**
 * What finished makes teach, worked out beside the server on a line of its own into the same file, so that no request waits for
 * it. It is told to look, asks what is due one make after another, and says when that came to something new.
 */
const { file, zone, engine } = workerData as LearningOrders;
const { due, ask, pool, unreckoned, reckon } = school(openDb(file, { waitMs: WAIT_MS }), engine, zone);

/** Whether anything is being done; and whether a look was asked for since the makes were looked through. */
let isBusy = false;
let isNew = false;
/** Makes that are to teach, and those of which it is not known yet what they come to. */
let toAsk: ReturnType<typeof due> = [];
let toReckon: ReturnType<typeof unreckoned> = [];
let isPooled = true;

parentPort!.on('message', () => {
  isNew = true;
  if (!isBusy) setImmediate(work);
  isBusy = true;
});

/**
 * One thing at a time, so that a new look is heard in between: asks a make; where all were asked, pools what they taught and says
 * so; then works out what one of them comes to, and pools once more what the last of those has changed.
 */
function work(): void {
  const began = performance.now();
  if (isNew) {
    isNew = false;
    isPooled = false;
    toAsk = due();
  }
  const [next, ...later] = toAsk;
  const [first, ...others] = toReckon;
  if (next) {
    ask(next);
    toAsk = later;
  } else if (!isPooled) {
    const heard: Heard = { changed: pool() };
    parentPort!.postMessage(heard);
    isPooled = true;
    toReckon = unreckoned();
  } else if (first) {
    reckon(first);
    toReckon = others;
    // How well its windows held is taught by all of them.
    isPooled = others.length > 0;
    // Nobody waits for it: it rests as long as it worked, so that it never takes more than half of a core.
    setTimeout(work, performance.now() - began);
    return;
  } else {
    isBusy = false;
    return;
  }
  setImmediate(work);
}
