import { check, makesSchema } from '@oat-crock/contract';
import { Router } from 'express';
import type { Kitchen } from '../kitchen.js';
import { connected } from '../ledger/connected.js';

/** The ledger: every make as a line, found by its words and sorted by its figures, and what is connected with what. */
export function ledgerRoutes(kitchen: Kitchen): Router {
  const router = Router();
  router.get('/makes', (request, response) => {
    response.json(kitchen.makes.find(check(makesSchema, request.query)));
  });
  router.get('/traces/:id', (request, response) => {
    response.json(connected(kitchen, request.params.id));
  });
  return router;
}
