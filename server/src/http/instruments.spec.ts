import { runs } from '@oat-crock/core/testing';
import fc from 'fast-check';
import request from 'supertest';
import type { Express } from 'express';
import { ulid } from 'ulid';
import { INSTRUMENT_KINDS } from '@oat-crock/core';
import { hashOf } from '../access/secrets.js';
import type { Kitchen } from '../kitchen.js';
import { entryOf, startOf, testKitchen } from '../testing/kitchen.js';
import { takeReadings } from './take-readings.js';

const API = '/api/v1';
const T0 = Date.UTC(2026, 4, 2, 9);
let app: Express;
let kitchen: Kitchen;
let batch: string;

beforeEach(() => {
  ({ kitchen, app } = testKitchen());
  batch = ulid();
  kitchen.entries.append([startOf(batch)]);
  const probe = {
    name: 'Probe',
    kind: 'thermometer',
    tokenHash: hashOf('a-long-token'),
    batchId: batch,
  } as const;
  kitchen.instruments.add({ ...probe, id: 'probe', simulated: true });
  kitchen.instruments.add({ ...probe, id: 'real', simulated: false });
});
afterEach(() => {
  kitchen.events.close();
  kitchen.db.close();
});

const take = (readings: { id?: string; atMs: number; value: number }[]) =>
  takeReadings(kitchen, kitchen.instruments.get('probe')!, readings);
const post = (body: string | object, type = 'application/json') =>
  request(app)
    .post(`${API}/instruments/probe/readings`)
    .set('authorization', 'Bearer a-long-token')
    .set('content-type', type)
    .send(body);
const kept = () => kitchen.entries.ofBatch(batch).filter((e) => e.source === 'probe');

describe('readings of an instrument', () => {
  it('at ten a second leave one in twenty seconds, and every jump worth seeing', () => {
    const minute = Array.from({ length: 600 }, (_, i) => ({ atMs: T0 + i * 100, value: 40 + 0.01 * (i % 7) }));
    expect(take(minute)).toEqual(jasmine.objectContaining({ kept: 3, thinned: 597 }));
    take([{ atMs: T0 + 64_000, value: 47 }]);
    expect(kept().map((e) => e.atMs - T0)).toEqual([0, 20_000, 40_000, 64_000]);
  });

  it('never thins what hands log', () => {
    const byHand = Array.from({ length: 50 }, (_, i) =>
      entryOf(batch, { type: 'reading', quantity: 'tempC', value: 40, by: 'thermometer' }, T0 + i * 100),
    );
    kitchen.entries.append(byHand);
    take(byHand.map((e) => ({ atMs: e.atMs, value: 40 })));
    expect(kitchen.entries.ofBatch(batch).filter((e) => e.source === 'hand').length).toBe(51);
  });

  it('may come late, again and in any order: what is kept is never denser, and nothing twice', () => {
    const moment = fc.integer({ min: 0, max: 600 });
    fc.assert(
      fc.property(fc.array(moment, { minLength: 1, maxLength: 60 }), (seconds) => {
        const before = kept().length;
        const far = T0 + (before + 1) * 86_400_000;
        const readings = seconds.map((s) => ({ atMs: far + s * 1000, value: 40 }));
        take(readings);
        expect(take(readings).kept).toBe(0);
        const times = kept()
          .map((e) => e.atMs)
          .filter((ms) => ms >= far)
          .sort((a, b) => a - b);
        times.forEach(
          (ms, i) =>
            i > 0 && expect(ms - times[i - 1]!).toBeGreaterThanOrEqual(INSTRUMENT_KINDS.thermometer.keeping.everyMs),
        );
        expect(times.length).toBeGreaterThan(0);
      }),
      { numRuns: runs(25) },
    );
  });

  it('that cannot be are told of and not kept; the rest of what was sent is', async () => {
    const answer = await post({ readings: [40, 900, 41].map((value, i) => ({ atMs: T0 + i * 60_000, value })) });
    expect(answer.status).toBe(201);
    expect(answer.body).toEqual({ kept: 2, thinned: 0, impossible: [1] });
    expect(kitchen.instruments.get('probe')!.impossible).toEqual({ atMs: T0 + 60_000, value: 900 });
    expect(kitchen.instruments.get('probe')!.lastValue).toBe(41);
  });

  it('that stay the very same are dated from the first of them', () => {
    take([41, 40, 40, 40].map((value, i) => ({ atMs: T0 + i * 60_000, value })));
    expect(kitchen.instruments.get('probe')!.sameSinceMs).toBe(T0 + 60_000);
  });

  it('come as CSV as well, with ISO moments or ms, a head line or none', async () => {
    const answer = await post('at;value\n2026-05-02T09:00:00Z;42.5\n2026-05-02T11:01:00+02:00;42.8\n', 'text/csv');
    expect(answer.body.kept).toBe(2);
    expect(kept().map((e) => [e.atMs, e.body])).toEqual([
      [T0, { type: 'reading', quantity: 'tempC', value: 42.5, by: 'thermometer' }],
      [T0 + 60_000, { type: 'reading', quantity: 'tempC', value: 42.8, by: 'thermometer' }],
    ]);
    expect((await post(`${T0},42.5`, 'text/csv')).body).toEqual({ kept: 0, thinned: 1, impossible: [] });
  });

  it('as CSV say which line is wrong, and what would be right', async () => {
    const wrong = await post('2026-05-02T09:00:00Z,42.5\nnoon,43', 'text/csv');
    expect(wrong.status).toBe(422);
    expect(wrong.body.errors[0]).toEqual(
      jasmine.objectContaining({ field: 'line 2', message: '"noon" is no moment.' }),
    );
    expect((await post('2026-05-02T09:00:00Z,warm', 'text/csv')).body.errors[0].remedy).toContain('42.5');
    expect((await post('', 'text/csv')).status).toBe(422);
  });
});

describe('faults of instruments', () => {
  it('are given to simulated ones alone, and a meter can be calibrated', async () => {
    const giveFault = (id: string, fault: unknown) =>
      request(app).put(`${API}/instruments/${id}/fault`).send({ fault });
    expect((await giveFault('probe', 'stuck')).body).toEqual(jasmine.objectContaining({ fault: 'stuck' }));
    expect((await giveFault('probe', 'haunted')).status).toBe(422);
    expect((await giveFault('real', 'stuck')).status).toBe(409);
    expect((await giveFault('probe', null)).body).toEqual(
      jasmine.objectContaining({ fault: null, faultSinceMs: null }),
    );
    const calibrated = await request(app).post(`${API}/instruments/probe/calibration`);
    expect(calibrated.body.calibratedMs).toBeGreaterThan(0);
  });
});

describe('what a page begins with', () => {
  const snapshot = async () =>
    ((await request(app).get(`${API}/snapshot`)).body.entries as { source: string }[]).map((e) => e.source);
  const finish = () =>
    entryOf(batch, { type: 'finished', productG: 900, wheyG: null, heldBackG: null, score: null }, T0 + 1);

  it('is every line by hand, and readings only of makes that are on', async () => {
    take([{ atMs: T0, value: 40 }]);
    expect(await snapshot()).toEqual(['hand', 'probe']);
    const end = finish();
    kitchen.entries.append([end]);
    expect(await snapshot()).toEqual(['hand', 'hand']);
    kitchen.entries.append([entryOf(batch, { type: 'correction', replaces: end.id, body: null })]);
    expect(await snapshot()).toEqual(['hand', 'probe', 'hand', 'hand']);
  });

  it('has the readings of a finished make when it is asked for: all, one a minute, or none', async () => {
    take(Array.from({ length: 9 }, (_, i) => ({ atMs: T0 + i * 20_000, value: 40 + i })));
    kitchen.entries.append([finish()]);
    const of = async (readings: string) =>
      (await request(app).get(`${API}/batches/${batch}?readings=${readings}`)).body.entries.length as number;
    expect([await of('all'), await of('minute'), await of('none')]).toEqual([11, 5, 2]);
  });
});

describe('a logger in the room', () => {
  const post = (readings: { atMs: number; value: number }[]) =>
    request(app)
      .post(`${API}/instruments/wall/readings`)
      .set('authorization', 'Bearer a-long-token')
      .send({ readings });
  const MIN = 60_000;

  beforeEach(() => {
    const wall = { id: 'wall', name: 'Logger', kind: 'room-logger', tokenHash: hashOf('a-long-token') } as const;
    kitchen.instruments.add({ ...wall, simulated: false, batchId: null });
  });

  it('is kept for the room, not for any crock: one in ten minutes, late and repeated as it comes', async () => {
    const hour = Array.from({ length: 60 }, (_, i) => ({ atMs: T0 + i * MIN, value: 20 }));
    const { body, status } = await post(hour);
    expect(status).toBe(201);
    expect(body).toEqual({ kept: 6, thinned: 54, impossible: [] });
    await post([{ atMs: T0 + 25 * MIN, value: 23 }, ...hour, { atMs: T0 - 60 * MIN, value: 18 }]);
    const { body: read } = await request(app).get(`${API}/room?fromMs=${T0 - 90 * MIN}&untilMs=${T0 + 30 * MIN}`);
    expect((read as { readings: { tempC: number }[] }).readings.map((r) => r.tempC)).toEqual([
      18, 20, 20, 20, 20, 23, 20, 20,
    ]);
    expect(kitchen.entries.ofBatch(batch).length).toBe(1);
  });

  it('notes what cannot be, and hangs in no crock', async () => {
    const { body } = await post([{ atMs: T0, value: 85 }]);
    expect(body).toEqual({ kept: 0, thinned: 0, impossible: [0] });
    expect(kitchen.instruments.get('wall')!.impossible!.value).toBe(85);
    const placed = await request(app).put(`${API}/instruments/wall/placement`).send({ batchId: batch });
    expect(placed.status).toBe(422);
    expect(placed.text).toContain('It reads the room');
  });

  it('is in what a page begins with as far back as the oldest make that is on', async () => {
    kitchen.room.keep('wall', { atMs: T0 - 2 * MIN, tempC: 17 });
    kitchen.room.keep('wall', { atMs: kitchen.makes.liveSinceMs()! + MIN, tempC: 19 });
    const { body } = await request(app).get(`${API}/snapshot`);
    const { room } = body as { room: { tempC: number }[] };
    expect(room.map((r) => r.tempC)).toContain(19);
  });

  it('asks for a stretch that can be', async () => {
    const { status, text } = await request(app).get(`${API}/room?fromMs=${T0}&untilMs=${T0 - 1}`);
    expect(status).toBe(422);
    expect(text).toContain('untilMs');
  });
});
