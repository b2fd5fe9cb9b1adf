import type { Access } from '@oat-crock/contract';
import { get } from 'node:https';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { pino } from 'pino';
import { freshFolder } from './safekeeping/testing.js';
import { serve, type Served } from './serve.js';
import { settingsFrom } from './settings.js';
import { timeSettings } from './time/settings.js';
import { TEST_TLS } from './testing/tls.js';

let [at, file] = ['', ''];
let served: Served | null = null;
beforeEach(() => ({ at, file } = freshFolder()));
afterEach(async () => {
  await served?.close();
  served = null;
  rmSync(at, { recursive: true });
});

const opened = async (more: object) =>
  (served = await serve({
    ...{ demo: false, daily: false, file, host: '127.0.0.1', port: 0, log: pino({ level: 'silent' }) },
    time: timeSettings({}, false, () => 'UTC'),
    ...more,
  }));

describe('a server', () => {
  it('is reached by HTTPS with a certificate of its own', async () => {
    const { address } = await opened({ tls: TEST_TLS });
    expect(address).toMatch(/^https:/);
    const status = await new Promise((resolve, reject) =>
      get(`${address}/api/v1/health`, { ca: TEST_TLS.cert }, (answer) => resolve(answer.statusCode)).on(
        'error',
        reject,
      ),
    );
    expect(status).toBe(200);
  });

  it('is closed where it listens to more than this machine, or stands behind a proxy, and only then', async () => {
    for (const [more, closed] of [
      [{}, false],
      [{ host: 'localhost' }, false],
      [{ host: '0.0.0.0' }, true],
      [{ proxy: 'loopback' }, true],
    ] as const) {
      const { address, closed: said } = await opened(more);
      const access = (await (await fetch(`${address}/api/v1/access`)).json()) as Access;
      expect([said, access.closed]).withContext(JSON.stringify(more)).toEqual([closed, closed]);
      await served!.close();
      served = null;
    }
  });
});

describe('a server whose port is taken', () => {
  it('says so, and leaves its data to whoever opens them next', async () => {
    const { address } = await opened({});
    const port = Number(new URL(address).port);
    const first = served!;
    file = join(at, 'other.sqlite');
    await expectAsync(opened({ port })).toBeRejectedWith(jasmine.objectContaining({ code: 'EADDRINUSE' }));
    const second = await opened({});
    expect(second.address).not.toBe(address);
    await first.close();
  });
});

describe('what the environment sets', () => {
  const set =
    (env: Record<string, string>, ...args: string[]) =>
    () =>
      settingsFrom(env, args);

  it('has a default for everything', () => {
    const { host, port, names, proxy, tls, backups, anew, file } = set({})();
    expect([host, port, names, proxy, tls, backups, anew]).toEqual([
      '127.0.0.1',
      4310,
      [],
      ...Array(4).fill(undefined),
    ]);
    expect(file).toMatch(/data.dairy\.sqlite$/);
    expect(set({}, '--demo', '--new')()).toEqual(jasmine.objectContaining({ demo: true, anew: true }));
  });

  it('is refused by the name of what is wrong', () => {
    expect(set({ OAT_CROCK_PORT: 'abc' })).toThrowError(/^OAT_CROCK_PORT is "abc"/);
    expect(set({ OAT_CROCK_PORT: '65536' })).toThrowError(/65535/);
    expect(set({ OAT_CROCK_CERT: '/x' })).toThrowError(/both OAT_CROCK_CERT and OAT_CROCK_KEY/);
    expect(set({ OAT_CROCK_CERT: '/none/x', OAT_CROCK_KEY: '/none/y' })).toThrowError('safe.trouble.cannotReach');
  });
});
