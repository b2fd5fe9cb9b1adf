import { problem } from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import { Router } from 'express';
import type { BackupKeeper } from '../safekeeping/keeper.js';
import { HttpProblem, notFound } from './errors.js';

/** How the data are kept safe: what backups there are, one made now, one to be carried elsewhere. */
export function backupRoutes(keeper: BackupKeeper | null): Router {
  const router = Router();
  const kept = () => {
    if (!keeper) throw notFound(say('server.http.backupRoutes.file'));
    return keeper;
  };

  router.get('/backups', (_request, response) => {
    response.json(kept().state());
  });

  router.post('/backups', async (_request, response) => {
    const run = await kept().backUp('hand');
    const [why, ...more] = run.wrong;
    if (why) throw new HttpProblem(problem(507, why, more.at(-1) ?? ''));
    response.status(201).json(run);
  });

  router.get('/backups/:name', (request, response) => {
    const path = kept().pathOf(request.params.name);
    if (path === null) throw notFound(say('server.http.backupRoutes.backup'));
    response.attachment(request.params.name).type('application/vnd.sqlite3');
    response.set('cache-control', 'no-store, no-transform').sendFile(path, { dotfiles: 'allow' });
  });
  return router;
}
