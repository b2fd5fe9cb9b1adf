import {
  afterSchema,
  check,
  clockRateSchema,
  entriesSchema,
  instrumentReadingsSchema,
  InputRefused,
  placementSchema,
  problem,
  readingValueSchema,
  settingsSchema,
  type InstrumentReading,
} from '@oat-crock/contract';
import type { Entry } from '@oat-crock/core';
import { Router, type Request } from 'express';
import { timingSafeEqual } from 'node:crypto';
import { publicInstrument, type KeptInstrument } from '../store/instruments.js';
import type { Kitchen } from '../kitchen.js';
import { admitEntries } from './admit.js';
import { HttpProblem, notFound } from './errors.js';
import { larderRoutes } from './larder-routes.js';
import { openApiDocument } from './openapi.js';

/** The public interface under /api/v1. */
export function apiRoutes(kitchen: Kitchen): Router {
  const { entries, instruments, household, clock, events } = kitchen;
  const router = Router();
  const shown = () => instruments.all().map(publicInstrument);

  router.get('/health', (_request, response) => {
    response.json({ ok: true, nowMs: clock.now() });
  });

  router.get('/snapshot', (request, response) => {
    const { after } = check(afterSchema, request.query);
    response.json({
      clock: clock.reading(),
      entries: entries.since(after),
      instruments: shown(),
      household: household.settings(),
      larder: kitchen.larder(),
    });
  });

  router.get('/events', (request, response) => events.join(request, response));

  router.post('/entries', (request, response) => {
    const sent = check(entriesSchema, request.body).entries;
    sent.forEach((entry, i) => {
      if (entry.source !== 'hand') {
        throw new InputRefused([
          {
            field: `entries.${i}.source`,
            message: 'Only hands write here.',
            remedy: 'Give "hand"; instruments have their own address.',
          },
        ]);
      }
    });
    admitEntries(sent, entries.ofBatch, (id) => kitchen.lots.get(id) !== null);
    const { all, fresh } = entries.append(sent);
    if (fresh.length > 0) events.tell({ type: 'entries', entries: fresh });
    response.status(fresh.length > 0 ? 201 : 200).json({ entries: all });
  });

  router.get('/batches/:id', (request, response) => {
    const found = entries.ofBatch(request.params.id);
    if (found.length === 0) throw notFound('batch of this id');
    response.json({ batchId: request.params.id, entries: found });
  });

  router.get('/instruments', (_request, response) => {
    response.json({ instruments: shown() });
  });

  router.put('/instruments/:id/placement', (request, response) => {
    const instrument = instrumentOf(request);
    const { batchId } = check(placementSchema, request.body);
    if (batchId !== null && entries.ofBatch(batchId).length === 0) {
      throw new InputRefused([
        { field: 'batchId', message: 'There is no such batch.', remedy: 'Give the id of a live batch, or null.' },
      ]);
    }
    instruments.place(instrument.id, batchId);
    events.tell({ type: 'instruments', instruments: shown() });
    response.json(publicInstrument(instruments.get(instrument.id)!));
  });

  router.post('/instruments/:id/readings', (request, response) => {
    const instrument = instrumentOf(request);
    demandToken(request, instrument);
    const { readings } = check(instrumentReadingsSchema, request.body);
    readings.forEach((reading, i) => checkValue(instrument, reading, i));
    if (instrument.batchId === null) {
      response.status(202).json({ kept: 0, why: 'It stands in no crock.' });
      return;
    }
    const { fresh } = entries.append(readings.map((reading) => entryOf(instrument, instrument.batchId!, reading)));
    if (fresh.length > 0) events.tell({ type: 'entries', entries: fresh });
    response.status(201).json({ kept: fresh.length });
  });

  router.get('/clock', (_request, response) => {
    response.json(clock.reading());
  });

  router.put('/clock', (request, response) => {
    const { rate } = check(clockRateSchema, request.body);
    if (!clock.reading().adjustable) {
      throw new HttpProblem(
        problem(409, 'This clock is the real one', 'Only the demonstration’s clock can run faster.'),
      );
    }
    const reading = clock.setRate(rate);
    events.tell({ type: 'clock', clock: reading });
    response.json(reading);
  });

  router.get('/settings', (_request, response) => {
    const { version, settings } = household.settings();
    response.set('etag', `"${version}"`).json(settings);
  });

  router.put('/settings', (request, response) => {
    const over = Number(/^"(\d+)"$/.exec(request.get('if-match') ?? '')?.[1] ?? Number.NaN);
    if (Number.isNaN(over)) {
      throw new HttpProblem(problem(428, 'Which version is this over?', 'Send If-Match with the ETag you read.'));
    }
    const saved = household.saveSettings(check(settingsSchema, request.body), over);
    if (!saved) {
      throw new HttpProblem(
        problem(412, 'Somebody else has changed this', 'Read the settings again and make your change on those.'),
      );
    }
    events.tell({ type: 'settings', ...saved });
    response.set('etag', `"${saved.version}"`).json(saved.settings);
  });

  router.use(larderRoutes(kitchen));

  router.get('/openapi.json', (_request, response) => {
    response.json(openApiDocument());
  });

  router.use((request) => {
    throw notFound(`address ${request.method} ${request.originalUrl}`);
  });

  return router;

  function instrumentOf(request: Request): KeptInstrument {
    const found = instruments.get(String(request.params['id']));
    if (!found) throw notFound('instrument of this id');
    return found;
  }
}

function demandToken(request: Request, instrument: KeptInstrument): void {
  const given = Buffer.from(/^Bearer (.+)$/.exec(request.get('authorization') ?? '')?.[1] ?? '');
  const wanted = Buffer.from(instrument.token);
  if (given.length === wanted.length && timingSafeEqual(given, wanted)) return;
  throw new HttpProblem(
    problem(401, 'Not this instrument', 'Send "Authorization: Bearer" with the instrument’s token.'),
  );
}

function checkValue(instrument: KeptInstrument, reading: InstrumentReading, i: number): void {
  try {
    check(readingValueSchema(instrument.quantity), reading.value);
  } catch (error) {
    if (!(error instanceof InputRefused)) throw error;
    throw new InputRefused(error.errors.map((e) => ({ ...e, field: `readings.${i}.value` })));
  }
}

const BY = { tempC: 'thermometer', ph: 'meter', wheyG: 'scale' } as const;

function entryOf(instrument: KeptInstrument, batchId: string, reading: InstrumentReading): Entry {
  const { quantity } = instrument;
  return {
    id: reading.id,
    batchId,
    atMs: reading.atMs,
    source: instrument.id,
    body: { type: 'reading', quantity, value: reading.value, by: BY[quantity] },
  };
}
