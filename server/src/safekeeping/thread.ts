import { parentPort, workerData } from 'node:worker_threads';
import { backUp, type BackupOrder } from './back-up.js';
import type { BackupTold } from './keeper.js';

/** A backup beside the server, on a line of its own: copying and reading a large file must not keep anybody waiting. */
const told = (what: BackupTold) => parentPort!.postMessage(what);

/** It is told so often how far it is, ms. */
const EVERY_MS = 200;
let lastMs = -Infinity;

const run = await backUp(workerData as BackupOrder, (share) => {
  if (performance.now() - lastMs < EVERY_MS) return;
  lastMs = performance.now();
  told({ share });
});
told({ run });
