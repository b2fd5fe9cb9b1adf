import { fork } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Kitchen } from '../kitchen.js';

/** What the stand-in process is told by its environment. */
export interface StandInOrders {
  readonly address: string;
  readonly instruments: readonly { readonly id: string; readonly kind: string; readonly token: string }[];
}

/** Starts the simulated instruments as a process of their own, which posts like any real probe. Returns how to stop it. */
export function startStandIns(kitchen: Kitchen, address: string): () => void {
  const orders: StandInOrders = {
    address,
    instruments: kitchen.instruments
      .all()
      .filter((i) => i.simulated)
      .map(({ id, kind, token }) => ({ id, kind, token })),
  };
  const file = import.meta.url.endsWith('.ts') ? 'process.ts' : 'process.js';
  const child = fork(join(dirname(fileURLToPath(import.meta.url)), file), {
    env: { ...process.env, OAT_CROCK_STAND_INS: JSON.stringify(orders) },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  return () => child.kill('SIGTERM');
}
