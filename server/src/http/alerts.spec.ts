import type { AlertBook, AlertRecipientMade, Invited } from '@oat-crock/contract';
import { rmSync } from 'node:fs';
import { pino } from 'pino';
import { freshFolder } from '../safekeeping/testing.js';
import { serve, type Served } from '../serve.js';
import { settingsFrom } from '../settings.js';
import { DEMO_TIME } from '../testing/kitchen.js';

const WISH = {
  ...{ name: 'Ine', way: 'mail', address: 'ine@oat-crock.example', about: 'all', leadMin: 10 },
  ...{ quiet: 'house', wakes: false, isPaused: false },
};

describe('who is told of hands, as it is asked for', () => {
  let [at, file] = ['', ''];
  let served: Served;
  const open = async (more: object = {}) => {
    ({ at, file } = freshFolder());
    served = await serve({
      ...{ demo: false, daily: false, file, host: '127.0.0.1', port: 0, log: pino({ level: 'silent' }) },
      ...{ time: DEMO_TIME, ...more },
    });
  };
  afterEach(async () => {
    await served.close();
    rmSync(at, { recursive: true });
  });
  const ask = async <T>(method: string, path: string, body?: object, headers: Record<string, string> = {}) => {
    const answer = await fetch(`${served.address}/api/v1${path}`, {
      method,
      headers: { 'content-type': 'application/json', ...headers },
      ...(body && { body: JSON.stringify(body) }),
    });
    return { status: answer.status, body: (await answer.json()) as T };
  };
  const add = (more: object) => ask<AlertRecipientMade>('POST', '/alerts/recipients', { ...WISH, ...more });

  it('begins with nobody and no mail; whoever is added, changed and removed is told to open pages by name alone', async () => {
    await open();
    const told: unknown[] = [];
    served.kitchen.events.hear((event) => told.push(event));
    const { body: before } = await ask<AlertBook>('GET', '/alerts');
    expect([before.mail, before.recipients, before.recent, before.simulated]).toEqual([false, [], [], null]);
    expect(Buffer.from(before.pushKey, 'base64url').length).toBe(65);
    const { status, body } = await add({});
    expect([status, body.secret]).toEqual([201, null]);
    const { id } = body.recipient;
    const changed = await ask<AlertBook>('PUT', `/alerts/recipients/${id}`, { ...WISH, leadMin: 0, quiet: null });
    expect(changed.body.recipients).toEqual([{ ...body.recipient, leadMin: 0, quiet: null }]);
    const trial = await ask('POST', `/alerts/recipients/${id}/trial`);
    expect(JSON.stringify(trial.body)).toContain('noMail');
    expect(told.at(-1)).toEqual({ type: 'alerts', unreached: ['Ine'] });
    expect((await ask<AlertBook>('DELETE', `/alerts/recipients/${id}`)).body.recipients).toEqual([]);
    expect((await ask('PUT', `/alerts/recipients/${id}`, WISH)).status).toBe(404);
    expect((await ask('GET', '/alerts/letters')).status).toBe(404);
  });

  it('tells what signs requests once, and another when it is renewed', async () => {
    await open();
    const { body } = await add({ way: 'webhook', address: 'http://127.0.0.1:8123/bell' });
    const renewed = await ask<AlertRecipientMade>('POST', `/alerts/recipients/${body.recipient.id}/key`);
    expect(body.secret).toMatch(/^whsec_/);
    expect(renewed.body.secret).toMatch(/^whsec_/);
    expect(renewed.body.secret).not.toBe(body.secret);
    expect(JSON.stringify((await ask('GET', '/alerts')).body)).not.toContain('whsec_');
  });

  it('refuses what reaches nobody, naming field and remedy', async () => {
    await open();
    const wrong = async (more: object) => {
      const { status, body } = await ask<{ errors: { field: string }[] }>('POST', '/alerts/recipients', {
        ...WISH,
        ...more,
      });
      return [status, ...body.errors.map(({ field }) => field)];
    };
    expect(await wrong({ address: 'ine' })).toEqual([422, 'address']);
    expect(await wrong({ name: 'Ine\r\nBcc: all@oat-crock.example' })).toEqual([422, 'name']);
    expect(await wrong({ way: 'webhook', address: 'ftp://bell' })).toEqual([422, 'address']);
    expect(await wrong({ way: 'webhook', address: 'http://a:b@bell/' })).toEqual([422, 'address']);
    expect(await wrong({ leadMin: 121 })).toEqual([422, 'leadMin']);
    expect(await wrong({ quiet: { fromH: 22, toH: 24 } })).toEqual([422, 'quiet.toH']);
    expect(await wrong({ way: 'push', address: 'telephone' })).toEqual([422, 'push']);
  });

  it('is nothing for whoever only looks, and requests are for whoever keeps the dairy', async () => {
    await open({ host: '0.0.0.0' });
    const enter = async (role: string) => {
      const code = await ask<Invited>('POST', '/access/invitations', { kind: 'code', role, maker: 'Per' });
      const answer = await fetch(`${served.address}/api/v1/access/devices`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ secret: code.body.secret, name: 'tablet' }),
      });
      // Under the machine's address in its network, so that it is asked who it is.
      return { cookie: answer.headers.get('set-cookie')!.split(';')[0]!, 'x-forwarded-for': '10.0.0.9' };
    };
    const [looks, works] = [await enter('looks'), await enter('works')];
    const webhook = { ...WISH, way: 'webhook', address: 'http://10.0.0.8/' };
    expect((await ask('GET', '/alerts', undefined, looks)).status).toBe(403);
    expect((await ask('GET', '/alerts', undefined, works)).status).toBe(200);
    expect((await ask('POST', '/alerts/recipients', WISH, works)).status).toBe(201);
    expect((await ask('POST', '/alerts/recipients', webhook, works)).status).toBe(403);
  });

  it('has stand-ins in the demonstration: a letter that is sent is read there', async () => {
    await open({ demo: true, year: false });
    const { body } = await add({});
    expect((await ask('POST', `/alerts/recipients/${body.recipient.id}/trial`)).body).toEqual({
      isSent: true,
      why: '',
    });
    const { letters } = (await ask<{ letters: { to: string; text: string }[] }>('GET', '/alerts/letters')).body;
    expect(letters.map(({ to }) => to)).toContain('ine@oat-crock.example');
    expect((await ask<AlertBook>('GET', '/alerts')).body.simulated).toMatch(/^http:\/\/127\.0\.0\.1:\d+\/bell$/);
  });
});

describe('how mail is sent, as the environment has it', () => {
  const mail = (env: Record<string, string>) => settingsFrom(env, []).mail;
  const server = 'smtps://a:b@mail.example:465';

  it('is a server and who it is from, both or neither', () => {
    expect(mail({})).toBeUndefined();
    expect(mail({ OAT_CROCK_MAIL: server, OAT_CROCK_MAIL_FROM: 'Dairy <d@mail.example>' })).toEqual({
      ...{ server, from: 'Dairy <d@mail.example>' },
    });
    expect(() => mail({ OAT_CROCK_MAIL: server })).toThrowError(/OAT_CROCK_MAIL_FROM/);
    for (const wrong of ['mail.example', 'https://mail.example', '']) {
      expect(() => mail({ OAT_CROCK_MAIL: wrong, OAT_CROCK_MAIL_FROM: 'd@mail.example' })).toThrowError(
        /OAT_CROCK_MAIL /,
      );
    }
    expect(() => mail({ OAT_CROCK_MAIL: server, OAT_CROCK_MAIL_FROM: 'a@b.c\nBcc: x@y.z' })).toThrowError(RangeError);
  });
});
