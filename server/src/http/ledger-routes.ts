import { check, figuresSchema, makesSchema, type MethodFigures } from '@oat-crock/contract';
import { scorecard } from '@oat-crock/core';
import { Router } from 'express';
import type { Kitchen } from '../kitchen.js';
import { connected } from '../ledger/connected.js';

/** The ledger: every make as a line, found by its words and sorted by its figures, and what is connected with what. */
export function ledgerRoutes(kitchen: Kitchen): Router {
  const router = Router();
  router.get('/makes', (request, response) => {
    response.json(kitchen.makes.find(check(makesSchema, request.query)));
  });
  router.get('/figures', (request, response) => {
    const { methodId, of } = check(figuresSchema, request.query);
    const { figures } = kitchen;
    const methods = figures.methods();
    // A method that nothing was made of is as good as none named.
    const isMade = methods.some((method) => method.methodId === methodId);
    const whose = of.length > 0 ? null : ((isMade ? methodId : methods[0]?.methodId) ?? null);
    const makes = whose === null ? figures.ofMakes(of) : figures.ofMethod(whose);
    response.json({ methodId: whose, methods, makes, waiting: figures.waiting() } satisfies MethodFigures);
  });
  router.get('/scorecard', (_request, response) => {
    response.json({ windows: scorecard(kitchen.figures.windows()), waiting: kitchen.figures.waiting() });
  });
  router.get('/lessons/:of', (request, response) => {
    response.json(kitchen.makes.linesOf(kitchen.lessons.learned().from?.[request.params.of] ?? []));
  });
  router.get('/traces/:id', (request, response) => {
    response.json(connected(kitchen, request.params.id));
  });
  return router;
}
