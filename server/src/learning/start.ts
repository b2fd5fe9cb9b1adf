import type { Entry } from '@oat-crock/core';
import { Worker } from 'node:worker_threads';
import type { Kitchen } from '../kitchen.js';
import { threadBeside } from '../threads.js';

/** What the thread is opened with. */
export interface LearningOrders {
  readonly file: string;
  readonly zone: string;
  /** Names the engine: what another one worked out counts no more. */
  readonly engine: string;
}

/** It is to look which makes have not taught yet. */
export type Look = 'look';

/** Nothing is due any more; whether it came to something else than before. */
export interface Heard {
  readonly changed: boolean;
}

/** A line that may change what a make that is over teaches. */
const bearsOnFinished = ({ source, body }: Entry) =>
  source === 'hand' && (body.type === 'finished' || body.type === 'correction');

/** Lines that come one after another are looked at together, ms. */
const REST_MS = 150;

/**
 * Has finished makes asked what they teach: at once where there are any, and whenever one was finished or put right, or something is
 * to be forgotten. That is done in a thread, which is begun when it is first needed; every page is told what it comes to. Returns
 * how to stop it.
 */
export function startLearning(kitchen: Kitchen, orders: LearningOrders): () => Promise<void> {
  const { learning, events, log } = kitchen;
  let thread: Worker | null = null;
  let resting: NodeJS.Timeout | null = null;
  const told = () => events.tell({ type: 'learned', learned: kitchen.learned() });
  const settle = (changed: boolean) => {
    const first = !learning.settled;
    learning.settled = true;
    if (changed || first) told();
  };
  const begin = () => {
    const begun = new Worker(threadBeside(import.meta.url), { workerData: orders });
    begun.on('message', ({ changed }: Heard) => settle(changed));
    begun.on('error', (error) => {
      log.error({ error }, 'what makes teach could not be worked out; it is begun anew when another make is finished');
      thread = null;
      settle(false);
    });
    return begun;
  };
  const look = () => {
    resting = null;
    thread ??= begin();
    thread.postMessage('look' satisfies Look);
  };
  events.hear((event) => {
    const counts =
      event.type === 'settings' ||
      event.type === 'renewed' ||
      (event.type === 'entries' && event.entries.some(bearsOnFinished));
    if (counts) resting ??= setTimeout(look, REST_MS).unref();
  });
  if (kitchen.lessons.anyDue(orders.engine)) {
    learning.settled = false;
    look();
  } else if (kitchen.figures.waiting(orders.engine) > 0) look();
  return async () => {
    if (resting) clearTimeout(resting);
    await thread?.terminate();
  };
}
