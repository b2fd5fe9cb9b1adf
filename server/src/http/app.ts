import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { say } from '@oat-crock/core';
import { existsSync, readFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import { pinoHttp } from 'pino-http';
import { identify } from '../access/who.js';
import type { Kitchen } from '../kitchen.js';
import type { BackupKeeper } from '../safekeeping/keeper.js';
import { machineNowMs } from '../time/machine.js';
import { accessGate } from './access-gate.js';
import { bodyTypes } from './body-types.js';
import { errorHandler, notFound } from './errors.js';
import { limits, USUAL_LIMITS, type Limits } from './limits.js';
import { ownPageOnly } from './own-page.js';
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
  const { names = [], closed = false, proxy = null, backups = null } = settings;
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
  app.use('/api/v1', apiRoutes(kitchen, { backups, closed, machineNow, addresses, page: mainScript(webRoot) }));
  if (webRoot && existsSync(join(webRoot, 'index.html'))) servePage(app, webRoot);
  app.use(errorHandler(kitchen.log, kitchen.words));
  return app;
}

/** The name of the main script in a page. */
const MAIN_SCRIPT = /src="(main[\w-]*\.js)"/;

/** The name of the main script of a built page; null where there is no page. */
function mainScript(webRoot: string | null): string | null {
  const index = webRoot && join(webRoot, 'index.html');
  return index && existsSync(index) ? (MAIN_SCRIPT.exec(readFileSync(index, 'utf8'))?.[1] ?? null) : null;
}

/**
 * Files with a fingerprint in their name never change; the page itself is always asked for. It stands at every address but those of
 * files: a script that is missing is missing, and no page to be run.
 */
function servePage(app: Express, webRoot: string): void {
  app.use(
    express.static(webRoot, {
      index: false,
      setHeaders: (response, path) => {
        const lasting = /-[A-Z0-9]{8}\.\w+$/.test(path);
        response.setHeader('cache-control', lasting ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    }),
  );
  app.get('/{*path}', (request, response, next) => {
    if (extname(request.path) !== '') {
      next(notFound(say('server.http.routes.address', { method: request.method, originalUrl: request.originalUrl })));
      return;
    }
    response.setHeader('cache-control', 'no-cache');
    response.sendFile(join(webRoot, 'index.html'));
  });
}
