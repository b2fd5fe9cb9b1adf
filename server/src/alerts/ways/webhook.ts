import { say } from '@oat-crock/core';
import { createHmac, randomBytes } from 'node:crypto';
import { ANSWER_MS, type Send, type Sent } from './way.js';

const KEY_BYTES = 24;
const PREFIX = 'whsec_';

/** A key that signs requests, as Standard Webhooks write it: "whsec_" and base64. */
export const newSigningKey = (): string => PREFIX + randomBytes(KEY_BYTES).toString('base64');

/**
 * The signature of a request by the Standard Webhooks specification (symmetric, version 1): HMAC-SHA256 over "id.time.body".
 *
 * @param atS when it was signed, s since 1970
 */
export function signatureOf(key: string, id: string, atS: number, body: string): string {
  const secret = Buffer.from(key.slice(PREFIX.length), 'base64');
  return `v1,${createHmac('sha256', secret).update(`${id}.${atS}.${body}`).digest('base64')}`;
}

/** Nothing is to be sent there again, by the same specification. */
const GONE = [410];

/** No connection was made: nothing was taken. */
const UNREACHED: ReadonlySet<string> = new Set([
  ...['ECONNREFUSED', 'ENOTFOUND', 'EAI_AGAIN', 'EHOSTUNREACH', 'ENETUNREACH', 'EACCES', 'EINVAL'],
  // A port that `fetch` never goes to, as those of mail.
  ...[
    'bad port',
    'UND_ERR_CONNECT_TIMEOUT',
    'DEPTH_ZERO_SELF_SIGNED_CERT',
    'CERT_HAS_EXPIRED',
    'ERR_TLS_CERT_ALTNAME_INVALID',
  ],
]);

/** Sends signed requests, one JSON object each; where the answer leads elsewhere it is not followed. */
export function webhookWay(machineNow: () => number): Send {
  return async ({ address, secret }, { id, atMs, subject, text, link, hands }) => {
    const body = JSON.stringify({
      ...{ type: hands.length > 0 ? 'hands' : 'trial', id, at: iso(atMs), subject, text, link },
      hands: hands.map(({ batchId, dueMs, latestMs, isLate }) => ({
        ...{ make: batchId, due: iso(dueMs), latest: iso(latestMs), isLate },
      })),
    });
    const atS = Math.floor(machineNow() / 1000);
    return post(
      address,
      body,
      {
        ...{ 'content-type': 'application/json', 'webhook-id': id, 'webhook-timestamp': String(atS) },
        'webhook-signature': signatureOf(secret, id, atS, body),
      },
      GONE,
    );
  };
}

const iso = (ms: number) => new Date(ms).toISOString();

/**
 * Posts something once, and tells what came of it.
 *
 * @param gone answers after which nothing is sent there again
 */
export async function post(
  address: string,
  body: string | Buffer,
  headers: Readonly<Record<string, string>>,
  gone: readonly number[],
): Promise<Sent> {
  const signal = AbortSignal.timeout(ANSWER_MS);
  try {
    const answer = await fetch(address, { method: 'POST', body, headers, signal, redirect: 'manual' });
    await answer.body?.cancel();
    if (answer.ok) return { is: 'sent' };
    const why = say('server.alerts.answered', { code: String(answer.status || 'redirect') });
    return { is: gone.includes(answer.status) ? 'gone' : 'refused', why };
  } catch (error) {
    const code = codeOf(error);
    return { is: UNREACHED.has(code) ? 'refused' : 'unsure', why: say('server.alerts.notReached', { code }) };
  }
}

/** What the system or `fetch` calls it: "ECONNREFUSED", "bad port", "TimeoutError". */
function codeOf(error: unknown): string {
  const { cause, name } = error as { cause?: { code?: string; message?: string }; name: string };
  return cause?.code ?? cause?.message ?? name;
}
