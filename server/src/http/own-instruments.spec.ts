import type { Instrument, InstrumentMade, ReadingsTaken } from '@oat-crock/contract';
import Database from 'better-sqlite3';
import type { Express } from 'express';
import request from 'supertest';
import { ulid } from 'ulid';
import { hashOf } from '../access/secrets.js';
import { may } from '../access/who.js';
import type { Kitchen } from '../kitchen.js';
import { migrate } from '../store/migrations.js';
import { startOf, testKitchen } from '../testing/kitchen.js';

const API = '/api/v1';
const T0 = Date.UTC(2026, 4, 2, 9);
let app: Express;
let kitchen: Kitchen;
let batch: string;

beforeEach(() => {
  ({ kitchen, app } = testKitchen(true));
  kitchen.clock.set({ rate: 0 } as never);
  batch = ulid(T0);
  kitchen.entries.append([startOf(batch)]);
});
afterEach(() => {
  kitchen.events.close();
  kitchen.db.close();
});

const add = async (kind: string, name = 'Mine') =>
  (await request(app).post(`${API}/instruments`).send({ name, kind })).body as InstrumentMade;
const place = (id: string) => request(app).put(`${API}/instruments/${id}/placement`).send({ batchId: batch });
const post = (id: string, token: string, ...values: readonly number[]) =>
  request(app)
    .post(`${API}/instruments/${id}/readings`)
    .set('authorization', `Bearer ${token}`)
    .send({ readings: values.map((value, i) => ({ atMs: kitchen.clock.now() + i * 60_000, value })) });
const kept = (id: string) =>
  kitchen.entries
    .ofBatch(batch)
    .flatMap(({ source, body }) => (source === id && body.type === 'reading' ? [body.value] : []));
const check = (id: string, checked: object) => request(app).post(`${API}/instruments/${id}/checks`).send({ checked });
const buffers = (acid: number, neutral: number, shows = 'ph') => ({
  ...{ by: 'buffers', shows, tempC: 25, reads: { 'pH 4.01': acid, 'pH 7.00': neutral } },
});

describe('an instrument of one’s own', () => {
  it('is added, named and put in a crock; its token is told once and kept as a hash', async () => {
    const { instrument, token } = await add('thermometer', 'By the stove');
    expect(instrument).toEqual(jasmine.objectContaining({ name: 'By the stove', quantity: 'tempC', simulated: false }));
    await place(instrument.id);
    expect((await post(instrument.id, token, 42)).status).toBe(201);
    expect(kept(instrument.id)).toEqual([42]);
    expect(JSON.stringify((await request(app).get(`${API}/instruments`)).body)).not.toContain(token);
    const rows = JSON.stringify(kitchen.db.prepare('SELECT * FROM instrument').all());
    expect(rows).toContain(hashOf(token));
    expect(rows).not.toContain(token);
    const renamed = await request(app)
      .put(`${API}/instruments/${instrument.id}`)
      .send({ name: 'In the cellar', isPaused: false });
    expect((renamed.body as Instrument).name).toBe('In the cellar');
  });

  it('with a new token is not known by the old one; a simulated one has none to show', async () => {
    const { instrument, token } = await add('scale');
    const { token: newer } = (await request(app).post(`${API}/instruments/${instrument.id}/token`))
      .body as InstrumentMade;
    expect((await post(instrument.id, token, 1)).status).toBe(401);
    expect((await post(instrument.id, '', 1)).status).toBe(401);
    expect((await post(instrument.id, newer, 1)).status).toBe(202);
    kitchen.instruments.add({
      ...{ id: 'sim', name: 'Simulated', kind: 'scale', simulated: true, batchId: null, tokenHash: hashOf('x') },
    });
    expect((await request(app).post(`${API}/instruments/sim/token`)).status).toBe(409);
  });

  it('that is paused is heard and not kept; taken away it is gone, and what it read stays', async () => {
    const { instrument, token } = await add('thermometer');
    const { id } = instrument;
    await place(id);
    await request(app).put(`${API}/instruments/${id}`).send({ name: 'Mine', isPaused: true });
    const paused = await post(id, token, 42);
    expect([paused.status, (paused.body as ReadingsTaken).kept, kept(id)]).toEqual([202, 0, []]);
    await request(app).put(`${API}/instruments/${id}`).send({ name: 'Mine', isPaused: false });
    await post(id, token, 42);
    const left = (await request(app).delete(`${API}/instruments/${id}`)).body as { instruments: Instrument[] };
    expect(left.instruments).toEqual([]);
    expect((await post(id, token, 43)).status).toBe(404);
    expect(kept(id)).toEqual([42]);
  });

  it('is added, renewed and taken away by whoever keeps the dairy, put and checked by whoever works', () => {
    const me = (role: 'works' | 'keeps' | 'looks') => ({ deviceId: 'd', name: '', maker: '', role, endsMs: null });
    const who = (method: string, path: string) =>
      (['looks', 'works', 'keeps'] as const).filter((role) => may(me(role), method, path)).join(' ');
    expect(who('POST', '/instruments')).toBe('keeps');
    expect(who('POST', '/Instruments/a/token')).toBe('keeps');
    expect(who('DELETE', '/instruments/a')).toBe('keeps');
    expect(who('POST', '/instruments/a/checks')).toBe('works keeps');
    expect(who('PUT', '/instruments/a/placement')).toBe('works keeps');
    expect(who('GET', '/instruments')).toBe('looks works keeps');
  });

  it('is known by the same token after a file of an older form was brought up', () => {
    const db = new Database(':memory:');
    migrate(db, 20);
    db.prepare(
      `INSERT INTO instrument (id, name, kind, quantity, simulated, token) VALUES ('p', 'P', 'scale', 'wheyG', 0, 'old')`,
    ).run();
    migrate(db);
    expect(db.prepare('SELECT token_hash AS hash, is_paused AS isPaused FROM instrument').all()).toEqual([
      { hash: hashOf('old'), isPaused: 0 },
    ]);
    db.close();
  });
});

describe('a logger’s file', () => {
  it('goes into the make it stood in, as far as that went on, once however often it is read in', async () => {
    const { instrument } = await add('thermometer');
    const started = Date.UTC(2026, 4, 2, 8);
    const readings = [-1, 0, 60, 120].map((min) => ({ atMs: started + min * 60_000, value: 40 + min / 60 }));
    const send = (batchId: string | null, of = readings) =>
      request(app).post(`${API}/instruments/${instrument.id}/log`).send({ batchId, readings: of });
    const ahead = { atMs: kitchen.clock.now() + 1, value: 40 };
    const { status, body } = await send(batch, [...readings, ahead]);
    expect([status, body]).toEqual([201, { kept: 3, thinned: 0, impossible: [], outside: 2 }]);
    expect(kept(instrument.id)).toEqual([40, 41, 42]);
    expect((await send(batch)).body).toEqual({ kept: 0, thinned: 3, impossible: [], outside: 1 });
    // It stands on the shelf still.
    expect(kitchen.instruments.get(instrument.id)!.batchId).toBeNull();
    expect((await send(null)).status).toBe(422);
    expect((await send(ulid(T0))).status).toBe(422);
  });

  it('of the room goes to the room', async () => {
    const { instrument } = await add('room-logger');
    const readings = [0, 30].map((min) => ({ atMs: T0 + min * 60_000, value: 19 }));
    const sent = await request(app).post(`${API}/instruments/${instrument.id}/log`).send({ batchId: null, readings });
    expect((sent.body as ReadingsTaken).kept).toBe(2);
    expect(kitchen.room.between(T0, T0 + 3_600_000).map(({ tempC }) => tempC)).toEqual([19, 19]);
  });
});

describe('an instrument that was checked', () => {
  it('reads corrected from then on, until that is forgotten; what came before stands', async () => {
    const { instrument, token } = await add('ph-probe');
    const { id } = instrument;
    await place(id);
    await post(id, token, 5);
    kitchen.clock.set({ rate: 0, kitchenMs: kitchen.clock.now() + 3_600_000 } as never);
    expect((await check(id, buffers(4.21, 7.2))).status).toBe(201);
    await post(id, token, 4.8);
    kitchen.clock.set({ rate: 0, kitchenMs: kitchen.clock.now() + 3_600_000 } as never);
    await request(app).delete(`${API}/instruments/${id}/checks`);
    await post(id, token, 4.5);
    expect(kept(id).map((value) => Math.round(value * 100) / 100)).toEqual([5, 4.6, 4.5]);
  });

  it('in millivolts gives pH by its own slope', async () => {
    const { instrument, token } = await add('ph-probe');
    await place(instrument.id);
    await check(instrument.id, buffers(170, 0, 'mV'));
    expect((await post(instrument.id, token, 85)).body).toEqual(jasmine.objectContaining({ kept: 1, impossible: [] }));
    expect(kept(instrument.id)[0]).toBeCloseTo((4.01 + 7) / 2, 6);
  });

  it('keeps how it was checked; one that is unfit, or checked as another kind, is refused in words', async () => {
    const { instrument } = await add('thermometer');
    const { id } = instrument;
    const made = (await check(id, { by: 'ice', readsC: 1.2 })).body as Instrument;
    expect(made.check).toEqual({ atMs: kitchen.clock.now(), checked: { by: 'ice', readsC: 1.2 } });
    const unfit = await check(id, { by: 'ice', readsC: 21 });
    expect(unfit.status).toBe(422);
    expect(JSON.stringify(unfit.body)).toContain('too far to be relied on');
    expect((await check(id, buffers(4, 7))).status).toBe(422);
    expect((await check(id, { by: 'ice' })).status).toBe(422);
    expect((await request(app).get(`${API}/instruments`)).body).toEqual({ instruments: [made] });
  });
});
