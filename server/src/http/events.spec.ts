import { hashOf } from '../access/secrets.js';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { ulid } from 'ulid';
import type { ServerEvent } from '@oat-crock/contract';
import type { Kitchen } from '../kitchen.js';
import { entryOf, startOf, testKitchen } from '../testing/kitchen.js';

let kitchen: Kitchen;
let server: Server;
let address: string;

beforeEach((ready) => {
  const { app, kitchen: opened } = testKitchen(true);
  kitchen = opened;
  server = app.listen(0, '127.0.0.1', () => {
    // A machine under load leaves seconds between two batches of requests: a connection cut just then would be no answer.
    server.keepAliveTimeout = 60_000;
    address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/v1`;
    ready();
  });
});
afterEach((done) => {
  kitchen.events.close();
  server.closeAllConnections();
  server.close(() => {
    kitchen.db.close();
    done();
  });
});

/** Listens like a page; gives back what is told until as many events have come. */
async function listen(count: number, lastSeen?: number): Promise<() => Promise<ServerEvent[]>> {
  const headers: Record<string, string> = lastSeen === undefined ? {} : { 'last-event-id': String(lastSeen) };
  const answer = await fetch(`${address}/events`, { headers });
  const reader = answer.body!.getReader();
  const decoder = new TextDecoder();
  let text = '';
  return async () => {
    const told = () => [...text.matchAll(/^data: (.*)$/gm)].map((m) => JSON.parse(m[1]!) as ServerEvent);
    while (told().length < count) {
      const { value, done } = await reader.read();
      if (done) break;
      text += decoder.decode(value, { stream: true });
    }
    await reader.cancel();
    return told();
  };
}

const send = (path: string, method: string, body: object, headers: Record<string, string> = {}) =>
  fetch(`${address}/${path}`, {
    method,
    headers: { 'content-type': 'application/json', ...headers },
    body: JSON.stringify(body),
  });

describe('what open pages are told', () => {
  it('is every fresh entry, once, to each page', async () => {
    const one = await listen(1);
    const two = await listen(1);
    const start = startOf(ulid());
    await send('entries', 'POST', { entries: [start] });
    await send('entries', 'POST', { entries: [start] });
    for (const told of [await one(), await two()]) {
      expect(told.length).toBe(1);
      expect(told[0]).toEqual(jasmine.objectContaining({ type: 'entries' }));
    }
  });

  it('is what was missed, when a page comes back and says what it saw last', async () => {
    const batch = ulid();
    await send('entries', 'POST', { entries: [startOf(batch)] });
    await send('entries', 'POST', { entries: [entryOf(batch, { type: 'note', text: 'missed' })] });
    const [told] = await (await listen(1, 1))();
    if (told?.type !== 'entries') throw new Error('entries were expected');
    expect(told.entries.map((e) => e.seq)).toEqual([2]);
  });

  it('is the clock, the household and where the instruments stand, as they change', async () => {
    kitchen.instruments.add({
      id: 'probe',
      name: 'pH',
      kind: 'ph-probe',
      simulated: true,
      tokenHash: hashOf('t'),
      batchId: null,
    });
    const page = await listen(3);
    expect((await send('clock', 'PUT', { rate: 600 })).status).toBe(200);
    const { settings, version } = kitchen.household.settings();
    await send('settings', 'PUT', { ...settings, asleepToH: 7 }, { 'if-match': `"${version}"` });
    await send('instruments/probe/placement', 'PUT', { batchId: null });
    const told = await page();
    expect(told.map((e) => e.type)).toEqual(['clock', 'settings', 'instruments']);
    expect(JSON.stringify(told)).toContain('"asleepToH":7');
  });
});

describe('too many requests', () => {
  it('are answered in words, and lose nothing', async () => {
    const statuses = new Set<number>();
    let words = '';
    for (let i = 0; i < 1300; i += 50) {
      const answers = await Promise.all(Array.from({ length: 50 }, () => fetch(`${address}/health`)));
      for (const answer of answers) {
        statuses.add(answer.status);
        const text = await answer.text();
        if (answer.status === 429) words = text;
      }
    }
    expect([...statuses].sort()).toEqual([200, 429]);
    expect(words).toContain('Wait a minute');
  }, 60_000);

  it('of an instrument keep nobody else from being answered', async () => {
    const probe = { id: 'probe', name: 'Probe', kind: 'thermometer', tokenHash: hashOf('t') } as const;
    kitchen.instruments.add({ ...probe, simulated: false, batchId: null });
    const post = () =>
      fetch(`${address}/instruments/probe/readings`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', authorization: 'Bearer t' },
        body: JSON.stringify({ readings: [{ atMs: 1_777_708_800_000, value: 40 }] }),
      });
    let last = 0;
    for (let i = 0; i < 1300; i += 50) {
      const answers = await Promise.all(Array.from({ length: 50 }, post));
      last = answers.at(-1)!.status;
    }
    expect(last).toBe(429);
    expect((await fetch(`${address}/health`)).status).toBe(200);
  }, 60_000);
});
