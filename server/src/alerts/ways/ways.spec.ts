import { createECDH, randomBytes } from 'node:crypto';
import { createServer, type IncomingHttpHeaders, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { buffer } from 'node:stream/consumers';
import { decrypt } from 'http_ece';
import { english } from '@oat-crock/messages';
import { alertMessage } from '../message.js';
import { lettersKept } from '../simulated/letters.js';
import { simulatedMailbox } from '../simulated/mailbox.js';
import { simulatedReceiver } from '../simulated/receiver.js';
import { recipientOf } from '../testing.js';
import { mailWay } from './mail.js';
import { newPushKeys, pushWay } from './push.js';
import { newSigningKey, signatureOf, webhookWay } from './webhook.js';
import type { Sent } from './way.js';

const NOON = Date.UTC(2026, 4, 4, 12);
const message = alertMessage(
  'alert-1-ine',
  [{ batchId: null, of: 'Crème épaisse “Østre”', says: 'Cut it.', dueMs: NOON, latestMs: NOON }],
  NOON,
  english,
  'http://10.0.0.7:4310',
);
const FROM = 'Dairy <dairy@oat-crock.example>';
const whyOf = (sent: Sent) => (sent.is === 'sent' ? '' : english(sent.why));

describe('a letter', () => {
  it('comes as it was written, from and to whom it says', async () => {
    const letters = lettersKept(() => NOON);
    const mailbox = await simulatedMailbox(letters);
    const { send, close } = mailWay({ server: mailbox.address, from: FROM });
    expect(await send(recipientOf({ name: 'Ine, "the" cook' }), message)).toEqual({ is: 'sent' });
    expect(letters.all()).toEqual([
      {
        ...{ id: 1, atMs: NOON, way: 'mail', to: 'ine@oat-crock.example', subject: 'Crème épaisse “Østre”: Cut it.' },
        text: '12:00 Crème épaisse “Østre”: Cut it.\n\nhttp://10.0.0.7:4310/today',
      },
    ]);
    close();
    await mailbox.close();
    const gone = mailWay({ server: mailbox.address, from: FROM });
    const sent = await gone.send(recipientOf(), message);
    expect(sent.is).toBe('refused');
    expect(whyOf(sent)).toContain('did not take it');
    gone.close();
  });

  it('is given to no server by name and password but over TLS', async () => {
    const mailbox = await simulatedMailbox(lettersKept(() => NOON));
    const { send, close } = mailWay({ server: mailbox.address.replace('//', '//ine:secret@'), from: FROM });
    const sent = await send(recipientOf(), message);
    expect(sent.is).toBe('refused');
    expect(whyOf(sent)).toContain('STARTTLS');
    close();
    await mailbox.close();
  });
});

/** A server that answers in its own way, and remembers the last it was asked. */
async function answering(answer: (server: Server) => readonly [number, IncomingHttpHeaders] | null) {
  const heard: { headers: IncomingHttpHeaders; body: Buffer }[] = [];
  const server = createServer((request, response) => {
    void buffer(request).then((body) => {
      heard.push({ headers: request.headers, body });
      const told = answer(server);
      if (!told) return request.socket.destroy();
      response.writeHead(...told).end('x'.repeat(100_000));
    });
  });
  await new Promise<void>((opened) => server.listen(0, '127.0.0.1', opened));
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  return { heard, address, close: () => new Promise((closed) => server.close(closed)) };
}

describe('a signed request', () => {
  it('has the signature that Standard Webhooks give as their example', () => {
    const key = 'whsec_plJ3nmyCDGBKInavdOK15jsl';
    const body = '{"event_type":"ping","data":{"success":true}}';
    expect(signatureOf(key, 'msg_loFOjxBNrRLzqYUf', 1731705121, body)).toBe(
      'v1,rAvfW3dJ/X/qxhsaXPOyyCGmRKsaKWcsNccKXlIktD0=',
    );
    expect(Buffer.from(newSigningKey().slice('whsec_'.length), 'base64').length).toBe(24);
  });

  it('says of what it is, and is signed over just what was sent', async () => {
    const { heard, address, close } = await answering(() => [204, {}]);
    const secret = newSigningKey();
    const to = recipientOf({ way: 'webhook', address, secret });
    expect(await webhookWay(() => 1_700_000_000_500)(to, message)).toEqual({ is: 'sent' });
    const [{ headers, body }] = heard as [(typeof heard)[number]];
    expect([headers['webhook-id'], headers['webhook-timestamp']]).toEqual(['alert-1-ine', '1700000000']);
    expect(headers['webhook-signature']).toBe(signatureOf(secret, 'alert-1-ine', 1_700_000_000, body.toString()));
    expect(JSON.parse(body.toString())).toEqual({
      ...{ type: 'hands', id: 'alert-1-ine', at: '2026-05-04T12:00:00.000Z', link: 'http://10.0.0.7:4310/today' },
      ...{ subject: message.subject, text: message.text },
      hands: [{ make: null, due: '2026-05-04T12:00:00.000Z', latest: '2026-05-04T12:00:00.000Z', isLate: false }],
    });
    await close();
  });

  it('that was certainly not taken may go out again; of one that broke off nobody knows', async () => {
    const ofAnswer = async (answer: readonly [number, IncomingHttpHeaders] | null) => {
      const { heard, address, close } = await answering(() => answer);
      const sent = await webhookWay(() => 0)(recipientOf({ address, secret: newSigningKey() }), message);
      await close();
      expect(heard.length).toBe(1);
      return [sent.is, whyOf(sent)];
    };
    expect(await ofAnswer([500, {}])).toEqual(['refused', 'It answered 500.']);
    expect(await ofAnswer([404, {}])).toEqual(['refused', 'It answered 404.']);
    expect(await ofAnswer([302, { location: 'http://127.0.0.1:1/' }])).toEqual(['refused', 'It answered 302.']);
    expect(await ofAnswer([410, {}])).toEqual(['gone', 'It answered 410.']);
    expect((await ofAnswer(null))[0]).toBe('unsure');
    const nobody = await answering(() => null);
    await nobody.close();
    const unreached = await webhookWay(() => 0)(recipientOf({ address: nobody.address, secret: 'whsec_' }), message);
    expect([unreached.is, whyOf(unreached)]).toEqual(['refused', 'It was not reached (ECONNREFUSED).']);
    const badPort = recipientOf({ address: 'http://127.0.0.1:25/', secret: 'whsec_' });
    const notTried = await webhookWay(() => 0)(badPort, message);
    expect([notTried.is, whyOf(notTried)]).toEqual(['refused', 'It was not reached (bad port).']);
  });

  it('is shown by the stand-in that ships with it', async () => {
    const letters = lettersKept(() => NOON);
    const { address, close } = await simulatedReceiver(letters);
    await webhookWay(() => 0)(recipientOf({ address, secret: newSigningKey() }), message);
    expect(letters.all()[0]).toEqual(
      jasmine.objectContaining({ way: 'webhook', to: '/bell', subject: message.subject, text: message.text }),
    );
    await close();
  });
});

describe('a note to a browser', () => {
  const browser = createECDH('prime256v1');
  const auth = randomBytes(16);
  const subscribed = (endpoint: string) =>
    JSON.stringify({ endpoint, keys: { p256dh: browser.generateKeys('base64url'), auth: auth.toString('base64url') } });

  it('is read by that browser alone, leads to its page, and names who sent it', async () => {
    const { heard, address, close } = await answering(() => [201, {}]);
    const keys = newPushKeys();
    const to = recipientOf({ way: 'push', secret: subscribed(`${address}note`) });
    expect(await pushWay(() => keys, 'mailto:dairy@oat-crock.example')(to, message)).toEqual({ is: 'sent' });
    const [{ headers, body }] = heard as [(typeof heard)[number]];
    expect([headers['content-encoding'], headers['ttl'], headers['urgency']]).toEqual(['aes128gcm', '3600', 'high']);
    const [, token, key] = /^vapid t=([^,]+), k=(.+)$/.exec(headers['authorization']!)!;
    expect(key).toBe(keys.publicKey);
    const claims = JSON.parse(Buffer.from(token!.split('.')[1]!, 'base64url').toString()) as {
      aud: string;
      sub: string;
    };
    expect([claims.aud, claims.sub]).toEqual([new URL(address).origin, 'mailto:dairy@oat-crock.example']);
    expect(body.toString('latin1')).not.toContain('Cut it');
    const opened = decrypt(body, { version: 'aes128gcm', privateKey: browser, authSecret: auth.toString('base64url') });
    const { notification } = JSON.parse(opened.toString()) as {
      notification: { title: string; body: string; tag: string; data: { onActionClick: object } };
    };
    expect([notification.title, notification.body, notification.tag]).toEqual([
      ...[message.subject, message.text, 'alert-1-ine'],
    ]);
    expect(notification.data.onActionClick).toEqual({
      default: { operation: 'navigateLastFocusedOrOpen', url: '/today' },
    });
    await close();
  });

  it('is sent no more where its service says that the browser is gone', async () => {
    for (const [code, is] of [
      [404, 'gone'],
      [410, 'gone'],
      [429, 'refused'],
    ] as const) {
      const { address, close } = await answering(() => [code, {}]);
      const to = recipientOf({ way: 'push', secret: subscribed(address) });
      expect((await pushWay(newPushKeys, 'mailto:dairy@oat-crock.example')(to, message)).is).toBe(is);
      await close();
    }
  });
});
