import { Worker } from 'node:worker_threads';
import { hashOf, newToken } from '../access/secrets.js';
import type { Kitchen } from '../kitchen.js';
import { threadBeside } from '../threads.js';

/** What the thread of the simulated instruments is told. */
export interface SimulatorOrders {
  readonly address: string;
  readonly instruments: readonly { readonly id: string; readonly kind: string; readonly token: string }[];
}

/**
 * Starts the simulated instruments, which post like any real probe. They run in a thread of their own, so that what they work out
 * keeps nobody waiting, and end with the server whichever way it ends. Returns how to stop them.
 */
export function startSimulator(kitchen: Kitchen, address: string): () => void {
  const workerData: SimulatorOrders = {
    address,
    instruments: kitchen.instruments
      .all()
      .filter((i) => i.simulated)
      .map(({ id, kind }) => ({ id, kind, token: renewed(kitchen, id) })),
  };
  const thread = new Worker(threadBeside(import.meta.url), { workerData });
  thread.on('error', (error) => kitchen.log.error({ error }, 'the simulated instruments have stopped'));
  return () => void thread.terminate();
}

/** A new token, as only the hash of the last is known. */
function renewed({ instruments }: Kitchen, id: string): string {
  const token = newToken();
  instruments.renew(id, hashOf(token));
  return token;
}
