import { InputRefused, problem, problemIn, refusal, type ProblemFound } from '@oat-crock/contract';
import { say, type Text } from '@oat-crock/core';
import type { ErrorRequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { EntryClash } from '../store/entries.js';
import type { Words } from '../words.js';

/** What could not be written just now may be sent again after so long, s. */
const RETRY_AFTER_S = '2';

/** Answers with a problem document (RFC 9457). */
export function sendProblem(response: Response, found: ProblemFound, words: Words): void {
  const body = JSON.stringify(problemIn(found, words));
  if (found.status === 503) response.set('retry-after', RETRY_AFTER_S);
  response.status(found.status).type('application/problem+json').send(body);
}

/** An answer other than success, thrown from a route. */
export class HttpProblem extends Error {
  constructor(readonly found: ProblemFound) {
    super(`${found.status} ${typeof found.detail === 'string' ? found.detail : found.detail.key}`);
    this.name = 'HttpProblem';
  }
}

/** There is nothing of this kind at the address. */
export function notFound(what: Text): HttpProblem {
  return new HttpProblem(
    problem(404, say('server.http.errors.notHere'), say('server.http.errors.thereIsNo', { what })),
  );
}

/** Every error becomes a problem document; what nobody foresaw is logged and told without its insides. */
export function errorHandler(log: Logger, words: Words): ErrorRequestHandler {
  return (error: unknown, _request, response, next) => {
    if (response.headersSent) return next(error);
    sendProblem(response, problemOf(error, log), words);
  };
}

function problemOf(error: unknown, log: Logger): ProblemFound {
  if (error instanceof HttpProblem) return error.found;
  if (error instanceof InputRefused) return refusal(error.errors);
  if (error instanceof EntryClash) {
    return refusal(
      [
        {
          field: 'entries.id',
          message: say('server.http.errors.clash', { id: error.id }),
          remedy: say('server.http.errors.writeUnderNewId'),
        },
      ],
      409,
    );
  }
  const { type, code } = error as { type?: string; code?: string };
  if (type === 'entity.parse.failed') {
    return refusal(
      [
        {
          field: '(the whole)',
          message: say('server.http.errors.notJson'),
          remedy: say('server.http.errors.sendJsonObject'),
        },
      ],
      400,
    );
  }
  if (type === 'entity.too.large')
    return problem(413, say('server.http.errors.tooMuchOnce'), say('server.http.errors.sendSmallerParts'));
  const { status } = error as { status?: unknown };
  // What Express and its readers of bodies refuse: an address or a body that cannot be read, as it was written or squeezed.
  if (typeof status === 'number' && status >= 400 && status < 500)
    return problem(status, say('server.http.errors.cannotBeRead'), say('server.http.errors.sendItAgainRight'));
  if (code === 'SQLITE_FULL' || code === 'ENOSPC') {
    return problem(507, say('server.http.errors.diskFull'), say('server.http.errors.nothingWrittenFreeSome'));
  }
  if (code?.startsWith('SQLITE_BUSY'))
    return problem(503, say('server.http.errors.heldByAnother'), say('server.http.errors.nothingWrittenSentAgain'));
  log.error(error);
  return problem(500, say('server.http.errors.somethingWentWrongHere'), say('server.http.errors.notWrittenTryAgain'));
}

/** An edit that came too late is shown what stands there now. */
export function conflicted(current: unknown): HttpProblem {
  return new HttpProblem({
    ...problem(412, say('server.http.errors.somebodyElseChanged'), say('server.http.errors.whatStandsThereNow')),
    current,
  });
}
