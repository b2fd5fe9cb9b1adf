import request from 'supertest';
import type { Express } from 'express';
import { ulid } from 'ulid';
import type { Kitchen } from '../kitchen.js';
import { startOf, testKitchen } from '../testing/kitchen.js';

const API = '/api/v1';
const PNG = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');
let app: Express;
let kitchen: Kitchen;
let batch: string;

beforeEach(() => {
  ({ kitchen, app } = testKitchen());
  batch = ulid();
  kitchen.entries.append([startOf(batch)]);
});
afterEach(() => {
  kitchen.events.close();
  kitchen.db.close();
});

const put = (id: string, bytes: Buffer, of = batch) =>
  request(app).put(`${API}/batches/${of}/photos/${id}`).set('content-type', 'image/png').send(bytes);

describe('pictures of a make', () => {
  it('are kept with it, once each, and given back as they are', async () => {
    const id = ulid();
    expect((await put(id, PNG)).status).toBe(201);
    expect((await put(id, PNG)).status).toBe(200);
    const got = await request(app).get(`${API}/photos/${id}`).buffer(true);
    expect(got.headers['content-type']).toBe('image/png');
    expect(Buffer.from(got.body as Buffer).equals(PNG)).toBeTrue();
  });

  it('are known by their bytes, not by what they are called', async () => {
    const page = await put(ulid(), Buffer.from('<svg onload="alert(1)"/>'));
    expect(page.status).toBe(422);
    expect(page.body.errors[0].remedy).toBe('Send a JPEG, PNG or WebP.');
    expect((await put(ulid(), Buffer.alloc(0))).status).toBe(422);
  });

  it('are no larger than two megabytes, of a make that is there, under an id of their own', async () => {
    expect((await put(ulid(), Buffer.concat([PNG, Buffer.alloc(2_200_000)]))).status).toBe(413);
    expect((await put(ulid(), PNG, ulid())).status).toBe(404);
    expect((await put('mine', PNG)).status).toBe(422);
    expect((await request(app).get(`${API}/photos/${ulid()}`)).status).toBe(404);
  });
});
