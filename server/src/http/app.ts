import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { pinoHttp } from 'pino-http';
import { identify } from '../access/who.js';
import type { Kitchen } from '../kitchen.js';
import type { PostOffice } from '../alerts/post-office.js';
import type { BackupKeeper } from '../safekeeping/keeper.js';
import { machineNowMs } from '../time/machine.js';
import { accessGate } from './access-gate.js';
import { bodyTypes } from './body-types.js';
import { errorHandler } from './errors.js';
import { limits, USUAL_LIMITS, type Limits } from './limits.js';
import { ownPageOnly } from './own-page.js';
import { mainScript, servePage } from './page.js';
import { apiRoutes } from './routes.js';

/** Only what the page ships may run, load or be asked. */
const CONTENT_SECURITY = {
  useDefaults: false,
  directives: {
    defaultSrc: ["'none'"],
    scriptSrc: ["'self'"],
    workerSrc: ["'self'"],
    styleSrc: ["'self'", "'unsafe-inline'"],
    imgSrc: ["'self'", 'data:'],
    fontSrc: ["'self'"],
    connectSrc: ["'self'"],
    manifestSrc: ["'self'"],
    baseUri: ["'self'"],
    formAction: ["'self'"],
    frameAncestors: ["'none'"],
  },
};

/** How a server is known and reached, and how much is asked of it. */
export interface AppSettings {
  /** Names it is known by besides its addresses and those of the machine. */
  readonly names?: readonly string[];
  /** Whether others than this machine can reach it: then only who was let in is answered. */
  readonly closed?: boolean;
  /** Where the proxy stands that is before it, as Express's "trust proxy" takes it ("loopback"); null for none. */
  readonly proxy?: string | null;
  readonly limits?: Limits;
  /** What keeps its backups; null where it has none, as a kitchen in memory. */
  readonly backups?: BackupKeeper | null;
  /** What tells people of hands with no page open; null where nothing does. */
  readonly office?: PostOffice | null;
  /** This machine's clock, ms. */
  readonly machineNow?: () => number;
  /** Where other devices reach the dairy. */
  readonly addresses?: () => readonly string[];
}

/**
 * The web server.
 * @param webRoot folder of the built page, or null to serve the interface alone
 */
export function createApp(kitchen: Kitchen, webRoot: string | null, settings: AppSettings = {}): Express {
  const { names = [], closed = false, proxy = null, backups = null, office = null } = settings;
  const { machineNow = machineNowMs, addresses = () => [] } = settings;
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', proxy ?? false);
  app.use(pinoHttp({ logger: kitchen.log, autoLogging: { ignore: (r) => r.url?.endsWith('/events') ?? false } }));
  app.use(helmet({ contentSecurityPolicy: CONTENT_SECURITY, strictTransportSecurity: false }));
  // Where nothing is asked for, what was passed on may come from anybody.
  app.use(ownPageOnly(names, closed));
  app.use(compression());
  app.use('/api/v1', identify(kitchen.access, { closed, proxied: proxy !== null }, machineNow));
  app.use('/api/v1', ...limits(kitchen, settings.limits ?? USUAL_LIMITS), accessGate);
  app.use('/api/v1', bodyTypes, express.json({ limit: '512kb' }));
  app.use('/api/v1', apiRoutes(kitchen, { backups, office, closed, machineNow, addresses, page: mainScript(webRoot) }));
  if (webRoot && existsSync(join(webRoot, 'index.html'))) servePage(app, webRoot);
  app.use(errorHandler(kitchen.log, kitchen.words));
  return app;
}
