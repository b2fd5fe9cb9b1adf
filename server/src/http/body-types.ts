import { problem } from '@oat-crock/contract';
import { listOf, say } from '@oat-crock/core';
import type { RequestHandler } from 'express';
import { HttpProblem } from './errors.js';

const JSON_TYPE = 'application/json';

/** What may be sent where, by the end of the address; JSON everywhere else. */
const TYPES: readonly (readonly [RegExp, readonly string[]])[] = [
  [/^\/archive$/, ['application/zip', 'application/octet-stream']],
  [/\/photos\/[^/]+$/, ['image/*', 'application/octet-stream']],
  [/^\/instruments\/[^/]+\/readings$/, [JSON_TYPE, 'text/csv']],
];

/**
 * Refuses what is sent as something that is not read at its address: a form of a foreign page cannot be sent as any of those.
 *
 * @throws HttpProblem 415
 */
export const bodyTypes: RequestHandler = (request, _response, next) => {
  const taken = TYPES.find(([path]) => path.test(request.path))?.[1] ?? [JSON_TYPE];
  const isEmpty = request.get('content-length') === '0';
  // null where nothing was sent.
  if (!isEmpty && request.is([...taken]) === false)
    throw new HttpProblem(
      problem(
        415,
        say('server.http.bodyTypes.notReadHere'),
        say('server.http.bodyTypes.sendAs', { types: listOf(taken) }),
      ),
    );
  next();
};
