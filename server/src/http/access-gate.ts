import { problem } from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import type { RequestHandler } from 'express';
import { may, whoSent } from '../access/who.js';
import { HttpProblem } from './errors.js';

/**
 * Lets through what whoever asks may do.
 *
 * @throws HttpProblem 401 to whoever was not let in, 403 to whoever was, but not for that
 */
export const accessGate: RequestHandler = (request, _response, next) => {
  const me = whoSent(request);
  if (may(me, request.method, request.path)) return next();
  if (me === null)
    throw new HttpProblem(problem(401, say('server.http.access.notLetIn'), say('server.http.access.howIn')));
  throw new HttpProblem(
    problem(403, say('server.http.access.notForYou', { role: me.role }), say('server.http.access.askKeeper')),
  );
};
