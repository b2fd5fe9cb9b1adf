import { mayAs, type Me, type Role } from '@oat-crock/contract';
import { parseCookie } from 'cookie';
import type { CookieOptions, Request, RequestHandler } from 'express';
import { isIP } from 'node:net';
import type { KeptDevice, AccessStore } from '../store/access.js';
import { isForwarded } from '../http/own-page.js';
import { hashOf, isSame } from './secrets.js';

/** How a server is reached, as far as it bears on who is let in. */
export interface Reached {
  /** Whether others than this machine can reach it: then it is closed to whoever was not let in. */
  readonly closed: boolean;
  /** Whether a proxy stands before it: then what comes from this machine may come from anywhere. */
  readonly proxied: boolean;
}

/** Who sent each request that is being answered. */
const found = new WeakMap<Request, Me | null>();

/** Who sent a request; null where they were not let in. */
export const whoSent = (request: Request): Me | null => found.get(request) ?? null;

/** The machine itself, where nothing is asked for. */
const HERE: Me = { deviceId: null, name: '', maker: '', role: 'keeps', endsMs: null };

/** A calendar that shows the dairy's key. */
const CALENDAR: Me = { deviceId: null, name: '', maker: '', role: 'looks', endsMs: null };

/** A device's cookie lasts so long without being used, ms; browsers keep none longer. */
const COOKIE_MS = 400 * 86_400_000;
/** When a device was here last is written down so often, ms. */
const SEEN_MS = 3_600_000;

/** What the cookie is called: of its own for each dairy, as browsers keep cookies by machine, whatever the port. */
export const cookieName = (access: AccessStore): string => `oat-crock-${hashOf(access.calendarKey()).slice(0, 8)}`;

/** No script sees it, and no other page has it sent. */
export const cookieOptions = (request: Request): CookieOptions => ({
  ...{ httpOnly: true, sameSite: 'strict', path: '/', maxAge: COOKIE_MS, secure: request.secure },
});

/** Finds out who sent each request; refuses nobody. */
export function identify(access: AccessStore, reached: Reached, nowMs: () => number): RequestHandler {
  const name = cookieName(access);
  return (request, _response, next) => {
    found.set(request, whoIs(request));
    next();
  };

  function whoIs(request: Request): Me | null {
    if (!reached.closed || (!reached.proxied && isHere(request))) return HERE;
    const token = parseCookie(request.get('cookie') ?? '')[name];
    const device = token === undefined ? null : access.deviceBy(hashOf(token));
    if (device && isIn(device)) return meOf(device);
    const { key } = request.query;
    const isCalendar = request.path.endsWith('/plan.ics') && typeof key === 'string';
    return isCalendar && isSame(key, access.calendarKey()) ? CALENDAR : null;
  }

  function isIn({ id, endsMs, lastMs }: KeptDevice): boolean {
    if (endsMs !== null && endsMs <= nowMs()) return false;
    if (Math.abs(nowMs() - lastMs) > SEEN_MS) {
      try {
        access.seen(id, nowMs());
      } catch {
        // The file is held just now: it is written down the next time.
      }
    }
    return true;
  }
}

/** A device as it stands to itself. */
export function meOf({ id, name, maker, role, endsMs }: KeptDevice): Me {
  return { deviceId: id, name, maker, role, endsMs };
}

/** Whether a request was made on this machine: neither by way of a proxy, nor under a name that leads elsewhere. */
function isHere(request: Request): boolean {
  const { remoteAddress = '' } = request.socket;
  return !isForwarded(request) && isLoopback(remoteAddress.replace(/^::ffff:/, '')) && isLoopback(nameOf(request));
}

const nameOf = (request: Request) => (request.get('host') ?? '').replace(/:\d+$/, '').replace(/^\[|\]$/g, '');

/** Whether a name or an address leads to this machine alone. */
export function isLoopback(name: string): boolean {
  return name === 'localhost' || name === '::1' || (isIP(name) === 4 && name.startsWith('127.'));
}

/** What is asked of whoever does something, by the first line that fits; "anybody" where the address asks by itself. */
const ASKED: readonly (readonly [method: RegExp, path: RegExp, role: Role | 'anybody'])[] = [
  [/./, /^\/health$/, 'anybody'],
  [/GET|HEAD/, /^\/access$/, 'anybody'],
  // Passphrase, code or link are asked for there; an instrument's own token there.
  [/POST/, /^\/access\/devices$/, 'anybody'],
  [/POST/, /^\/instruments\/[^/]+\/readings$/, 'anybody'],
  [/DELETE/, /^\/access\/me$/, 'looks'],
  [/./, /^\/access(\/|$)/, 'keeps'],
  // Whoever has an instrument's token may post as it.
  [/POST/, /^\/instruments(\/[^/]+\/token)?$/, 'keeps'],
  [/DELETE/, /^\/instruments\/[^/]+$/, 'keeps'],
  // A backup has everything in it.
  [/./, /^\/backups(\/|$)/, 'keeps'],
  // Who is told of hands, and their addresses, is nothing for an inspector.
  [/./, /^\/alerts(\/|$)/, 'works'],
  [/POST/, /^\/archive$/, 'keeps'],
  [/./, /^\/archive$/, 'works'],
  [/PUT/, /^\/(settings|clock)$/, 'keeps'],
  [/GET|HEAD/, /./, 'looks'],
];

/** What is asked of whoever does something that no line names. */
const WRITING: Role = 'works';

/** Whether somebody may do something; a path is taken as the router takes it, in small letters or capitals. */
export function may(me: Me | null, method: string, path: string): boolean {
  const plain = path.toLowerCase().replace(/(.)\/+$/, '$1');
  const role = ASKED.find(([way, of]) => way.test(method) && of.test(plain))?.[2] ?? WRITING;
  return role === 'anybody' || (me !== null && mayAs(me.role, role));
}
