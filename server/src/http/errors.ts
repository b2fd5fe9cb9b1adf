import { InputRefused, problem, refusal, type Problem } from '@oat-crock/contract';
import type { ErrorRequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { EntryClash } from '../store/entries.js';

/** Answers with a problem document (RFC 9457). */
export function sendProblem(response: Response, body: Problem): void {
  response.status(body.status).type('application/problem+json').send(JSON.stringify(body));
}

/** An answer other than success, thrown from a route. */
export class HttpProblem extends Error {
  constructor(readonly body: Problem) {
    super(body.detail);
    this.name = 'HttpProblem';
  }
}

export function notFound(what: string): HttpProblem {
  return new HttpProblem(problem(404, 'Not here', `There is no ${what}.`));
}

/** Every error becomes a problem document; what nobody foresaw is logged and told without its insides. */
export function errorHandler(log: Logger): ErrorRequestHandler {
  return (error: unknown, _request, response, next) => {
    if (response.headersSent) return next(error);
    sendProblem(response, problemOf(error, log));
  };
}

function problemOf(error: unknown, log: Logger): Problem {
  if (error instanceof HttpProblem) return error.body;
  if (error instanceof InputRefused) return refusal(error.errors);
  if (error instanceof EntryClash) {
    return refusal(
      [{ field: 'entries.id', message: `${error.message}.`, remedy: 'Write it under a new id, or as a correction.' }],
      409,
    );
  }
  const { type, code } = error as { type?: string; code?: string };
  if (type === 'entity.parse.failed') {
    return refusal([{ field: '(the whole)', message: 'This is not JSON.', remedy: 'Send a JSON object.' }], 400);
  }
  if (type === 'entity.too.large') return problem(413, 'Too much at once', 'Send it in smaller parts.');
  if (code === 'SQLITE_FULL' || code === 'ENOSPC') {
    return problem(507, 'The disk is full', 'Nothing of this was written. Free some space and send it again.');
  }
  log.error(error);
  return problem(500, 'Something went wrong here', 'It was not written. Try again; the server has noted it.');
}

/** An edit that came too late is shown what stands there now. */
export function conflicted(current: unknown): HttpProblem {
  return new HttpProblem({
    ...problem(412, 'Somebody else has changed this', 'What stands there now is sent along: make your change on that.'),
    current,
  });
}
