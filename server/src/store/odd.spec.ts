import { FAMILY_PATHS, type OddRecord, type ServerEvent, type Snapshot } from '@oat-crock/contract';
import type { Express } from 'express';
import request from 'supertest';
import { fillDemo } from '../demo/seed.js';
import type { Kitchen } from '../kitchen.js';
import { HOSTILE, putHostile } from '../testing/hostile.js';
import { testKitchen } from '../testing/kitchen.js';

const API = '/api/v1';
let kitchen: Kitchen;
let app: Express;
beforeEach(async () => {
  ({ kitchen, app } = testKitchen(true));
  await fillDemo(kitchen, false);
});
afterEach(() => {
  kitchen.events.close();
  kitchen.db.close();
});

describe('records that stand as they would not be written today', () => {
  it('are left out of everything that is asked, and told by name; what is sound is there as before', async () => {
    const read = async () => (await request(app).get(`${API}/snapshot`)).body as Snapshot;
    const before = await read();
    expect(before.odd).toEqual([]);
    const put = putHostile(kitchen);
    const after = await read();
    // A change that its family knows nothing of may leave a record sound: those are few, and as they are.
    expect(after.odd.length).toBeGreaterThan(put * 0.9);
    for (const family of Object.keys(FAMILY_PATHS) as (keyof typeof FAMILY_PATHS)[]) {
      const there = after.larder[family].map(({ item }) => item.id);
      expect(there.filter((id) => !id.startsWith(HOSTILE))).toEqual(before.larder[family].map(({ item }) => item.id));
      expect(there.filter((id) => after.odd.some((odd) => odd.id === id))).toEqual([]);
    }
    expect(after.odd.map((odd) => odd.name)).toContain('no such day');
    for (const path of [
      '/plan.ics',
      '/plan.csv',
      '/plan.json',
      '/larder',
      '/cultures',
      '/makes',
      '/archive',
      '/tables/makes.csv',
    ])
      expect((await request(app).get(`${API}${path}`)).status)
        .withContext(path)
        .toBe(200);
  });

  it('are taken away one by one, and no page is told of what they say', async () => {
    putHostile(kitchen);
    const told: ServerEvent[] = [];
    kitchen.events.hear((event) => told.push(event));
    const away = ({ family, id, version }: OddRecord) =>
      request(app).delete(`${API}/${FAMILY_PATHS[family]}/${id}`).set('if-match', `"${version}"`);
    for (const odd of kitchen.odd())
      expect((await away(odd)).status)
        .withContext(`${odd.family} ${odd.id}`)
        .toBe(200);
    expect(kitchen.odd()).toEqual([]);
    expect(new Set(told.map((event) => event.type))).toEqual(new Set(['renewed']));
  });

  it('may be written anew over the version that stands there', async () => {
    putHostile(kitchen);
    const [sound] = kitchen.gear.all();
    const odd = kitchen.odd().find(({ family }) => family === 'gear')!;
    const answer = await request(app)
      .put(`${API}/gear/${odd.id}`)
      .set('if-match', '"1"')
      .send({ ...sound!.item, id: odd.id });
    expect(answer.status).toBe(200);
    expect(kitchen.odd().some(({ id }) => id === odd.id)).toBe(false);
    expect(kitchen.gear.all().some(({ item }) => item.id === odd.id)).toBe(true);
  });
});
