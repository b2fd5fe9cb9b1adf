import type { EntryBody } from '@oat-crock/core';
import type { Express } from 'express';
import request from 'supertest';
import { ulid } from 'ulid';
import type { Kitchen } from '../kitchen.js';
import { entryOf, startOf, testKitchen } from '../testing/kitchen.js';

let app: Express;
let kitchen: Kitchen;
const post = (entries: unknown) =>
  request(app)
    .post('/api/v1/entries')
    .send({ entries } as object);

beforeEach(() => {
  ({ kitchen, app } = testKitchen());
});
afterEach(() => {
  kitchen.events.close();
  kitchen.db.close();
});

describe('what goes out of a finished make', () => {
  it('lets no more out than was made, nothing of what is held, and counts what was made no lower than went out', async () => {
    const batch = ulid();
    const say = (body: EntryBody) => entryOf(batch, body);
    const status = async (body: EntryBody) => (await post([say(body)])).status;
    const sold = (pots: number): EntryBody => ({ type: 'issued', how: 'sold', pots, to: 'The quay' });
    const finish = { type: 'finished', productG: 900, wheyG: null, heldBackG: null, score: null, pots: 4 } as const;
    const end = say(finish);
    await post([startOf(batch)]);
    expect(await status(sold(1))).toBe(422);
    expect((await post([end])).status).toBe(201);
    expect(await status({ type: 'placed', place: 'lower shelf' })).toBe(201);
    expect(await status({ type: 'complaint', fault: 'thin' })).toBe(201);
    expect(await status({ type: 'step', stageId: 'strain' })).toBe(422);
    expect(await status(sold(3))).toBe(201);
    const refused = await post([say(sold(2))]);
    expect(refused.status).toBe(422);
    expect(refused.body.errors[0]).toEqual(
      jasmine.objectContaining({ field: 'entries.0.body.pots', message: 'Only 1 pot left of it.' }),
    );
    // Two pages that each sell the last pot at once: one of them is told.
    const both = await Promise.all([status(sold(1)), status(sold(1))]);
    expect(both.sort()).toEqual([201, 422]);
    expect(await status({ type: 'correction', replaces: end.id, body: { ...finish, pots: 3 } })).toBe(422);
    expect(await status({ type: 'correction', replaces: end.id, body: { ...finish, pots: 6 } })).toBe(201);
    expect(await status({ type: 'held', by: 'Ine', reason: 'The milk was turning.' })).toBe(201);
    expect(await status(sold(1))).toBe(422);
    expect(await status({ type: 'issued', how: 'thrown', pots: 1, why: 'held' })).toBe(201);
    expect(await status({ type: 'released', by: 'Ine', reason: 'Another milk.' })).toBe(201);
    expect(await status(sold(1))).toBe(201);
  });
});
