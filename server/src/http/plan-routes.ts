import { check, planFeedSchema } from '@oat-crock/contract';
import { Router } from 'express';
import type { Kitchen } from '../kitchen.js';
import { calendarOf } from '../plan/calendar.js';
import { liveHands } from '../plan/live-hands.js';
import { tableOf } from '../plan/table.js';

/** The plan that was taken, in open formats: a calendar that may be subscribed to, a table, and all of it. */
export function planRoutes(kitchen: Kitchen): Router {
  const router = Router();
  const handsOf = liveHands(kitchen);
  const here = () =>
    kitchen.plannedBatches
      .all()
      .filter(({ goneMs }) => goneMs === null)
      .map(({ item }) => item);
  router.get('/plan.ics', (request, response) => {
    const { who } = check(planFeedSchema, request.query);
    response
      .type('text/calendar; charset=utf-8')
      .set('content-disposition', 'inline; filename="oat-crock.ics"')
      .send(calendarOf(kitchen.plannedBatches.all(), kitchen.clock.now(), kitchen.words, handsOf, who ?? null));
  });
  router.get('/plan.csv', (_request, response) => {
    response
      .type('text/csv; charset=utf-8')
      .set('content-disposition', 'attachment; filename="oat-crock-plan.csv"')
      .send(tableOf(here(), kitchen.words));
  });
  router.get('/plan.json', (_request, response) => {
    const orders = kitchen.orders
      .all()
      .filter(({ goneMs }) => goneMs === null)
      .map(({ item }) => item);
    response.json({ oatCrock: 'plan', version: 1, orders, plannedBatches: here() });
  });
  return router;
}
