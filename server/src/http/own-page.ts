import { problem } from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import type { Request, RequestHandler } from 'express';
import { isIP } from 'node:net';
import { hostname } from 'node:os';
import { HttpProblem } from './errors.js';

/** Methods that change nothing. */
const READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Refuses what a page of somebody else's asks: requests to a name that this server is not known by (a foreign name may be made to
 * lead to any address), and requests to write that a browser says come from another page. What is no browser says nothing of where
 * it comes from, and is taken.
 *
 * @param names further names this server is known by, as "dairy.example"; any address, the machine's own name and localhost are known
 * @param mayBePassedOn whether requests may come by way of a proxy
 * @throws HttpProblem 421 or 403
 */
export function ownPageOnly(names: readonly string[], mayBePassedOn: boolean): RequestHandler {
  const machine = hostname().toLowerCase();
  const known = new Set(['localhost', machine, `${machine}.local`, ...names.map((name) => name.toLowerCase())]);
  return (request, _response, next) => {
    // Behind a proxy that is trusted, the name that it was asked under.
    const name = nameIn(request.host ?? '');
    if (name === null || !(isAddress(name) || known.has(name)))
      throw refused(
        421,
        say('server.http.ownPage.otherName', { name: name ?? '?' }),
        say('server.http.ownPage.giveName'),
      );
    if (isForwarded(request) && !mayBePassedOn)
      throw refused(403, say('server.http.ownPage.proxyNotNamed'), say('server.http.ownPage.nameProxy'));
    if (!READS.has(request.method) && isFromElsewhere(request))
      throw refused(403, say('server.http.ownPage.otherPage'), say('server.http.ownPage.writeHere'));
    next();
  };
}

const refused = (status: number, ...words: [ReturnType<typeof say>, ReturnType<typeof say>]) =>
  new HttpProblem(problem(status, ...words));

/** Whether a request says that it was passed on. */
export const isForwarded = ({ headers }: Request): boolean =>
  ['x-forwarded-for', 'forwarded', 'via', 'x-real-ip'].some((name) => headers[name] !== undefined);

/** The name in a Host header, without its port; null where it is none. */
function nameIn(host: string): string | null {
  if (!/^[\w.:[\]-]+$/.test(host) || !URL.canParse(`http://${host}`)) return null;
  return new URL(`http://${host}`).hostname.replace(/\.$/, '');
}

const isAddress = (name: string) => isIP(name.replace(/^\[|\]$/g, '')) !== 0;

/** Whether a browser says that another page sent it. */
function isFromElsewhere(request: Request): boolean {
  const site = request.get('sec-fetch-site');
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return true;
  const origin = request.get('origin');
  if (origin === undefined) return false;
  return !URL.canParse(origin) || new URL(origin).host !== new URL(`http://${request.host}`).host;
}
