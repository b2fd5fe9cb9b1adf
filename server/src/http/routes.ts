import { afterSchema, check, stretchSchema } from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import { Router } from 'express';
import { ROOM_BEFORE_MS } from '../house.js';
import type { Kitchen } from '../kitchen.js';
import { pageLog } from '../ledger/page-log.js';
import { publicInstrument } from '../store/instruments.js';
import type { BackupKeeper } from '../safekeeping/keeper.js';
import { unreached } from '../alerts/caller.js';
import type { PostOffice } from '../alerts/post-office.js';
import { accessRoutes, type AccessSettings } from './access-routes.js';
import { alertRoutes } from './alert-routes.js';
import { archiveRoutes } from './archive-routes.js';
import { backupRoutes } from './backup-routes.js';
import { entryRoutes } from './entry-routes.js';
import { notFound } from './errors.js';
import { householdRoutes } from './household-routes.js';
import { instrumentRoutes } from './instrument-routes.js';
import { larderRoutes } from './larder-routes.js';
import { ledgerRoutes } from './ledger-routes.js';
import { openApiDocument } from './openapi.js';
import { photoRoutes } from './photo-routes.js';
import { planRoutes } from './plan-routes.js';

const ROUTES = [
  entryRoutes,
  ledgerRoutes,
  archiveRoutes,
  instrumentRoutes,
  photoRoutes,
  householdRoutes,
  larderRoutes,
  planRoutes,
] as const;

/** What the interface needs besides the kitchen. */
export interface ApiSettings extends AccessSettings {
  readonly backups: BackupKeeper | null;
  /** What tells people of hands; null where nothing does. */
  readonly office: PostOffice | null;
  /** The name of the main script of the page that is given; null where none is. */
  readonly page: string | null;
}

/** The public interface under /api/v1. */
export function apiRoutes(kitchen: Kitchen, { backups, office, page, ...access }: ApiSettings): Router {
  const { clock, events, room } = kitchen;
  const router = Router();

  router.get('/health', (_request, response) => {
    response.json({ ok: true, nowMs: clock.now() });
  });
  router.get('/snapshot', (request, response) => {
    response.json({ ...snapshot(kitchen, check(afterSchema, request.query).after), page });
  });
  router.get('/events', (request, response) => events.join(request, response, access.machineNow));
  router.get('/room', (request, response) => {
    const { fromMs, untilMs } = check(stretchSchema, request.query);
    response.json({ readings: room.between(fromMs, untilMs) });
  });
  router.get('/openapi.json', (_request, response) => {
    response.json(openApiDocument());
  });

  for (const routes of ROUTES) {
    router.use(routes(kitchen));
  }
  router.use(accessRoutes(kitchen, access));
  router.use(backupRoutes(backups));
  router.use(alertRoutes(kitchen, office));
  router.use((request) => {
    throw notFound(say('server.http.routes.address', { method: request.method, originalUrl: request.originalUrl }));
  });
  return router;
}

/** All that a page begins with; of the log, what comes after a place in its order. */
function snapshot(kitchen: Kitchen, after: number) {
  const { entries, makes, instruments, household, room, clock } = kitchen;
  return {
    clock: clock.reading(),
    entries: pageLog(entries, makes, after),
    ...(after === 0 && { past: makes.past() }),
    instruments: instruments.all().map(publicInstrument),
    household: household.settings(),
    larder: kitchen.larder(),
    learned: kitchen.learned(),
    odd: kitchen.odd(),
    lastBackup: kitchen.backupRuns.newest(),
    unreached: unreached(kitchen),
    lastSeq: entries.newestSeq(),
    room: room.between((makes.liveSinceMs() ?? clock.now()) - ROOM_BEFORE_MS, Number.MAX_SAFE_INTEGER),
  };
}
