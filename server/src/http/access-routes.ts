import {
  check,
  deviceSchema,
  enteringSchema,
  InputRefused,
  invitationSchema,
  passphraseSchema,
  problem,
  type Access,
  type Device,
  type Devices,
  type Entering,
  type Invitation,
  type Me,
} from '@oat-crock/contract';
import { say, type Text } from '@oat-crock/core';
import { randomUUID } from 'node:crypto';
import { Router, type Request, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { asMade, hashOf, isPassphrase, keepPassphrase, newCode, newToken } from '../access/secrets.js';
import { cookieName, cookieOptions, meOf, whoSent } from '../access/who.js';
import type { Kitchen } from '../kitchen.js';
import type { KeptDevice } from '../store/access.js';
import { notFound, sendProblem } from './errors.js';

const MIN_MS = 60_000;
const DAY_MS = 86_400_000;
/** A code is good for so long. */
const CODE_MS = 10 * MIN_MS;

/** Guesses: so many in so long from one address, and so many from all together, wrong ones only. */
const GUESSES = { windowMs: 15 * MIN_MS, each: 10, all: 100 } as const;

/** What the routes need besides the kitchen. */
export interface AccessSettings {
  readonly closed: boolean;
  /** This machine's clock, ms. */
  readonly machineNow: () => number;
  /** Where other devices reach the dairy. */
  readonly addresses: () => readonly string[];
}

/** Who may: the passphrase, devices that were let in, and ways in. */
export function accessRoutes(kitchen: Kitchen, { closed, machineNow, addresses }: AccessSettings): Router {
  const { access, events } = kitchen;
  const router = Router();
  const stateFor = (me: Me | null): Access => ({
    closed,
    hasPassphrase: access.passphrase() !== null,
    me,
    calendarKey: closed && me ? access.calendarKey() : null,
  });
  const all = (): Devices => {
    access.forgetOver(machineNow());
    return { addresses: addresses(), devices: access.devices().map(publicDevice), invitations: access.invitations() };
  };
  /** Shuts devices out, and ends what they listen to. */
  const shut = (done: () => boolean | void) => {
    if (done() === false) throw notFound(say('server.http.access.deviceOrInvitation'));
    const left = new Set(access.devices().map(({ id }) => id));
    events.leave((deviceId) => deviceId !== null && !left.has(deviceId));
  };

  router.get('/access', (request, response) => {
    response.set('cache-control', 'no-store').json(stateFor(whoSent(request)));
  });

  router.put('/access/passphrase', async (request, response) => {
    const { passphrase, signOut } = check(passphraseSchema, request.body);
    const me = whoSent(request)!;
    access.setPassphrase(await keepPassphrase(passphrase));
    if (signOut) shut(() => access.shutOutOthers(me.deviceId));
    response.json(stateFor(me));
  });

  router.post('/access/devices', ...guessesOf(kitchen), async (request, response) => {
    const entering = check(enteringSchema, request.body);
    const letIn = await wayIn(entering);
    const token = newToken();
    const nowMs = machineNow();
    const maker = entering.maker ?? (letIn.maker || entering.name);
    const device: KeptDevice = {
      ...{ id: randomUUID(), tokenHash: hashOf(token), name: entering.name, maker },
      ...{ role: letIn.role, letInMs: nowMs, lastMs: nowMs, endsMs: letIn.endsMs, byLink: letIn.byLink },
    };
    access.letIn(device);
    response.cookie(cookieName(access), token, cookieOptions(request));
    response.status(201).json(stateFor(meOf(device)));
  });

  /** What lets a device in, and as what. */
  async function wayIn({ passphrase, secret }: Entering) {
    const kept = access.passphrase();
    if (passphrase !== undefined) {
      if (kept === null || !(await isPassphrase(passphrase, kept)))
        throw wrong('passphrase', say('server.http.access.wrongPassphrase'), say('server.http.access.tryOrCode'));
      return { role: 'keeps', maker: '', endsMs: null, byLink: null } as const;
    }
    const invitation = access.invitationBy(hashOf(asMade(secret!)));
    if (!invitation || invitation.endsMs <= machineNow())
      throw wrong('secret', say('server.http.access.wrongCode'), say('server.http.access.askForNew'));
    const { id, kind, role, maker, endsMs } = invitation;
    if (kind === 'link') return { role, maker, endsMs, byLink: id };
    access.takeBack(id);
    return { role, maker, endsMs: null, byLink: null };
  }

  router.delete('/access/me', (request, response) => {
    const { deviceId } = whoSent(request)!;
    if (deviceId !== null) shut(() => access.shutOut(deviceId));
    response.clearCookie(cookieName(access), { path: '/' }).json(stateFor(deviceId === null ? whoSent(request) : null));
  });

  router.get('/access/devices', (_request, response) => {
    response.json(all());
  });

  router.put('/access/devices/:id', (request, response) => {
    const device = check(deviceSchema, request.body);
    const { id } = request.params;
    if (!access.change({ id, ...device })) throw notFound(say('server.http.access.deviceOrInvitation'));
    response.json(all());
  });

  router.delete('/access/devices/:id', (request, response) => {
    shut(() => access.shutOut(request.params.id));
    response.json(all());
  });

  router.post('/access/invitations', (request, response) => {
    const { kind, role, maker, days = 0 } = check(invitationSchema, request.body);
    const secret = kind === 'code' ? newCode() : newToken();
    const endsMs = machineNow() + (kind === 'code' ? CODE_MS : days * DAY_MS);
    const invitation: Invitation = { id: randomUUID(), kind, role, maker, endsMs };
    access.invite({ ...invitation, secretHash: hashOf(secret) });
    response.status(201).json({ ...invitation, secret });
  });

  router.delete('/access/invitations/:id', (request, response) => {
    shut(() => access.takeBack(request.params.id));
    response.json(all());
  });
  return router;
}

/** A device without what it shows to be let in. */
function publicDevice({ id, name, maker, role, letInMs, lastMs, endsMs }: KeptDevice): Device {
  return { id, name, maker, role, letInMs, lastMs, endsMs };
}

/** What was shown lets nobody in. */
function wrong(field: string, message: Text, remedy: Text): InputRefused {
  return new InputRefused([{ field, message, remedy }]);
}

/** Wrong guesses are counted from each address, and from all together: many addresses guess no faster. */
function guessesOf({ words }: Kitchen): readonly RequestHandler[] {
  const limiter = (limit: number, keyGenerator?: (request: Request) => string) =>
    rateLimit({
      windowMs: GUESSES.windowMs,
      limit,
      skipSuccessfulRequests: true,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      ...(keyGenerator && { keyGenerator }),
      handler: (_request, response) =>
        sendProblem(
          response,
          problem(429, say('server.http.access.tooManyGuesses'), say('server.http.access.waitQuarter')),
          words,
        ),
    });
  return [limiter(GUESSES.each), limiter(GUESSES.all, () => 'all')];
}
