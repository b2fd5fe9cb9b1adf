import compression from 'compression';
import express, { type Express } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { pinoHttp } from 'pino-http';
import { problem } from '@oat-crock/contract';
import type { Kitchen } from '../kitchen.js';
import type { BackupKeeper } from '../safekeeping/keeper.js';
import { bodyTypes } from './body-types.js';
import { errorHandler, sendProblem } from './errors.js';
import { ownPageOnly } from './own-page.js';
import { apiRoutes } from './routes.js';
import { say } from '@oat-crock/core';

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

const REQUESTS_PER_MIN = 1200;
const READINGS = /^\/instruments\/([^/]+)\/readings$/;

/** How a server is known, and how much is asked of it. */
export interface AppSettings {
  /** Names it is known by besides its addresses and those of the machine. */
  readonly names?: readonly string[];
  /** So many requests a minute are answered from each address. */
  readonly requestsPerMin?: number;
  /** What keeps its backups; null where it has none, as a kitchen in memory. */
  readonly backups?: BackupKeeper | null;
}

/** So many requests a minute from each address; what an instrument posts is counted by itself, so that it never keeps hands from logging. */
const limited = (kitchen: Kitchen, limit: number) =>
  rateLimit({
    windowMs: 60_000,
    limit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: ({ path, ip = '' }) => {
      const probe = READINGS.exec(path)?.[1];
      return probe && kitchen.instruments.get(probe) ? `probe ${probe}` : ipKeyGenerator(ip);
    },
    handler: (_request, response) =>
      sendProblem(
        response,
        problem(429, say('server.http.app.tooManyOnce'), say('server.http.app.waitMinuteSendAgain')),
        kitchen.words,
      ),
  });

/**
 * The web server.
 * @param webRoot folder of the built page, or null to serve the interface alone
 */
export function createApp(
  kitchen: Kitchen,
  webRoot: string | null,
  { names = [], requestsPerMin = REQUESTS_PER_MIN, backups = null }: AppSettings = {},
): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger: kitchen.log, autoLogging: { ignore: (r) => r.url?.endsWith('/events') ?? false } }));
  app.use(helmet({ contentSecurityPolicy: CONTENT_SECURITY, strictTransportSecurity: false }));
  app.use(ownPageOnly(names));
  app.use(compression());
  app.use('/api/v1', limited(kitchen, requestsPerMin), bodyTypes, express.json({ limit: '512kb' }));
  app.use('/api/v1', apiRoutes(kitchen, backups));
  if (webRoot && existsSync(join(webRoot, 'index.html'))) servePage(app, webRoot);
  app.use(errorHandler(kitchen.log, kitchen.words));
  return app;
}

/** Files with a fingerprint in their name never change; the page itself is always asked for. */
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
  app.get('/{*path}', (_request, response) => {
    response.setHeader('cache-control', 'no-cache');
    response.sendFile(join(webRoot, 'index.html'));
  });
}
