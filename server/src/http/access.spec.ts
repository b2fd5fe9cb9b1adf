import type { Access, Devices, Invited, Role } from '@oat-crock/contract';
import type { Express } from 'express';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import type { Kitchen } from '../kitchen.js';
import { entryOf, startOf, testKitchen } from '../testing/kitchen.js';
import { createApp, type AppSettings } from './app.js';

const API = '/api/v1';
/** Any name that is not this machine's own: whoever asks under it comes from elsewhere. */
const ELSEWHERE = 'dairy.example';
const PASSPHRASE = 'lamp curd ferry oats';
const BATCH = '01J00000000000000000000001';
const MIN_MS = 60_000;

let kitchen: Kitchen;
let app: Express;
let nowMs: number;
const open = (settings: AppSettings = {}) =>
  (app = createApp(kitchen, null, { names: [ELSEWHERE], closed: true, machineNow: () => nowMs, ...settings }));
beforeEach(() => {
  nowMs = 1_000_000;
  ({ kitchen } = testKitchen());
  open();
});
afterEach(() => {
  kitchen.events.close();
  kitchen.db.close();
});

type Method = 'get' | 'post' | 'put' | 'delete';

/** Asks from elsewhere, with a cookie where one is given. */
function asked(method: Method, path: string, body?: object, cookie = '', headers: Record<string, string> = {}) {
  const sending = request(app)
    [method](`${API}${path}`)
    .set({ host: ELSEWHERE, cookie, ...headers });
  return body ? sending.send(body) : sending;
}
/** Asks on the machine itself. */
const here = (method: Method, path: string, body?: object) => request(app)[method](`${API}${path}`).send(body);
const cookieOf = (answer: { headers: Record<string, unknown> }) =>
  String((answer.headers['set-cookie'] as string[] | undefined)?.[0]).split(';')[0]!;

const set = () => here('put', '/access/passphrase', { passphrase: PASSPHRASE, signOut: false });
const enter = (body: object, headers = {}) =>
  asked('post', '/access/devices', { name: 'tablet', ...body }, '', headers);
const invite = async (role: Role, more: object = { kind: 'code' }) =>
  (await here('post', '/access/invitations', { role, maker: 'Ane', ...more })).body as Invited;
/** A device in a role, by a code. */
async function letIn(role: Role): Promise<string> {
  const answer = await enter({ secret: (await invite(role)).secret });
  expect(answer.status).toBe(201);
  return cookieOf(answer);
}
const devices = async () => (await here('get', '/access/devices')).body as Devices;

describe('a dairy on a network', () => {
  it('is closed to everybody elsewhere, whatever is asked, and says how to come in; not to the machine itself', async () => {
    for (const [method, path] of [
      ['get', '/snapshot'],
      ['get', '/events'],
      ['get', '/plan.ics'],
      ['get', '/plan.ics?key=guess'],
      ['get', '/PLAN.ICS'],
      ['post', '/entries'],
      ['get', '/access/devices'],
      ['put', '/access/passphrase'],
      ['get', '/backups'],
      ['get', '/archive'],
      ['get', '/openapi.json'],
      ['get', '/nothing'],
    ] as const) {
      const answer = await asked(method, path, method === 'get' ? undefined : {});
      expect([answer.status, answer.type]).withContext(`${method} ${path}`).toEqual([401, 'application/problem+json']);
    }
    const access = (await asked('get', '/access')).body as Access;
    expect(access).toEqual({ closed: true, hasPassphrase: false, me: null, calendarKey: null });
    expect((await asked('get', '/health')).status).toBe(200);
    expect((await here('get', '/snapshot')).status).toBe(200);
    expect(((await here('get', '/access')).body as Access).me!.role).toBe('keeps');
  });

  it('asks for nothing where only this machine reaches it', async () => {
    open({ closed: false });
    expect((await asked('get', '/snapshot')).status).toBe(200);
    expect(((await asked('get', '/access')).body as Access).closed).toBe(false);
  });

  it('is opened by its passphrase, once it has one, however that is typed; what lets in is kept nowhere as it is', async () => {
    expect((await enter({ passphrase: PASSPHRASE })).status).toBe(422);
    expect((await here('put', '/access/passphrase', { passphrase: 'nine char', signOut: false })).status).toBe(422);
    await set();
    const wrong = await enter({ passphrase: 'lamp curd ferry oat' });
    expect([wrong.status, wrong.body.errors[0].field]).toEqual([422, 'passphrase']);
    const right = await enter({ passphrase: ` ${PASSPHRASE} `, maker: 'Ane' });
    const cookie = cookieOf(right);
    expect(right.status).toBe(201);
    expect((right.body as Access).me).toEqual(
      jasmine.objectContaining({ name: 'tablet', maker: 'Ane', role: 'keeps' }),
    );
    const [whole] = right.headers['set-cookie'] as unknown as string[];
    for (const part of ['HttpOnly', 'SameSite=Strict', 'Path=/', 'Max-Age=34560000']) expect(whole).toContain(part);
    expect(whole).not.toContain('Secure');
    expect((await asked('get', '/snapshot', undefined, cookie)).status).toBe(200);
    expect((await asked('get', '/snapshot', undefined, `${cookie}x`)).status).toBe(401);
    const kept = JSON.stringify(
      ['access', 'device'].map((table) => kitchen.db.prepare(`SELECT * FROM ${table}`).all()),
    );
    expect(kept).not.toContain(PASSPHRASE);
    expect(kept).not.toContain(cookie.split('=')[1]!);
  });

  it('lets one device in by a code, typed as it is read, within ten minutes to the millisecond', async () => {
    const { secret, endsMs } = await invite('works');
    expect(secret).toMatch(/^[0-9A-HJKMNP-TV-Z]{4}-[0-9A-HJKMNP-TV-Z]{4}$/);
    expect(endsMs).toBe(nowMs + 10 * MIN_MS);
    nowMs = endsMs - 1;
    const typed = secret.toLowerCase().replace('-', ' ').replaceAll('0', 'o').replaceAll('1', 'l');
    expect((await enter({ secret: typed })).status).toBe(201);
    expect((await enter({ secret })).status).toBe(422);
    const late = await invite('works');
    nowMs = late.endsMs;
    expect((await enter({ secret: late.secret })).status).toBe(422);
  });

  it('shows an inspector what there is by a link, on as many devices as they have, till it ends or is taken back', async () => {
    const link = await invite('looks', { kind: 'link', days: 3 });
    const [one, two] = [cookieOf(await enter({ secret: link.secret })), cookieOf(await enter({ secret: link.secret }))];
    expect((await devices()).devices.map((d) => [d.role, d.endsMs])).toEqual([
      ['looks', link.endsMs],
      ['looks', link.endsMs],
    ]);
    nowMs = link.endsMs - 1;
    expect((await asked('get', '/snapshot', undefined, one)).status).toBe(200);
    nowMs = link.endsMs;
    expect((await asked('get', '/snapshot', undefined, one)).status).toBe(401);
    expect((await devices()).devices).toEqual([]);
    nowMs = link.endsMs - 1;
    const other = await invite('looks', { kind: 'link', days: 1 });
    const three = cookieOf(await enter({ secret: other.secret }));
    await here('delete', `/access/invitations/${other.id}`);
    for (const cookie of [two, three]) expect((await asked('get', '/snapshot', undefined, cookie)).status).toBe(401);
  });

  it('lets each role do what it is for, and says whom to ask for the rest', async () => {
    const cookies = { looks: await letIn('looks'), works: await letIn('works'), keeps: await letIn('keeps') };
    const WAYS: readonly (readonly [Role, Method, string])[] = [
      ['looks', 'get', '/snapshot'],
      ['looks', 'get', '/makes'],
      ['works', 'post', '/entries'],
      ['works', 'put', '/lots/x'],
      ['works', 'put', '/instruments/x/placement'],
      ['works', 'get', '/archive'],
      ['keeps', 'put', '/settings'],
      ['keeps', 'put', '/clock'],
      ['keeps', 'post', '/archive'],
      ['keeps', 'get', '/backups'],
      ['keeps', 'get', '/Backups/'],
      ['keeps', 'get', '/access/devices'],
      ['keeps', 'post', '/access/invitations'],
      ['keeps', 'put', '/access/passphrase'],
    ];
    const order: readonly Role[] = ['looks', 'works', 'keeps'];
    for (const [least, method, path] of WAYS)
      for (const role of order) {
        const { status, body } = await asked(method, path, method === 'get' ? undefined : {}, cookies[role]);
        const isRefused = order.indexOf(role) < order.indexOf(least);
        expect(status === 403)
          .withContext(`${role} ${method} ${path}: ${status}`)
          .toBe(isRefused);
        expect(status).not.toBe(401);
        if (isRefused) expect((body as { detail: string }).detail).toContain('whoever keeps the dairy');
      }
  });

  it('knows its devices, changes them, and shuts them out at once, with what they listen to', async () => {
    const server: Server = await new Promise((ready) => {
      const opened = app.listen(0, '127.0.0.1', () => ready(opened));
    });
    const at = `http://127.0.0.1:${(server.address() as AddressInfo).port}${API}`;
    const cookie = await letIn('works');
    const [{ id, maker }] = (await devices()).devices as [{ id: string; maker: string }];
    expect(maker).toBe('Ane');
    await here('put', `/access/devices/${id}`, { name: 'by the sink', maker: 'Per', role: 'looks' });
    const { me } = (await asked('get', '/access', undefined, cookie)).body as Access;
    expect(me).toEqual(jasmine.objectContaining({ deviceId: id, name: 'by the sink', maker: 'Per', role: 'looks' }));
    // A browser may not set Host: what listens from elsewhere comes by way of a proxy here.
    open({ proxy: 'loopback' });
    server.removeAllListeners('request').on('request', app);
    const listen = (shown: string) => fetch(`${at}/events`, { headers: { cookie: shown } });
    const stream = await listen(cookie);
    expect(stream.status).toBe(200);
    open();
    // An inspector whose link has ended hears nothing more, though the line was open.
    const link = await invite('looks', { kind: 'link', days: 1 });
    const inspector = cookieOf(await enter({ secret: link.secret }));
    open({ proxy: 'loopback' });
    server.removeAllListeners('request').on('request', app);
    const looking = await listen(inspector);
    nowMs = link.endsMs;
    kitchen.events.tell({ type: 'renewed' });
    expect(await looking.text()).not.toContain('renewed');
    open();
    await here('delete', `/access/devices/${id}`);
    await stream.text();
    expect((await asked('get', '/snapshot', undefined, cookie)).status).toBe(401);
    expect((await here('delete', `/access/devices/${id}`)).status).toBe(404);
    server.closeAllConnections();
    server.close();
  });

  it('signs everybody else out with a new passphrase where that is wished, and a device signs itself out', async () => {
    await set();
    const [own, other] = [cookieOf(await enter({ passphrase: PASSPHRASE })), await letIn('works')];
    const change = { passphrase: 'another four words here', signOut: true };
    expect((await asked('put', '/access/passphrase', change, own)).status).toBe(200);
    expect((await asked('get', '/snapshot', undefined, other)).status).toBe(401);
    expect((await enter({ passphrase: PASSPHRASE })).status).toBe(422);
    const out = await asked('delete', '/access/me', undefined, own);
    expect((out.body as Access).me).toBeNull();
    expect((await asked('get', '/snapshot', undefined, own)).status).toBe(401);
  });

  it('has the name of whose device it was at every line, whatever the line says itself', async () => {
    const cookie = await letIn('works');
    const lines = [startOf(BATCH), { ...entryOf(BATCH, { type: 'note', text: 'a' }), by: 'Somebody else' }];
    const { body, status } = await asked('post', '/entries', { entries: lines }, cookie);
    expect([status, (body as { entries: { by: string }[] }).entries.map((e) => e.by)]).toEqual([201, ['Ane', 'Ane']]);
    // Sent again from another device it is the same line, and keeps its name.
    const again = await asked('post', '/entries', { entries: lines }, await letIn('keeps'));
    expect([again.status, (again.body as { entries: { by: string }[] }).entries[0]!.by]).toEqual([200, 'Ane']);
    const own = await here('post', '/entries', {
      entries: [{ ...entryOf(BATCH, { type: 'note', text: 'b' }), by: 'Per' }],
    });
    expect((own.body as { entries: { by: string }[] }).entries[0]!.by).toBe('Per');
  });

  it('is read by a calendar that names its key, and by nothing else with that', async () => {
    const { calendarKey } = (await asked('get', '/access', undefined, await letIn('looks'))).body as Access;
    const calendar = await asked('get', `/plan.ics?key=${calendarKey!}`);
    expect([calendar.status, calendar.type]).toEqual([200, 'text/calendar']);
    expect((await asked('get', `/plan.json?key=${calendarKey!}`)).status).toBe(401);
    expect((await asked('get', `/snapshot?key=${calendarKey!}`)).status).toBe(401);
  });
});

describe('whoever guesses', () => {
  it('has ten wrong tries in a quarter of an hour from an address, and is then not heard even with the right one', async () => {
    const { secret } = await invite('works');
    for (let i = 0; i < 10; i++) expect((await enter({ secret: 'AAAA-AAAA' })).status).toBe(422);
    expect((await enter({ secret })).status).toBe(429);
  });

  it('has a hundred from however many addresses; who is in notices nothing', async () => {
    const cookie = await letIn('works');
    open({ proxy: 'loopback' });
    const from = (i: number) => ({ 'x-forwarded-for': `10.0.${i}.7` });
    for (let i = 0; i < 100; i++) expect((await enter({ secret: 'AAAA-AAAA' }, from(i))).status).toBe(422);
    expect((await enter({ secret: 'AAAA-AAAA' }, from(200))).status).toBe(429);
    expect((await asked('get', '/snapshot', undefined, cookie, from(3))).status).toBe(200);
  });
});

describe('how much is asked of a server', () => {
  it('is bounded for strangers by address and in all, for who is in by device, and for everybody', async () => {
    const cookies = [await letIn('works'), await letIn('works')];
    open({ proxy: 'loopback', limits: { each: 5, stranger: 3, strangers: 6, all: 9 } });
    const status = async (i: number, cookie = '') =>
      (await asked('get', '/health', undefined, cookie, { 'x-forwarded-for': `10.0.${i}.7` })).status;
    const several = async (count: number, i: number, cookie = '') => {
      const all: number[] = [];
      for (let n = 0; n < count; n++) all.push(await status(i, cookie));
      return all;
    };
    expect(await several(4, 1)).toEqual([200, 200, 200, 429]);
    // What an address is refused counts as asked of all strangers together, too.
    expect(await several(3, 2)).toEqual([200, 200, 429]);
    expect(await several(6, 3, cookies[0])).toEqual([200, 200, 200, 200, 200, 429]);
    // Another device from the same address has its own five; all together have nine.
    expect(await several(4, 3, cookies[1])).toEqual([200, 200, 200, 429]);
  });
});

describe('behind a proxy', () => {
  beforeEach(() => open({ proxy: 'loopback' }));

  it('nothing is this machine’s own, names and addresses are those that were asked, and cookies go by HTTPS only', async () => {
    expect((await here('get', '/snapshot')).status).toBe(401);
    open();
    const { secret } = await invite('works');
    open({ proxy: 'loopback' });
    const passedOn = { host: '127.0.0.1:4310', 'x-forwarded-host': ELSEWHERE, 'x-forwarded-proto': 'https' };
    const own = { ...passedOn, origin: `https://${ELSEWHERE}`, 'sec-fetch-site': 'same-origin' };
    const answer = await enter({ secret }, own);
    expect(answer.status).toBe(201);
    expect((answer.headers['set-cookie'] as unknown as string[])[0]).toContain('Secure');
    expect(
      (await asked('get', '/access', undefined, '', { ...passedOn, 'x-forwarded-host': 'evil.example' })).status,
    ).toBe(421);
    const foreign = { ...own, origin: 'https://evil.example' };
    expect((await enter({ secret }, foreign)).status).toBe(403);
  });

  it('that it was not told of, an open dairy answers nothing', async () => {
    open({ closed: false });
    for (const name of ['x-forwarded-for', 'forwarded', 'via', 'x-real-ip']) {
      const answer = await here('get', '/snapshot').set(name, '10.0.0.7');
      expect([answer.status, (answer.body as { detail: string }).detail])
        .withContext(name)
        .toEqual([403, jasmine.stringContaining('OAT_CROCK_PROXY') as unknown as string]);
    }
    open();
    expect((await here('get', '/snapshot').set('x-forwarded-for', '10.0.0.7')).status).toBe(401);
  });
});
