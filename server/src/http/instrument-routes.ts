import {
  check,
  faultSchema,
  InputRefused,
  instrumentReadingsSchema,
  placementSchema,
  problem,
  type Instrument,
} from '@oat-crock/contract';
import { isOfRoom, say } from '@oat-crock/core';
import { Router, text, type Request } from 'express';
import { timingSafeEqual } from 'node:crypto';
import type { Kitchen } from '../kitchen.js';
import { publicInstrument, type KeptInstrument } from '../store/instruments.js';
import { readingsFromCsv } from './csv-readings.js';
import { HttpProblem, notFound } from './errors.js';
import { takeReadings } from './take-readings.js';

/** Instruments: where they stand, what they read, and what a simulated one is told to do wrong. */
export function instrumentRoutes(kitchen: Kitchen): Router {
  const { entries, instruments, clock, events } = kitchen;
  const router = Router();
  const shown = () => instruments.all().map(publicInstrument);

  router.get('/instruments', (_request, response) => {
    response.json({ instruments: shown() });
  });

  router.put('/instruments/:id/placement', (request, response) => {
    const instrument = instrumentOf(request);
    const { batchId } = check(placementSchema, request.body);
    if (batchId !== null && isOfRoom(instrument.quantity)) {
      throw new InputRefused([
        {
          field: 'batchId',
          message: say('server.http.instrumentRoutes.readsRoomNotCrock'),
          remedy: say('server.http.instrumentRoutes.leaveWhereHangsGive'),
        },
      ]);
    }
    if (batchId !== null && !entries.has(batchId)) {
      throw new InputRefused([
        {
          field: 'batchId',
          message: say('server.http.instrumentRoutes.thereNoSuchBatch'),
          remedy: say('server.http.instrumentRoutes.giveIdLiveBatch'),
        },
      ]);
    }
    instruments.place(instrument.id, batchId);
    response.json(tell(instrument.id));
  });

  router.put('/instruments/:id/fault', (request, response) => {
    const instrument = simulated(request);
    instruments.giveFault(instrument.id, check(faultSchema, request.body).fault, clock.now());
    response.json(tell(instrument.id));
  });

  router.post('/instruments/:id/calibration', (request, response) => {
    const instrument = simulated(request);
    instruments.calibrate(instrument.id, clock.now());
    response.json(tell(instrument.id));
  });

  router.post('/instruments/:id/readings', text({ type: 'text/csv', limit: '1mb' }), (request, response) => {
    const instrument = instrumentOf(request);
    demandToken(request, instrument);
    const readings = request.is('text/csv')
      ? readingsFromCsv(String(request.body))
      : check(instrumentReadingsSchema, request.body).readings;
    const { fresh, ...taken } = takeReadings(kitchen, instrument, readings);
    if (fresh.entries.length > 0) events.tell({ type: 'entries', entries: fresh.entries });
    if (fresh.room.length > 0) events.tell({ type: 'room', readings: fresh.room });
    tell(instrument.id);
    if (instrument.batchId === null && !isOfRoom(instrument.quantity))
      response.status(202).json({ ...taken, why: 'It stands in no crock.' });
    else response.status(201).json(taken);
  });

  return router;

  /** Tells every page how the instruments are, and gives this one back. */
  function tell(id: string): Instrument {
    events.tell({ type: 'instruments', instruments: shown() });
    return publicInstrument(instruments.get(id)!);
  }

  function instrumentOf(request: Request): KeptInstrument {
    const found = instruments.get(String(request.params['id']));
    if (!found) throw notFound(say('server.http.instrumentRoutes.instrumentId'));
    return found;
  }

  function simulated(request: Request): KeptInstrument {
    const instrument = instrumentOf(request);
    if (instrument.simulated) return instrument;
    throw new HttpProblem(
      problem(
        409,
        say('server.http.instrumentRoutes.instrumentRealOne'),
        say('server.http.instrumentRoutes.onlySimulatedOneCan'),
      ),
    );
  }
}

function demandToken(request: Request, instrument: KeptInstrument): void {
  const given = Buffer.from(/^Bearer (.+)$/.exec(request.get('authorization') ?? '')?.[1] ?? '');
  const wanted = Buffer.from(instrument.token);
  if (given.length === wanted.length && timingSafeEqual(given, wanted)) return;
  throw new HttpProblem(
    problem(
      401,
      say('server.http.instrumentRoutes.notInstrument'),
      say('server.http.instrumentRoutes.sendAuthorizationBearerInstruments'),
    ),
  );
}
