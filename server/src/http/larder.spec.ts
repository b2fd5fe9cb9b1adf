import { methodById, type Lot } from '@oat-crock/core';
import request from 'supertest';
import type { Express } from 'express';
import { ulid } from 'ulid';
import type { Kitchen } from '../kitchen.js';
import { entryOf, startOf, testKitchen } from '../testing/kitchen.js';

let app: Express;
let kitchen: Kitchen;
const API = '/api/v1';

beforeEach(() => {
  ({ kitchen, app } = testKitchen());
});
afterEach(() => {
  kitchen.events.close();
  kitchen.db.close();
});

const milk = (id = ulid()): Lot => ({
  id,
  kind: 'milk',
  name: 'Evening milk',
  amount: 12_000,
  countedMs: Date.UTC(2026, 4, 1),
  pack: null,
  price: 1.4,
  useBy: '2026-05-05',
  note: '',
  material: { fatPct: 4.1, proteinPct: 3.4, lactosePct: 4.7, mineralsPct: 0.72 },
  treatment: 'raw',
  species: 'cow',
  homogenised: false,
  stabilised: false,
  freshPh: null,
  allergen: null,
});
const pot = (id = ulid()) => ({ id, kind: 'pot', name: 'Pot', holdsL: 12, count: 1, learned: {}, note: '' });
const make = (family: string, item: { id: string }) =>
  request(app).put(`${API}/${family}/${item.id}`).set('if-none-match', '*').send(item);
const change = (family: string, item: { id: string }, version: number) =>
  request(app).put(`${API}/${family}/${item.id}`).set('if-match', `"${version}"`).send(item);
const takeAway = (family: string, id: string, version: number) =>
  request(app).delete(`${API}/${family}/${id}`).set('if-match', `"${version}"`);
const fields = (answer: request.Response) => (answer.body.errors as { field: string }[]).map((e) => e.field);

describe('lots and gear', () => {
  it('are made, read with the snapshot, changed over the version read', async () => {
    const lot = milk();
    const made = await make('lots', lot);
    expect([made.status, made.headers['etag']]).toEqual([201, '"1"']);
    await make('gear', pot());
    const { larder } = (await request(app).get(`${API}/snapshot`)).body;
    expect(larder.lots).toEqual([{ version: 1, goneMs: null, item: lot }]);
    expect(larder.gear.length).toBe(1);
    const changed = await change('lots', { ...lot, amount: 9000 } as Lot, 1);
    expect([changed.status, changed.body.version, changed.body.item.amount]).toEqual([200, 2, 9000]);
    expect((await request(app).get(`${API}/larder`)).body.lots[0].item.amount).toBe(9000);
  });

  it('show the later of two editors what stands there, and write nothing of theirs', async () => {
    const lot = milk();
    await make('lots', lot);
    await change('lots', { ...lot, name: 'First' }, 1);
    const late = await change('lots', { ...lot, name: 'Second' }, 1);
    expect(late.status).toBe(412);
    expect(late.body.current).toEqual({ version: 2, goneMs: null, item: { ...lot, name: 'First' } });
    expect(kitchen.lots.get(lot.id)!.item.name).toBe('First');
    expect((await make('lots', lot)).status).toBe(412);
  });

  it('are taken away and brought back, never lost', async () => {
    const lot = milk();
    await make('lots', lot);
    const gone = await takeAway('lots', lot.id, 1);
    expect(gone.status).toBe(200);
    expect(gone.body.goneMs).toBeGreaterThan(0);
    expect(kitchen.lots.get(lot.id)!.item).toEqual(lot);
    const back = await change('lots', lot, 2);
    expect([back.body.version, back.body.goneMs]).toEqual([3, null]);
    expect((await takeAway('lots', lot.id, 1)).status).toBe(412);
    expect((await takeAway('lots', ulid(), 1)).status).toBe(404);
  });

  it('demand the version that is edited', async () => {
    const lot = milk();
    const answer = await request(app).put(`${API}/lots/${lot.id}`).send(lot);
    expect([answer.status, answer.body.detail.includes('If-None-Match')]).toEqual([428, true]);
  });

  it('refuse what cannot be, naming the field', async () => {
    const lot = milk();
    expect(fields(await make('lots', { ...lot, amount: -1 } as Lot))).toEqual(['amount']);
    expect(fields(await make('lots', { ...lot, useBy: 'soon' } as Lot))).toContain('useBy');
    expect(fields(await make('lots', { ...lot, kind: 'gold' } as unknown as Lot))).toEqual(['kind']);
    expect(fields(await make('lots', { ...lot, strengthPct: 5 } as unknown as Lot))).toEqual(['strengthPct']);
    const fat = { fatPct: 60, proteinPct: 30, lactosePct: 20, mineralsPct: 1 };
    const tooMuch = await make('lots', { ...lot, material: fat } as Lot);
    expect(fields(tooMuch)).toEqual(['material']);
    expect(tooMuch.body.detail).toContain('come to 111 % of it');
    expect(fields(await make('gear', { ...pot(), holdsL: null } as never))).toEqual(['holdsL']);
    expect(fields(await make('gear', { ...pot(), kind: 'hob' } as never))).toEqual(['holdsL']);
    const other = await request(app).put(`${API}/lots/${ulid()}`).set('if-none-match', '*').send(lot);
    expect(fields(other)).toEqual(['id']);
  });

  it('are told to every open page', async () => {
    const told: unknown[] = [];
    spyOn(kitchen.events, 'tell').and.callFake((event) => void told.push(event));
    const lot = milk();
    await make('lots', lot);
    expect(told).toEqual([{ type: 'larder', larder: { lots: [{ version: 1, goneMs: null, item: lot }] } }]);
  });
});

describe('methods of one’s own', () => {
  const own = (change: object = {}) => ({ ...methodById('scalded-yogurt'), id: ulid(), name: 'Ours', ...change });
  const begin = (method: { id: string }, more: object = {}) =>
    entryOf(ulid(), { type: 'started', methodId: method.id, choices: {}, name: 'Pot', method, ...more } as never);
  const send = (entry: unknown) =>
    request(app)
      .post(`${API}/entries`)
      .send({ entries: [entry] });

  it('are kept where they are sound, and told what is wrong where they are not', async () => {
    const method = own();
    expect((await make('methods', method)).status).toBe(201);
    expect((await request(app).get(`${API}/larder`)).body.methods[0].item).toEqual(method);
    const house = await make('methods', methodById('quark'));
    expect(fields(house)).toEqual(['id']);
    const empty = await make('methods', own({ stages: [{ id: 'a', kind: 'rest', params: {} }] }));
    expect([empty.status, fields(empty)]).toEqual([422, ['stages.0']]);
    expect(fields(await make('methods', own({ stages: [{ id: 'a', kind: 'levitate', params: {} }] })))).toEqual([
      'stages.0.kind',
    ]);
    expect(fields(await make('methods', own({ groups: 'none' })))).toEqual(['groups']);
  });

  it('are begun as they were, and outlive their being taken away', async () => {
    const method = own();
    await make('methods', method);
    const started = begin(method);
    expect((await send(started)).status).toBe(201);
    await takeAway('methods', method.id, 1);
    const step = entryOf(started.batchId, { type: 'step', stageId: 'heat' });
    expect((await send(step)).status).toBe(201);
    expect(fields(await send(entryOf(started.batchId, { type: 'step', stageId: 'churn' })))).toEqual([
      'entries.0.body.stageId',
    ]);
  });

  it('are not begun where they are unsound, or other than they say', async () => {
    expect(fields(await send(begin(own({ stages: [{ id: 'a', kind: 'rest', params: {} }] }))))).toEqual([
      'entries.0.body.method.stages.0',
    ]);
    expect(fields(await send(begin(own(), { methodId: 'another' })))).toEqual(['entries.0.body.method.id']);
    expect(fields(await send(begin(own(), { choices: { heatC: 400 } })))).toEqual(['entries.0.body.choices']);
  });

  it('have a form that is published, as all of this is in the description of the interface', async () => {
    const form = (await request(app).get(`${API}/method.schema.json`)).body;
    expect(form.required).toEqual(['oatCrock', 'version', 'method']);
    expect(Object.keys(form.properties.method.properties)).toContain('stages');
    const { paths } = (await request(app).get(`${API}/openapi.json`)).body;
    for (const family of ['lots', 'gear', 'methods', 'orders', 'planned-batches', 'supplies']) {
      expect(Object.keys(paths[`/${family}/{id}`])).toEqual(['put', 'delete']);
    }
  });
});

describe('what is wanted', () => {
  const order = (more: object = {}) => ({
    id: ulid(),
    whom: 'Quay stall',
    methodId: 'strained-yogurt',
    choices: {},
    productG: 2000,
    due: { is: 'weekly', day: 6, atH: 7, fromMs: 1_777_708_800_000 },
    note: '',
    ...more,
  });

  it('is kept over versions like all of the larder, and comes with it', async () => {
    const wanted = order();
    expect((await make('orders', wanted)).status).toBe(201);
    const { orders } = (await request(app).get(`${API}/larder`)).body;
    expect(orders.map((o: { item: { id: string } }) => o.item.id)).toContain(wanted.id);
  });

  it('of a method that is not there, decided as it cannot be, or at no hour, is refused by the field', async () => {
    expect(fields(await make('orders', order({ methodId: 'soup' })))).toEqual(['methodId']);
    expect(fields(await make('orders', order({ choices: { fatPct: 900 } })))).toEqual(['choices']);
    expect(
      fields(await make('orders', order({ due: { is: 'weekly', day: 6, atH: 25, fromMs: 1_777_708_800_000 } }))),
    ).toEqual(['due.atH']);
    expect(fields(await make('orders', order({ due: { is: 'never' } })))).toEqual(['due.is']);
  });
});

describe('milk that is brought', () => {
  const supply = (more: object = {}) => ({
    ...{ id: ulid(), kind: 'milk', name: 'Near meadow', massG: 14_000, keepsDays: 3, note: '' },
    ...{ fatPct: 4, proteinPct: 3.4, treatment: 'raw', price: 1.55 },
    comes: { is: 'weekly', days: [1, 4], atH: 7, fromMs: 1_777_708_800_000 },
    ...more,
  });

  it('is kept over versions, comes with the larder, and is taken away', async () => {
    const brought = supply();
    expect((await make('supplies', brought)).status).toBe(201);
    const ids = async () => {
      const { supplies } = (await request(app).get(`${API}/larder`)).body;
      return supplies
        .filter((s: { goneMs: number | null }) => s.goneMs === null)
        .map((s: { item: { id: string } }) => s.item.id);
    };
    expect(await ids()).toContain(brought.id);
    await request(app).delete(`${API}/supplies/${brought.id}`).set('if-match', '"1"').expect(200);
    expect(await ids()).not.toContain(brought.id);
  });

  it('that comes on no day, keeps no day, or is of another kind, is refused by the field', async () => {
    const weekly = (more: object) =>
      supply({ comes: { is: 'weekly', days: [1], atH: 7, fromMs: 1_777_708_800_000, ...more } });
    expect(fields(await make('supplies', weekly({ days: [] })))).toEqual(['comes.days']);
    expect(fields(await make('supplies', weekly({ days: [1, 7] })))).toEqual(['comes.days.1']);
    expect(fields(await make('supplies', supply({ keepsDays: 0 })))).toEqual(['keepsDays']);
    expect(fields(await make('supplies', supply({ kind: 'powder' })))).toEqual(['kind']);
  });
});

describe('what a make takes out of a lot', () => {
  const send = (...entries: unknown[]) => request(app).post(`${API}/entries`).send({ entries });

  it('stands in its log, and is traced back from the lot', async () => {
    const lot = milk();
    await make('lots', lot);
    const batch = ulid();
    const took = entryOf(batch, { type: 'took', lotId: lot.id, massG: 4000 });
    expect((await send(startOf(batch), took)).status).toBe(201);
    const { uses } = (await request(app).get(`${API}/lots/${lot.id}/uses`)).body;
    expect(uses.map((u: { batchId: string }) => u.batchId)).toEqual([batch]);
    expect((await request(app).get(`${API}/lots/${ulid()}/uses`)).status).toBe(404);
  });

  it('is refused of a lot that never was', async () => {
    const batch = ulid();
    const answer = await send(startOf(batch), entryOf(batch, { type: 'took', lotId: ulid(), massG: 100 }));
    expect(fields(answer)).toEqual(['entries.1.body.lotId']);
  });

  it('lets a make choose a lot as it was then, of the kind that was asked for', async () => {
    const lot = milk();
    const name = `lot:${lot.id}`;
    const stock = { ...(lot as { material: object }).material, id: name, kind: 'milk', name: lot.name };
    const begin = (more: object) =>
      entryOf(ulid(), {
        type: 'started',
        methodId: 'strained-yogurt',
        choices: { milk: name },
        name: 'Pot',
        stocks: [{ ...stock, treatment: 'raw', pricePerKg: 1.4, ...more }],
      } as never);
    expect((await send(begin({}))).status).toBe(201);
    expect(fields(await send(begin({ kind: 'cream' })))).toEqual(['entries.0.body.choices']);
    expect(fields(await send(begin({ id: `lot:${ulid()}` })))).toEqual(['entries.0.body.choices']);
    expect(fields(await send(begin({ fatPct: 200 })))).toEqual(['entries.0.body.stocks.0.fatPct']);
  });
});
