import {
  afterSchema,
  check,
  clockChangeSchema,
  entriesSchema,
  InputRefused,
  problem,
  readingsSchema,
  settingsSchema,
  stretchSchema,
} from '@oat-crock/contract';
import type { Entry } from '@oat-crock/core';
import { Router } from 'express';
import { publicInstrument } from '../store/instruments.js';
import { houseOf, ROOM_BEFORE_MS } from '../house.js';
import type { Kitchen } from '../kitchen.js';
import { admitEntries } from './admit.js';
import { conflicted, HttpProblem, notFound } from './errors.js';
import { instrumentRoutes } from './instrument-routes.js';
import { larderRoutes } from './larder-routes.js';
import { planRoutes } from './plan-routes.js';
import { photoRoutes } from './photo-routes.js';
import { openApiDocument } from './openapi.js';
import { say } from '@oat-crock/core';

/** The public interface under /api/v1. */
export function apiRoutes(kitchen: Kitchen): Router {
  const { entries, instruments, household, room, clock, events } = kitchen;
  const router = Router();

  router.get('/health', (_request, response) => {
    response.json({ ok: true, nowMs: clock.now() });
  });

  router.get('/snapshot', (request, response) => {
    const { after } = check(afterSchema, request.query);
    response.json({
      clock: clock.reading(),
      entries: entries.forPage(after),
      instruments: instruments.all().map(publicInstrument),
      household: household.settings(),
      larder: kitchen.larder(),
      learned: kitchen.learned(),
      room: room.between((entries.liveSinceMs() ?? clock.now()) - ROOM_BEFORE_MS, Number.MAX_SAFE_INTEGER),
    });
  });

  router.get('/room', (request, response) => {
    const { fromMs, untilMs } = check(stretchSchema, request.query);
    response.json({ readings: room.between(fromMs, untilMs) });
  });

  router.get('/events', (request, response) => events.join(request, response));

  router.post('/entries', (request, response) => {
    const sent = check(entriesSchema, request.body).entries;
    sent.forEach((entry, i) => {
      if (entry.source !== 'hand') {
        throw new InputRefused([
          {
            field: `entries.${i}.source`,
            message: say('server.http.routes.onlyHandsWriteHere'),
            remedy: say('server.http.routes.giveHandInstrumentsTheir'),
          },
        ]);
      }
    });
    admitEntries(sent, {
      known: knownFor(sent),
      readings: (id) => entries.ofBatch(id, 'minute').filter((e) => e.source !== 'hand'),
      hasLot: (id) => kitchen.lots.get(id) !== null,
      houseOf: (batch) => houseOf(kitchen, batch),
      nowMs: clock.now(),
    });
    const { all, fresh } = entries.append(sent);
    if (fresh.length > 0) events.tell({ type: 'entries', entries: fresh });
    response.status(fresh.length > 0 ? 201 : 200).json({ entries: all });
  });

  router.get('/batches/:id', (request, response) => {
    const { readings } = check(readingsSchema, request.query);
    const found = entries.ofBatch(request.params.id, readings);
    if (found.length === 0) throw notFound(say('server.http.routes.batchId'));
    response.json({ batchId: request.params.id, entries: found });
  });

  router.use(instrumentRoutes(kitchen));
  router.use(photoRoutes(kitchen));

  router.get('/clock', (_request, response) => {
    response.json(clock.reading());
  });

  router.put('/clock', (request, response) => {
    const change = check(clockChangeSchema, request.body);
    if (!clock.reading().adjustable) {
      throw new HttpProblem(
        problem(409, say('server.http.routes.clockRealOne'), say('server.http.routes.onlyDemonstrationsClockCan')),
      );
    }
    if (change.kitchenMs !== undefined && change.kitchenMs < clock.now()) {
      throw new InputRefused([
        {
          field: 'kitchenMs',
          message: say('server.http.routes.clockShowsMore'),
          remedy: say('server.http.routes.goesAheadOnly'),
        },
      ]);
    }
    const reading = clock.set(change);
    events.tell({ type: 'clock', clock: reading });
    response.json(reading);
  });

  router.get('/settings', (_request, response) => {
    const { version, settings } = household.settings();
    response.set('etag', `"${version}"`).json(settings);
  });

  router.put('/settings', (request, response) => {
    const over = Number(/^"(\d+)"$/.exec(request.get('if-match') ?? '')?.[1] ?? Number.NaN);
    if (Number.isNaN(over)) {
      throw new HttpProblem(
        problem(428, say('server.http.routes.whichVersionOver'), say('server.http.routes.sendIfMatchEtag')),
      );
    }
    const saved = household.saveSettings(check(settingsSchema, request.body), over);
    if (!saved) {
      throw conflicted(household.settings());
    }
    events.tell({ type: 'settings', ...saved });
    response.set('etag', `"${saved.version}"`).json(saved.settings);
  });

  router.use(larderRoutes(kitchen));
  router.use(planRoutes(kitchen));

  router.get('/openapi.json', (_request, response) => {
    response.json(openApiDocument());
  });

  router.use((request) => {
    throw notFound(say('server.http.routes.address', { method: request.method, originalUrl: request.originalUrl }));
  });

  return router;
  /** What is known of a batch, as far as new lines must fit it: every line by hand, and those that are corrected. */
  function knownFor(sent: readonly Entry[]): (batchId: string) => readonly Entry[] {
    return (batchId) => {
      const replaced = sent.flatMap(({ body }) =>
        body.type === 'correction' ? (entries.get(body.replaces) ?? []) : [],
      );
      const read = replaced.filter((e) => e.batchId === batchId && e.source !== 'hand');
      return [...entries.ofBatch(batchId, 'none'), ...read];
    };
  }
}
