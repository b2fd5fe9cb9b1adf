import { runs } from '@oat-crock/core/testing';
import fc from 'fast-check';
import request from 'supertest';
import type { EntryBody } from '@oat-crock/core';
import type { Express } from 'express';
import { ulid } from 'ulid';
import { hashOf } from '../access/secrets.js';
import { openKitchen, type Kitchen } from '../kitchen.js';
import { DEMO_TIME, entryOf, startOf, testKitchen } from '../testing/kitchen.js';

let app: Express;
let kitchen: Kitchen;
const API = '/api/v1';
const post = (entries: unknown) =>
  request(app)
    .post(`${API}/entries`)
    .send({ entries } as object);
const remedies = (response: request.Response) => response.body.errors as { field: string; remedy: string }[];

beforeEach(() => {
  ({ kitchen, app } = testKitchen());
});
afterEach(() => {
  kitchen.events.close();
  kitchen.db.close();
});

describe('POST /entries', () => {
  it('writes a batch and gives its lines back in order of arrival', async () => {
    const batch = ulid();
    const answer = await post([startOf(batch), entryOf(batch, { type: 'step', stageId: 'heat' })]);
    expect(answer.status).toBe(201);
    expect(answer.body.entries.map((e: { seq: number }) => e.seq)).toEqual([1, 2]);
    expect(kitchen.entries.ofBatch(batch).length).toBe(2);
  });

  it('is harmless when sent twice, and refuses an id with other content', async () => {
    const start = startOf(ulid());
    await post([start]);
    const again = await post([start]);
    expect(again.status).toBe(200);
    expect(kitchen.entries.since(0).length).toBe(1);
    const turned = { ...start, body: Object.fromEntries(Object.entries(start.body).reverse()) };
    expect((await post([turned])).status)
      .withContext('the same with its keys in another order')
      .toBe(200);
    const other = await post([{ ...start, body: { ...start.body, name: 'Another' } }]);
    expect(other.status).toBe(409);
    expect(other.headers['content-type']).toContain('application/problem+json');
  });

  it('writes all of what is sent together, or nothing', async () => {
    const batch = ulid();
    const answer = await post([startOf(batch), entryOf(batch, { type: 'step', stageId: 'levitate' })]);
    expect(answer.status).toBe(422);
    expect(remedies(answer)[0]!.field).toBe('entries.1.body.stageId');
    expect(kitchen.entries.since(0)).toEqual([]);
  });

  it('does not finish what is on hold, and lets go only what is held, with a name', async () => {
    const batch = ulid();
    const say = (body: EntryBody) => entryOf(batch, body);
    const finish = { type: 'finished', productG: 900, wheyG: null, heldBackG: null, score: null } as const;
    const release = { type: 'released', by: 'Tam', reason: 'Measured: pH 4.4.' } as const;
    await post([startOf(batch)]);
    expect((await post([say(release)])).status).toBe(422);
    await post([say({ type: 'held', by: 'Ine', reason: 'Smelled of yeast.' })]);
    const refused = await post([say(finish)]);
    expect(refused.status).toBe(422);
    expect(refused.body.errors[0].message).toContain('Smelled of yeast.');
    expect((await post([say({ ...release, by: '' })])).status).toBe(422);
    expect((await post([say(release)])).status).toBe(201);
    expect((await post([say({ ...finish, pots: 4, words: 'Sound.' })])).status).toBe(201);
  });

  it('finishes by what a probe has read as by what a hand has', async () => {
    const finish = { type: 'finished', productG: 900, wheyG: null, heldBackG: null, score: null } as const;
    /** A yogurt that nobody looked at, and that a probe may have read; what is said to its finish. */
    const finished = async (probed: boolean): Promise<request.Response> => {
      const batch = ulid();
      const startMs = Date.UTC(2026, 4, 2, 8);
      const at = (h: number, body: EntryBody, source = 'hand') => ({
        ...entryOf(batch, body, startMs + h * 3_600_000),
        source,
      });
      const stages = ['heat', 'cool', 'inoculate', 'incubate'];
      const steps = stages.map((stageId, i) => at(Math.min(i, 2), { type: 'step', stageId }));
      kitchen.entries.append([
        { ...startOf(batch), atMs: startMs },
        ...steps,
        ...(probed ? [at(7, { type: 'reading', quantity: 'ph', value: 4.4, by: 'meter' }, 'ph-probe')] : []),
      ]);
      return post([at(30, finish)]);
    };
    const refused = await finished(false);
    expect(refused.status).toBe(422);
    expect(refused.body.errors[0].message).toContain('held by the rules');
    expect((await finished(true)).status).toBe(201);
  });

  it('takes what is added by hand, and weights of what came out, within bounds', async () => {
    const batch = ulid();
    await post([startOf(batch)]);
    const added = (massG: number) => entryOf(batch, { type: 'added', what: 'acid', massG });
    expect((await post([added(41)])).status).toBe(201);
    expect((await post([added(0)])).status).toBe(422);
    const grains = entryOf(batch, { type: 'reading', quantity: 'grainsG', value: 61, by: 'scale' });
    expect((await post([grains])).status).toBe(201);
  });

  it('says so when the disk is full, tears nothing, and takes the same again once there is room', async () => {
    const batch = ulid();
    await post([startOf(batch)]);
    const pages = kitchen.db.pragma('page_count', { simple: true }) as number;
    kitchen.db.pragma(`max_page_count = ${pages}`);
    const long = Array.from({ length: 200 }, () => entryOf(batch, { type: 'note', text: 'x'.repeat(2000) }));
    const full = await post(long);
    expect(full.status).toBe(507);
    expect(full.body.detail).toContain('Nothing of this was written');
    expect(kitchen.entries.ofBatch(batch).length).toBe(1);
    expect(kitchen.db.pragma('integrity_check', { simple: true })).toBe('ok');
    kitchen.db.pragma('max_page_count = 1000000');
    expect((await post(long)).status).toBe(201);
  });

  it('refuses what does not fit the log, naming the field and the remedy', async () => {
    const batch = ulid();
    const started = startOf(batch);
    const note = entryOf(batch, { type: 'note', text: 'calm' });
    await post([started, note]);
    const cases: [unknown, string][] = [
      [entryOf(ulid(), { type: 'note', text: 'of no batch' }), 'entries.0.batchId'],
      [startOf(batch), 'entries.0.body.type'],
      [entryOf(batch, { type: 'correction', replaces: ulid(), body: null }), 'entries.0.body.replaces'],
      [entryOf(batch, { type: 'correction', replaces: started.id, body: null }), 'entries.0.body.replaces'],
      [
        entryOf(batch, { type: 'correction', replaces: note.id, body: { type: 'step', stageId: 'heat' } }),
        'entries.0.body.body.type',
      ],
      [entryOf(batch, { type: 'cue', cue: 'set', answer: 'sings' }), 'entries.0.body.answer'],
      [entryOf(batch, { type: 'cue', cue: 'aura', answer: 'blue' }), 'entries.0.body.cue'],
      [{ ...entryOf(batch, { type: 'note', text: 'x' }), source: 'thermometer-a' }, 'entries.0.source'],
      [entryOf(ulid(), { type: 'started', methodId: 'moonshine', choices: {}, name: 'x' }), 'entries.0.body.methodId'],
      [
        entryOf(ulid(), { type: 'started', methodId: 'strained-yogurt', choices: { heatC: 400 }, name: 'x' }),
        'entries.0.body.choices',
      ],
    ];
    for (const [entry, field] of cases) {
      const answer = await post([entry]);
      expect(answer.status).withContext(field).toBe(422);
      expect(remedies(answer)[0]!.field).toBe(field);
      expect(remedies(answer)[0]!.remedy.length).toBeGreaterThan(5);
    }
    expect(kitchen.entries.since(0).length).toBe(2);
  });

  it('refuses what would have been before the make, or is more than a day ahead, and takes what is at its edge', async () => {
    const batch = ulid();
    const started = startOf(batch);
    await post([started]);
    const dayMs = 86_400_000;
    const note = (atMs: number) => entryOf(batch, { type: 'note', text: 'x' }, atMs);
    const sent = async (atMs: number) => {
      const answer = await post([note(atMs)]);
      return answer.status === 201 ? 'taken' : remedies(answer)[0]!.field;
    };
    expect(await sent(started.atMs - 1)).toBe('entries.0.atMs');
    expect(await sent(started.atMs)).toBe('taken');
    expect(await sent(kitchen.clock.now() + dayMs + 60_000)).toBe('entries.0.atMs');
    expect(await sent(kitchen.clock.now() + dayMs - 60_000)).toBe('taken');
    const wrong = { type: 'correction', replaces: ulid(), body: null, atMs: kitchen.clock.now() + 2 * dayMs } as const;
    expect((await post([entryOf(batch, wrong)])).status).toBe(422);
  });

  it('takes only notes and corrections after the end', async () => {
    const batch = ulid();
    const end = entryOf(batch, { type: 'discarded', reason: 'gas' });
    await post([startOf(batch), end]);
    expect((await post([entryOf(batch, { type: 'step', stageId: 'heat' })])).status).toBe(422);
    expect((await post([entryOf(batch, { type: 'note', text: 'scalded all' })])).status).toBe(201);
    expect((await post([entryOf(batch, { type: 'correction', replaces: end.id, body: null })])).status).toBe(201);
    expect((await post([entryOf(batch, { type: 'step', stageId: 'heat' })])).status).toBe(201);
  });

  it('answers any JSON whatever with a problem and never with its insides', async () => {
    await fc.assert(
      fc.asyncProperty(fc.jsonValue(), async (json) => {
        const answer = await request(app)
          .post(`${API}/entries`)
          .set('content-type', 'application/json')
          .send(JSON.stringify(json));
        expect([400, 422]).toContain(answer.status);
        expect(answer.body.errors.length).toBeGreaterThan(0);
      }),
      { numRuns: runs(60) },
    );
    expect(kitchen.entries.since(0)).toEqual([]);
  });

  it('says so when it is not JSON', async () => {
    const answer = await request(app)
      .post(`${API}/entries`)
      .set('content-type', 'application/json')
      .send('{"entries": [');
    expect(answer.status).toBe(400);
    expect(remedies(answer)[0]!.remedy).toContain('JSON');
  });
});

describe('instruments', () => {
  const token = 'a-token-of-its-own';
  let batch: string;
  const readings = (values: number[], given = token) =>
    request(app)
      .post(`${API}/instruments/probe/readings`)
      .set('authorization', `Bearer ${given}`)
      .send({ readings: values.map((value, i) => ({ id: ulid(), atMs: Date.UTC(2026, 4, 2, 9, i), value })) });

  beforeEach(async () => {
    batch = ulid();
    await post([startOf(batch)]);
    kitchen.instruments.add({
      id: 'probe',
      name: 'pH',
      kind: 'ph-probe',
      simulated: true,
      tokenHash: hashOf(token),
      batchId: null,
    });
  });

  it('keep nothing while on the shelf, and write into the log of the crock they stand in', async () => {
    expect((await readings([5])).body.kept).toBe(0);
    await request(app).put(`${API}/instruments/probe/placement`).send({ batchId: batch }).expect(200);
    expect((await readings([5.2, 5.1])).body.kept).toBe(2);
    const last = kitchen.entries.ofBatch(batch).at(-1)!;
    expect(last.source).toBe('probe');
    expect(last.body).toEqual({ type: 'reading', quantity: 'ph', value: 5.1, by: 'meter' });
  });

  it('need their own token and a real crock', async () => {
    expect((await readings([5], 'stolen')).status).toBe(401);
    const nowhere = await request(app).put(`${API}/instruments/probe/placement`).send({ batchId: ulid() });
    expect(nowhere.status).toBe(422);
    await request(app).put(`${API}/instruments/none/placement`).send({ batchId: null }).expect(404);
  });

  it('never show their token', async () => {
    const answer = await request(app).get(`${API}/snapshot`);
    for (const secret of [token, hashOf(token)]) expect(JSON.stringify(answer.body)).not.toContain(secret);
    expect(answer.body.instruments.length).toBe(1);
  });
});

describe('a page that comes back', () => {
  it('is told only what it has not seen', async () => {
    const batch = ulid();
    await post([startOf(batch), ...['a', 'b'].map((text) => entryOf(batch, { type: 'note', text }))]);
    const all = (await request(app).get(`${API}/snapshot`)).body.entries as { seq: number }[];
    expect(all.length).toBe(3);
    const seen = all[all.length - 2]!.seq;
    const news = (await request(app).get(`${API}/snapshot?after=${seen}`)).body.entries;
    expect(news).toEqual(all.slice(-1));
  });

  it('has to name a place in the log that can be', async () => {
    const refused = await request(app).get(`${API}/snapshot?after=soon`);
    expect(refused.status).toBe(422);
    expect(remedies(refused)[0]!.field).toBe('after');
  });
});

describe('the household', () => {
  it('edits settings over the version that was read, and tells the later of two', async () => {
    const read = await request(app).get(`${API}/settings`);
    const save = (etag: string, roomC: number) =>
      request(app)
        .put(`${API}/settings`)
        .set('if-match', etag)
        .send({ ...read.body, roomC });
    expect((await save(read.headers['etag']!, 18)).body.roomC).toBe(18);
    const late = await save(read.headers['etag']!, 25);
    expect(late.status).toBe(412);
    expect(late.body.current).toEqual({ version: 1, settings: { ...read.body, roomC: 18 } });
    expect((await request(app).put(`${API}/settings`).send(read.body)).status).toBe(428);
    expect((await save('"1"', 400)).status).toBe(422);
  });

  it('is filled up with metric units and the usual hours where an older page does not say them, and refuses others', async () => {
    const read = await request(app).get(`${API}/settings`);
    const { temperatureIn, massIn, volumeIn, datesIn, worksFromH, worksToH, worksDays, ...older } = read.body;
    const put = (settings: object) =>
      request(app).put(`${API}/settings`).set('if-match', read.headers['etag']!).send(settings);
    const refused = await put({ ...older, temperatureIn: 'K', worksDays: [7] });
    expect(refused.status).toBe(422);
    expect(refused.body.errors.map((e: { field: string }) => e.field)).toEqual(['worksDays.0', 'temperatureIn']);
    expect((await put(older)).body).toEqual({
      ...older,
      ...{ temperatureIn, massIn, volumeIn, datesIn, worksFromH, worksToH, worksDays },
    });
    expect([temperatureIn, massIn, volumeIn, datesIn, worksFromH, worksToH]).toEqual([
      'C',
      'g',
      'metric',
      'en-GB',
      6,
      22,
    ]);
  });

  it('has a real clock that nobody can hurry', async () => {
    expect((await request(app).get(`${API}/clock`)).body.adjustable).toBeFalse();
    expect((await request(app).put(`${API}/clock`).send({ rate: 60 })).status).toBe(409);
    expect((await request(app).put(`${API}/clock`).send({ rate: 7 })).status).toBe(422);
    expect((await request(app).put(`${API}/clock`).send({})).status).toBe(422);
  });

  it('of the demonstration jumps ahead, never back, and no line of a day to come moves it', async () => {
    const demo = testKitchen(true);
    const put = (change: object) => request(demo.app).put(`${API}/clock`).send(change);
    const before = demo.kitchen.clock.now();
    expect((await put({ kitchenMs: before + 3_600_000 })).status).toBe(200);
    expect(demo.kitchen.clock.now()).toBeGreaterThanOrEqual(before + 3_600_000);
    const back = await put({ kitchenMs: before });
    expect([back.status, remedies(back)[0]!.field]).toEqual([422, 'kitchenMs']);
    const year = 365 * 86_400_000;
    demo.kitchen.entries.append([{ ...startOf(ulid()), atMs: before + year }]);
    demo.kitchen.clock.keep();
    const again = openKitchen(demo.kitchen.db, demo.kitchen.log, DEMO_TIME);
    expect(again.clock.now()).toBeLessThan(before + year / 2);
    for (const { events } of [again, demo.kitchen]) events.close();
    demo.kitchen.db.close();
  });
});

describe('the rest of the interface', () => {
  it('is described by an OpenAPI document that knows every address it answers', async () => {
    const { body } = await request(app).get(`${API}/openapi.json`);
    expect(body.openapi).toMatch(/^3\./);
    expect(Object.keys(body.paths)).toContain('/instruments/{id}/readings');
    expect(JSON.stringify(body.paths['/entries'].post.requestBody)).toContain('batchId');
    expect(body.paths['/snapshot'].get.parameters[0]).toEqual(
      jasmine.objectContaining({ name: 'after', in: 'query', required: false }),
    );
  });

  it('answers 404 in words for what it does not know, under a strict policy', async () => {
    const answer = await request(app).get(`${API}/nowhere`);
    expect(answer.status).toBe(404);
    expect(answer.body.detail).toContain('/nowhere');
    expect(answer.headers['content-security-policy']).toContain("default-src 'none'");
    expect((await request(app).get(`${API}/batches/${ulid()}`)).status).toBe(404);
    expect((await request(app).get(`${API}/health`)).body.ok).toBeTrue();
  });
});
