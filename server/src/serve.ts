import type { Logger } from 'pino';
import { createServer, type Server } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { isLoopback } from './access/who.js';
import { openPostOffice, type PostOffice } from './alerts/post-office.js';
import type { MailSettings } from './alerts/ways/mail.js';
import { fillDemo } from './demo/seed.js';
import { createApp } from './http/app.js';
import { portOf } from './listening.js';
import { openKitchen, type Kitchen } from './kitchen.js';
import { engineName } from './learning/engine-name.js';
import { startLearning } from './learning/start.js';
import { ROOT } from './root.js';
import { startSimulator } from './simulator/start.js';
import { usualFolder } from './safekeeping/folder.js';
import { backupKeeper, type BackupKeeper } from './safekeeping/keeper.js';
import { openDairy, type OpenDairy } from './safekeeping/open-dairy.js';
import { KEEP_CLOCK_MS } from './time/clock.js';
import { machineNowMs } from './time/machine.js';
import type { TimeSettings } from './time/settings.js';

/** The built page, unless another is given. */
const WEB_ROOT = join(ROOT, 'web', 'dist', 'browser');

/** What a server is opened with. */
export interface ServeSettings {
  /** The demonstration: filled where it is empty, with simulated instruments. */
  readonly demo: boolean;
  /** Whether the demonstration has the year before its week, too. */
  readonly year?: boolean;
  /** The data file. */
  readonly file: string;
  readonly host: string;
  /** Names it is known by besides its addresses and those of the machine. */
  readonly names?: readonly string[];
  /** Where the proxy stands that is before it ("loopback", an address); none unless one is given. */
  readonly proxy?: string;
  /** A certificate and its key (PEM), to be reached by HTTPS. */
  readonly tls?: { readonly cert: Buffer; readonly key: Buffer };
  /** How mail is sent; not at all unless it is given. */
  readonly mail?: MailSettings;
  /** 0 for any that is free. */
  readonly port: number;
  readonly time: TimeSettings;
  readonly log: Logger;
  /** The folder of its backups; beside the data file unless one is given. */
  readonly backups?: string;
  /** The folder of the built page; the project's own unless one is given. */
  readonly webRoot?: string;
  /** Whether a backup is made each day by itself. */
  readonly daily?: boolean;
  /** Whether an empty dairy may be begun although backups of one are there. */
  readonly anew?: boolean;
}

/** A server that is open. */
export interface Served {
  readonly kitchen: Kitchen;
  /** "http://127.0.0.1:4310" */
  readonly address: string;
  /** Whether it is closed to whoever was not let in. */
  readonly closed: boolean;
  /** No new requests, pages told goodbye, those half sent cut off after a while, the log folded into its file. */
  readonly close: () => Promise<void>;
}

/** A connection is kept so long for the next request, ms: one that is cut just as a slow page uses it again fails. */
const KEEP_ALIVE_MS = 65_000;

/** Who is half-way through a request when a server closes has so long to finish it, ms. */
const LAST_WORDS_MS = 2500;

/**
 * Opens a kitchen's data and serves it: the interface, the page, and the demonstration's instruments.
 *
 * @throws CannotOpen where the data cannot be opened; the system's own error where the port cannot
 */
export async function serve(settings: ServeSettings): Promise<Served> {
  const { demo, file, time, backups: folder = usualFolder(file), anew = demo } = settings;
  const dairy = await openDairy({ file, folder, anew, nowMs: machineNowMs(), zone: time.zone });
  try {
    return await serveDairy(dairy, folder, settings);
  } catch (error) {
    dairy.db.close();
    dairy.letGo();
    throw error;
  }
}

/** Serves data that are open. */
async function serveDairy({ db, letGo }: OpenDairy, folder: string, settings: ServeSettings): Promise<Served> {
  const { demo, year = true, file, time, log, daily = !demo } = settings;
  const kitchen = openKitchen(db, log, time);
  if (demo) await fillDemo(kitchen, year);
  const backups = backupKeeper(kitchen, { file, folder, daily, machineNow: machineNowMs });
  let reachedAt: readonly string[] = [];
  const office = await openPostOffice(kitchen, {
    ...{ mail: settings.mail ?? null, isSimulated: demo, machineNow: machineNowMs },
    base: () => reachedAt[0] ?? null,
  });
  const doors = await openDoors(kitchen, { backups, office }, settings).catch(async (error: unknown) => {
    await office.close();
    throw error;
  });
  const { address, addresses, closed, inside, shut } = doors;
  reachedAt = addresses;
  office.caller.start();
  const stopSimulator = demo ? startSimulator(kitchen, inside) : () => undefined;
  const stopLearning = startLearning(kitchen, { file, zone: time.zone, engine: engineName() });
  const keeping = setInterval(() => keepClock(kitchen), KEEP_CLOCK_MS);
  const close = async () => {
    clearInterval(keeping);
    stopSimulator();
    await stopLearning();
    await backups.stop();
    await office.close();
    keepClock(kitchen);
    kitchen.events.close();
    await shut();
    foldLog(kitchen);
    kitchen.db.close();
    letGo();
  };
  return { kitchen, address, closed, close };
}

/** Where a server is reached. */
interface Doors {
  readonly address: string;
  /** Where other devices reach it. */
  readonly addresses: readonly string[];
  readonly closed: boolean;
  /** Where the simulated instruments post: they know no certificates. */
  readonly inside: string;
  readonly shut: () => Promise<void>;
}

async function openDoors(
  kitchen: Kitchen,
  rooms: { readonly backups: BackupKeeper; readonly office: PostOffice },
  { demo, host, port, names = [], proxy, tls, webRoot = WEB_ROOT }: ServeSettings,
): Promise<Doors> {
  const closed = !isLoopback(host) || proxy !== undefined;
  const way = tls ? 'https' : 'http';
  let at = port;
  const addresses = () =>
    proxy === undefined ? outsideNames(host).map((name) => `${way}://${name}:${at}`) : proxied(names);
  const app = createApp(kitchen, webRoot, { names, ...rooms, closed, proxy: proxy ?? null, addresses });
  const server = tls ? createSecureServer(tls, app) : createServer(app);
  at = await listening(server, port, host);
  const address = `${way}://${nameOf(host)}:${at}`;
  // No other machine reaches this one.
  const inner = demo && tls ? createServer(app) : null;
  const inside = inner ? `http://127.0.0.1:${await listening(inner, 0, '127.0.0.1')}` : address;
  const shut = async () => {
    inner?.close();
    inner?.closeAllConnections();
    const lastWords = setTimeout(() => server.closeAllConnections(), LAST_WORDS_MS);
    await new Promise<void>((closed) => server.close(() => closed()));
    clearTimeout(lastWords);
  };
  return { address, addresses: addresses(), closed, inside, shut };
}

/** Opens a server, and gives back its port. */
async function listening(server: Server, port: number, host: string): Promise<number> {
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  return portOf(server.listen(port, host));
}

/** Where a proxy has it reached: under the names it was given, by HTTPS. */
const proxied = (names: readonly string[]) => names.map((name) => `https://${name}`);

/** What other machines call an address that is listened at: for every address, those of this machine in its networks. */
function outsideNames(host: string): readonly string[] {
  if (isLoopback(host)) return [];
  if (host !== '0.0.0.0' && host !== '::') return [nameOf(host)];
  const own = Object.values(networkInterfaces()).flat();
  return own.flatMap((at) => (at && !at.internal && at.family === 'IPv4' ? [at.address] : []));
}

/** What an address is called on this machine: one that means every address is reached by this machine's own. */
function nameOf(host: string): string {
  if (host === '0.0.0.0' || host === '::') return 'localhost';
  return host.includes(':') ? `[${host}]` : host;
}

/** Where another program holds the file, the clock is written down a second later. */
function keepClock({ clock, log }: Kitchen): void {
  try {
    clock.keep();
  } catch (error) {
    log.warn({ error }, 'the clock could not be written down');
  }
}

/** Folds the write-ahead log into its file; where that cannot be done, the next start does it. */
function foldLog({ db, log }: Kitchen): void {
  try {
    db.pragma('wal_checkpoint(TRUNCATE)');
  } catch (error) {
    log.warn({ error }, 'the log could not be folded into its file');
  }
}
