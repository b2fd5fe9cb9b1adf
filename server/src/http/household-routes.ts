import { check, clockChangeSchema, InputRefused, problem, settingsSchema } from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import { Router } from 'express';
import type { Kitchen } from '../kitchen.js';
import { conflicted, HttpProblem } from './errors.js';

/** The household: its settings, written over the version they name, and its clock, where that may be set. */
export function householdRoutes({ household, clock, events }: Kitchen): Router {
  const router = Router();

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
    if (!saved) throw conflicted(household.settings());
    events.tell({ type: 'settings', ...saved });
    response.set('etag', `"${saved.version}"`).json(saved.settings);
  });

  return router;
}
