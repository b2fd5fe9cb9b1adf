import Database from 'better-sqlite3';
import type { BackupRun, Safekeeping } from '@oat-crock/contract';
import type { Express } from 'express';
import { pino } from 'pino';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import request from 'supertest';
import { openKitchen, type Kitchen } from '../kitchen.js';
import { backUp } from '../safekeeping/back-up.js';
import { backupKeeper, type BackupKeeper, type Copier } from '../safekeeping/keeper.js';
import { freshFolder, linesOf, writeDairy } from '../safekeeping/testing.js';
import { openDb } from '../store/open.js';
import { timeSettings } from '../time/settings.js';
import { entryOf, startOf, testKitchen } from '../testing/kitchen.js';
import { createApp } from './app.js';

const API = '/api/v1';
const NOW = Date.UTC(2026, 4, 2, 8);
let [at, file, folder] = ['', '', ''];
let kitchen: Kitchen;
let keeper: BackupKeeper;
let app: Express;

beforeEach(() => {
  ({ at, file, folder } = freshFolder());
  writeDairy(file, 3);
  kitchen = openKitchen(
    openDb(file),
    pino({ level: 'silent' }),
    timeSettings({}, false, () => 'UTC'),
  );
  keep(false);
});
afterEach(async () => {
  await keeper.stop();
  kitchen.events.close();
  kitchen.db.close();
  rmSync(at, { recursive: true });
});

function keep(daily: boolean): void {
  keeper = backupKeeper(kitchen, { file, folder, daily, machineNow: () => NOW, copier });
  app = createApp(kitchen, null, { backups: keeper });
}
/** Makes a backup in this thread. */
const copier: Copier = (order, told) => ({ run: backUp(order, told), stop: () => Promise.resolve() });
const state = async () => (await request(app).get(`${API}/backups`)).body as Safekeeping;
const made = () => request(app).post(`${API}/backups`).set('content-type', 'application/json').send('{}');

describe('backups, asked for', () => {
  it('are made, told to every page as they go, remembered, and downloaded whole', async () => {
    const told: Safekeeping[] = [];
    kitchen.events.hear((event) => event.type === 'backups' && told.push(event.backups));
    const answer = await made();
    const run = answer.body as BackupRun;
    expect([answer.status, run.lines, run.makes, run.wrong]).toEqual([201, 4, 1, []]);
    expect(told[0]!.share).toBe(0);
    expect([told.at(-1)!.share, told.at(-1)!.last]).toEqual([null, run]);
    expect((await state()).backups.map((b) => b.name)).toEqual([run.name!]);
    expect((await request(app).get(`${API}/snapshot`)).body.lastBackup).toEqual(run);
    const file = await request(app).get(`${API}/backups/${run.name}`).responseType('blob');
    writeFileSync(join(at, 'got.sqlite'), file.body as Buffer);
    expect(linesOf(join(at, 'got.sqlite')).length).toBe(4);
  });

  it('twice at once are one', async () => {
    const runs = await Promise.all([made(), made()]);
    expect(runs[0].body).toEqual(runs[1].body);
    expect((await state()).backups.length).toBe(1);
  });

  it('that cannot be made say why, in the answer and from then on', async () => {
    writeFileSync(folder, '');
    const answer = await made();
    expect([answer.status, answer.type]).toEqual([507, 'application/problem+json']);
    expect(answer.body.title).toContain(folder);
    expect((await state()).last!.wrong.length).toBe(2);
  });

  it('of any other name are not here, nor any other file', async () => {
    await made();
    for (const name of ['none.sqlite', '..%2Fdairy.sqlite', '%2Fetc%2Fpasswd', 'dairy.sqlite'])
      expect((await request(app).get(`${API}/backups/${name}`)).status)
        .withContext(name)
        .toBe(404);
  });

  it('there are none of a kitchen in memory', async () => {
    const memory = testKitchen();
    expect((await request(memory.app).get(`${API}/backups`)).status).toBe(404);
    memory.kitchen.events.close();
    memory.kitchen.db.close();
  });

  it('by the clock are made by themselves where that is wished, and not again the same day', async () => {
    const runs: BackupRun[] = [];
    const ran = new Promise<void>((done) =>
      kitchen.events.hear((event) => {
        if (event.type !== 'backups' || event.backups.share !== null) return;
        runs.push(event.backups.last!);
        done();
      }),
    );
    jasmine.clock().install();
    keep(true);
    jasmine.clock().tick(60_000);
    jasmine.clock().uninstall();
    await ran;
    expect([runs[0]!.why, runs[0]!.wrong]).toEqual(['daily', []]);
    await keeper.stop();
    jasmine.clock().install();
    keep(true);
    jasmine.clock().tick(5_400_000);
    jasmine.clock().uninstall();
    expect((await state()).share).toBeNull();
  });
});

describe('a data file that another program holds', () => {
  it('is still read, and what cannot be written just now is to be sent again', async () => {
    const other = new Database(file);
    other.exec('BEGIN IMMEDIATE');
    const lines = [startOf('01J00000000000000000000002')];
    const send = () => request(app).post(`${API}/entries`).send({ entries: lines });
    const held = await send();
    expect([held.status, held.headers['retry-after'], held.type]).toEqual([503, '2', 'application/problem+json']);
    expect((await request(app).get(`${API}/snapshot`)).body.entries.length).toBe(4);
    other.exec('COMMIT');
    expect((await send()).status).toBe(201);
    other.close();
  });

  it('that is full says so, and takes lines again once there is room', async () => {
    const pages = kitchen.db.pragma('page_count', { simple: true }) as number;
    kitchen.db.pragma(`max_page_count = ${pages}`);
    const long = (i: number) =>
      entryOf('01J00000000000000000000001', { type: 'note', text: `${i}`.repeat(900) }, Date.UTC(2026, 4, 2, 9));
    const full = await request(app)
      .post(`${API}/entries`)
      .send({ entries: [1, 2, 3, 4, 5, 6, 7, 8].map(long) });
    expect([full.status, full.type]).toEqual([507, 'application/problem+json']);
    kitchen.db.pragma('max_page_count = 1000000');
    expect(
      (
        await request(app)
          .post(`${API}/entries`)
          .send({ entries: [long(9)] })
      ).status,
    ).toBe(201);
  });
});
