import { problem } from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import type { Request, RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { whoSent } from '../access/who.js';
import type { Kitchen } from '../kitchen.js';
import { sendProblem } from './errors.js';

/** So many requests a minute are answered. */
export interface Limits {
  /** From each device that was let in, each instrument and this machine. */
  readonly each: number;
  /** From each address that nobody was let in from. */
  readonly stranger: number;
  /** From all such addresses together: many addresses get no more than that. */
  readonly strangers: number;
  /** From everybody. */
  readonly all: number;
}

export const USUAL_LIMITS: Limits = { each: 1200, stranger: 120, strangers: 600, all: 12_000 };

const READINGS = /^\/instruments\/([^/]+)\/readings$/;

/**
 * Counts the requests of the last minute by who sends them, once that was found out. What an instrument posts is counted by itself, so
 * that it never keeps hands from logging; what strangers send never keeps out who was let in.
 */
export function limits(kitchen: Kitchen, { each, stranger, strangers, all }: Limits): readonly RequestHandler[] {
  const probeOf = ({ path }: Request): string | null => {
    const id = READINGS.exec(path)?.[1];
    return id && kitchen.instruments.get(id) ? id : null;
  };
  const isStranger = (request: Request) => whoSent(request) === null && probeOf(request) === null;
  const limiter = (limit: number, keyOf: (request: Request) => string, skip?: (request: Request) => boolean) =>
    rateLimit({
      windowMs: 60_000,
      limit,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      keyGenerator: keyOf,
      ...(skip && { skip }),
      handler: (_request, response) =>
        sendProblem(
          response,
          problem(429, say('server.http.app.tooManyOnce'), say('server.http.app.waitMinuteSendAgain')),
          kitchen.words,
        ),
    });
  const addressOf = ({ ip = '' }: Request) => ipKeyGenerator(ip);
  const senderOf = (request: Request) => {
    const probe = probeOf(request);
    return probe ? `probe ${probe}` : (whoSent(request)?.deviceId ?? addressOf(request));
  };
  return [
    limiter(
      strangers,
      () => 'strangers',
      (request) => !isStranger(request),
    ),
    limiter(stranger, addressOf, (request) => !isStranger(request)),
    limiter(all, () => 'all', isStranger),
    limiter(each, senderOf, isStranger),
  ];
}
