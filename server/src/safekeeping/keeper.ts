import type { BackupRun, BackupWhy, Safekeeping } from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { threadBeside } from '../threads.js';
import type { Kitchen } from '../kitchen.js';
import type { BackupOrder } from './back-up.js';
import { backupsIn } from './folder.js';
import { backupDue } from './rotation.js';

/** What the thread says: how far it is, 0 to 1, and what came of it. */
export type BackupTold = { readonly share: number } | { readonly run: BackupRun };

/** What backups are kept by. */
export interface KeeperSettings {
  readonly file: string;
  readonly folder: string;
  /** Whether one is made each day by itself. */
  readonly daily: boolean;
  /** This machine's clock, ms: a demonstration's own may run fast. */
  readonly machineNow: () => number;
  /** What makes one: a thread beside the server. */
  readonly copier?: Copier;
}

/** A backup that is being made. */
export interface Copying {
  readonly run: Promise<BackupRun>;
  readonly stop: () => Promise<unknown>;
}

/** Begins a backup; `told` hears how much was done, 0 to 1. */
export type Copier = (order: BackupOrder, told: (share: number) => void) => Copying;

/** Makes a backup in a thread beside the server. */
const inThread: Copier = (order, told) => {
  const worker = new Worker(threadBeside(import.meta.url), { workerData: order });
  const run = new Promise<BackupRun>((resolve, reject) => {
    worker.on('message', (message: BackupTold) => ('run' in message ? resolve(message.run) : told(message.share)));
    worker.on('error', reject);
    worker.on('exit', () => reject(new Error('the thread ended before the backup was made')));
  });
  return { run, stop: () => worker.terminate() };
};

/** Keeps backups of a dairy: on a button, and each day. */
export interface BackupKeeper {
  readonly state: () => Safekeeping;
  /** Begins a backup; one that is being made already is what is asked for. Resolves with what came of it. */
  readonly backUp: (why: BackupWhy) => Promise<BackupRun>;
  /** Where a backup stands; null where there is none of that name. */
  readonly pathOf: (name: string) => string | null;
  readonly stop: () => Promise<void>;
}

/** Whether one is due is looked at so often, ms; and first so long after the start, when a page may want the machine for itself. */
const LOOK_MS = 1_800_000;
const FIRST_LOOK_MS = 60_000;

/** What is in a backup that was broken off. */
const NOTHING = { name: null, bytes: 0, makes: 0, lines: 0, wrong: [say('safe.trouble.broke')] };

/** Keeps backups of a kitchen that is open. Pages are told how far one is, and what came of it. */
export function backupKeeper(
  kitchen: Kitchen,
  { file, folder, daily, machineNow, copier = inThread }: KeeperSettings,
): BackupKeeper {
  const { backupRuns, events, household, log } = kitchen;
  let running: { share: number; readonly stop: Copying['stop']; readonly done: Promise<BackupRun> } | null = null;
  let isClosing = false;
  // What came of the last one, also where that could not be written down.
  let last = backupRuns.newest();
  const zone = () => household.settings().settings.zone;
  const state = (): Safekeeping => ({
    ...{ file, folder, daily, last },
    share: running?.share ?? null,
    backups: backupsIn(folder, file),
  });
  const told = () => events.tell({ type: 'backups', backups: state() });

  const ended = (run: BackupRun) => {
    running = null;
    if (isClosing) return run;
    last = run;
    try {
      backupRuns.keep(run);
    } catch (error) {
      log.error({ error }, 'what came of the backup could not be written down');
    }
    if (run.wrong.length > 0) log.error({ wrong: run.wrong }, 'the backup cannot be relied on');
    told();
    return run;
  };
  const begin = (why: BackupWhy) => {
    const order: BackupOrder = { file, folder, why, atMs: machineNow(), zone: zone() };
    const { run, stop } = copier(order, (share) => {
      if (running) running.share = share;
      told();
    });
    const done = run
      .catch((error: unknown) => {
        log.error({ error }, 'a backup was broken off');
        return { atMs: order.atMs, why, ...NOTHING };
      })
      .then(ended);
    running = { share: 0, stop, done };
    told();
    return running;
  };
  const isDue = () => {
    // Those from before a newer form are no daily ones; one that was found to be damaged was tried today.
    const made = [...backupsIn(folder, file).filter((b) => b.why !== 'form'), ...(last?.name ? [last] : [])];
    const madeMs = made.map((b) => b.atMs);
    return backupDue(madeMs, machineNow(), zone());
  };
  const look = () => {
    try {
      if (!running && isDue()) begin('daily');
    } catch (error) {
      log.error({ error }, 'whether a backup is due could not be looked at');
    }
  };
  const looking = daily ? setInterval(look, LOOK_MS).unref() : null;
  const first = daily ? setTimeout(look, FIRST_LOOK_MS).unref() : null;

  return {
    state,
    backUp: (why) => (running ?? begin(why)).done,
    pathOf: (name) => (backupsIn(folder, file).some((b) => b.name === name) ? join(folder, name) : null),
    stop: async () => {
      isClosing = true;
      if (looking) clearInterval(looking);
      if (first) clearTimeout(first);
      await running?.stop();
    },
  };
}
