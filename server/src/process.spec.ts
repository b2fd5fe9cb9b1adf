import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ulid } from 'ulid';
import type { Snapshot } from '@oat-crock/contract';
import { isDeep } from '@oat-crock/core/testing';
import { entryOf, startOf } from './testing/kitchen.js';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

/** Starts the built server on a free port and waits for its address. */
function open(file: string, ...options: string[]): Promise<{ readonly child: ChildProcess; readonly address: string }> {
  const child = spawn(process.execPath, [join(ROOT, 'server/dist/main.js'), ...options], {
    env: { ...process.env, OAT_CROCK_DB: file, OAT_CROCK_PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    child.stdout!.on('data', (data: Buffer) => {
      const address = /(http:\/\/[\d.:]+)\//.exec(String(data))?.[1];
      if (address) resolve({ child, address });
    });
    child.on('exit', () => reject(new Error('the server did not open')));
  });
}

const gone = (child: ChildProcess) => new Promise((resolve) => child.on('exit', resolve));

/** How often it is killed, at moments spread over its writing. */
const KILLS = isDeep() ? 50 : 8;

describe('a server killed in the middle', () => {
  let folder: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'oat-crock-'));
  });
  afterEach(() => rmSync(folder, { recursive: true }));

  it('has every entry it acknowledged when it is started again, whole and in order', async () => {
    const file = join(folder, 'dairy.sqlite');
    const batch = ulid();
    const acknowledged: string[] = [];
    let server = await open(file);
    for (let round = 0; round < KILLS; round++) {
      const victim = server;
      const killing = new Promise<void>((done) =>
        setTimeout(
          () => {
            victim.child.kill('SIGKILL');
            done();
          },
          60 + ((137 * round) % 400),
        ),
      );
      for (let i = 0; ; i++) {
        const entry =
          acknowledged.length === 0 ? startOf(batch) : entryOf(batch, { type: 'note', text: `${round}/${i}` });
        const answer = await fetch(`${victim.address}/api/v1/entries`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ entries: [entry] }),
        }).catch(() => null);
        if (!answer) break;
        if (answer.status === 201) acknowledged.push(entry.id);
      }
      await killing;
      server = await open(file);
      const { entries } = (await (await fetch(`${server.address}/api/v1/snapshot`)).json()) as Snapshot;
      const kept = entries.map((e) => e.id);
      expect(kept.slice(0, acknowledged.length)).toEqual(acknowledged);
      expect(kept.length - acknowledged.length).toBeLessThanOrEqual(1);
      acknowledged.splice(0, acknowledged.length, ...kept);
    }
    expect(acknowledged.length).toBeGreaterThan(KILLS / 2);
    server.child.kill('SIGTERM');
    expect(await gone(server.child)).toBe(0);
  }, 600_000);
});

describe('a server whose makes have taught', () => {
  it('works that out beside its answers, tells of it, and again once a finish was put right', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'oat-crock-'));
    const { child, address } = await open(join(folder, 'demo.sqlite'), '--demo');
    const snapshot = async () => (await (await fetch(`${address}/api/v1/snapshot`)).json()) as Snapshot;
    /** The kitchen once it has learned something else than before. */
    const learnedSince = async (before: string): Promise<Snapshot> => {
      for (;;) {
        const now = await snapshot();
        if (now.learned.settled && JSON.stringify(now.learned.pooled) !== before) return now;
        await new Promise((rest) => setTimeout(rest, 100));
      }
    };
    const first = await learnedSince('');
    expect(first.learned.pooled.known.length).toBeGreaterThan(3);
    const finish = first.entries.findLast((e) => e.body.type === 'finished')!;
    const body = finish.body.type === 'finished' ? { ...finish.body, productG: finish.body.productG / 2 } : null;
    const put = entryOf(finish.batchId, { type: 'correction', replaces: finish.id, body }, first.clock.kitchenMs);
    const answer = await fetch(`${address}/api/v1/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries: [put] }),
    });
    expect(answer.status).toBe(201);
    const second = await learnedSince(JSON.stringify(first.learned.pooled));
    const loss = ({ learned }: Snapshot) => learned.pooled.known.find((k) => k.score === 'loss')?.mean;
    expect(loss(second)!).toBeLessThan(loss(first)!);
    child.kill('SIGTERM');
    expect(await gone(child)).toBe(0);
    rmSync(folder, { recursive: true });
  }, 60_000);
});

/** How many processes of this machine were started with a text in their environment or on their command line. */
function processesWith(text: string): number {
  const all = spawnSync('ps', ['-eo', 'args'], { encoding: 'utf8' }).stdout.split('\n');
  return all.filter((line) => line.includes(text)).length;
}

describe('a server that is stopped', () => {
  let folder: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'oat-crock-'));
  });
  afterEach(() => rmSync(folder, { recursive: true }));

  it('hard, with the simulated instruments at work, leaves nothing behind', async () => {
    const mark = '--mark-of-this-test';
    const { child, address } = await open(join(folder, 'demo.sqlite'), '--demo', mark);
    await fetch(`${address}/api/v1/clock`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ rate: 600 }),
    });
    expect(processesWith(mark)).toBe(1);
    const descendants = spawnSync('pgrep', ['-P', String(child.pid)], { encoding: 'utf8' }).stdout.trim();
    expect(descendants).toBe('');
    child.kill('SIGKILL');
    await gone(child);
    expect(processesWith(mark)).toBe(0);
  });

  it('politely ends by itself, though somebody is half-way through a request', async () => {
    const { child, address } = await open(join(folder, 'dairy.sqlite'));
    const { hostname, port } = new URL(address);
    const socket = connect(Number(port), hostname);
    await new Promise((connected) => socket.once('connect', connected));
    socket.on('error', () => undefined);
    socket.write(
      `POST /api/v1/entries HTTP/1.1\r\nHost: ${hostname}\r\nContent-Type: application/json\r\nContent-Length: 99\r\n\r\n{"en`,
    );
    const cutOff = new Promise((closed) => socket.once('close', closed));
    child.kill('SIGTERM');
    const [code] = await Promise.all([gone(child), cutOff]);
    expect(code).toBe(0);
  });
});

describe('the command line', () => {
  const engine = (verb: string, input: string) =>
    spawnSync(process.execPath, [join(ROOT, 'scripts/engine.mjs'), verb], { input, encoding: 'utf8' });

  it('takes one object in and gives one out', () => {
    const { status, stdout } = engine(
      'cool',
      '{"volumeMl":4000,"startC":90,"targetC":45,"roomC":20,"method":"covered"}',
    );
    expect(status).toBe(0);
    expect(JSON.parse(stdout).min).toBeGreaterThan(90);
  });

  it('refuses with nothing on standard output, a problem on the other and exit 2', () => {
    for (const [verb, input, field] of [
      ['cool', '{"volumeMl":-1}', 'volumeMl'],
      ['cool', 'not json', '(the whole)'],
      ['levitate', '{}', 'verb'],
    ] as const) {
      const { status, stdout, stderr } = engine(verb, input);
      expect([status, stdout]).toEqual([2, '']);
      expect(JSON.parse(stderr).errors[0].field).toBe(field);
    }
  });

  it('shows its verbs with a worked example of each', () => {
    const { stdout } = engine('help', '');
    for (const verb of ['density', 'denature', 'cool', 'acidity', 'souring', 'forecast', 'strain', 'make']) {
      expect(stdout).toContain(`\n${verb}\n`);
    }
  });
});
