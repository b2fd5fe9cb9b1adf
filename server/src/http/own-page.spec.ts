import request from 'supertest';
import { hostname } from 'node:os';
import type { Express } from 'express';
import { createApp } from './app.js';
import { startOf, testKitchen } from '../testing/kitchen.js';
import type { Kitchen } from '../kitchen.js';

const API = '/api/v1';
const START = startOf('01J00000000000000000000001');
let kitchen: Kitchen;
let app: Express;
beforeEach(() => {
  ({ kitchen } = testKitchen());
  app = createApp(kitchen, null, { names: ['Dairy.example'] });
});
afterEach(() => {
  kitchen.events.close();
  kitchen.db.close();
});
const asked = async (host: string) => (await request(app).get(`${API}/health`).set('host', host)).status;
const written = (headers: Readonly<Record<string, string>>) =>
  request(app)
    .post(`${API}/entries`)
    .set({ host: 'dairy.example:4310', ...headers })
    .send({ entries: [START] });

describe('what asks a server', () => {
  it('is answered by any address, by the machine’s names and by those it was given, with any port', async () => {
    const names = ['127.0.0.1:4310', '[::1]:4310', '10.0.0.7', 'localhost:80', 'DAIRY.example', 'dairy.example.:9'];
    for (const name of [...names, hostname(), `${hostname()}.local`])
      expect(await asked(name))
        .withContext(name)
        .toBe(200);
  });

  it('is refused under any other name, before anything is read or written, and told what would help', async () => {
    for (const name of [
      'evil.example',
      'dairy.example.evil.example',
      'localhost.evil',
      'a b',
      '',
      '[::1',
      '@dairy.example',
    ])
      expect(await asked(name))
        .withContext(name)
        .toBe(421);
    const answer = await written({ host: 'evil.example' });
    expect(answer.body.detail).toContain('OAT_CROCK_NAMES');
    expect(kitchen.entries.since(0)).toEqual([]);
  });

  it('may write from its own page, or from what is no browser; not from another page', async () => {
    const own = 'http://dairy.example:4310';
    expect((await written({ origin: own, 'sec-fetch-site': 'same-origin' })).status).toBe(201);
    expect((await written({})).status).toBe(200);
    expect((await written({ 'sec-fetch-site': 'none' })).status).toBe(200);
    const foreign = [
      ...['http://evil.example', 'http://dairy.example:4311', 'null', 'nonsense'].map((origin) => ({ origin })),
      ...['cross-site', 'same-site'].map((site) => ({ 'sec-fetch-site': site })),
    ];
    for (const headers of foreign) expect((await written(headers as Record<string, string>)).status).toBe(403);
    // Reading is not writing: a browser keeps what it reads from foreign pages by itself.
    const read = await request(app).get(`${API}/health`).set({ host: 'dairy.example', origin: 'http://evil.example' });
    expect([read.status, read.headers['access-control-allow-origin']]).toEqual([200, undefined]);
  });

  it('sends JSON, or what is read at its address, and nothing a foreign form could send', async () => {
    const status = async (type: string, path = '/entries') =>
      (await request(app).post(`${API}${path}`).set('content-type', type).send('{"entries":[]}')).status;
    for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data', 'text/csv'])
      expect(await status(type))
        .withContext(type)
        .toBe(415);
    expect(await status('application/json; charset=utf-8')).toBe(422);
    expect(await status('text/csv', '/instruments/x/readings')).toBe(404);
    expect(await status('application/json', '/archive')).toBe(415);
  });
});
