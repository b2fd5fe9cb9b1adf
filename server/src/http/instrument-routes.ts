import {
  check,
  faultSchema,
  InputRefused,
  instrumentChangeSchema,
  instrumentCheckSchema,
  instrumentReadingsSchema,
  loggerReadingsSchema,
  newInstrumentSchema,
  placementSchema,
  problem,
  type Instrument,
  type InstrumentMade,
  type InstrumentReading,
  type LoggerTaken,
} from '@oat-crock/contract';
import { checkOutcome, isOfRoom, replay, say, type InstrumentCheck, type Text } from '@oat-crock/core';
import { Router, text, type Request } from 'express';
import { randomUUID } from 'node:crypto';
import { hashOf, newToken } from '../access/secrets.js';
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

  router.post('/instruments', (request, response) => {
    const { name, kind } = check(newInstrumentSchema, request.body);
    if (instruments.all().length >= MOST)
      throw refused('name', say('server.http.instruments.tooMany'), say('server.http.instruments.removeOne'));
    const [id, token] = [randomUUID().slice(0, 13), newToken()];
    instruments.add({ id, name, kind, simulated: false, batchId: null, tokenHash: hashOf(token) });
    response.status(201).json({ instrument: tell(id), token } satisfies InstrumentMade);
  });

  router.put('/instruments/:id', (request, response) => {
    const { id } = instrumentOf(request);
    instruments.change(id, check(instrumentChangeSchema, request.body));
    response.json(tell(id));
  });

  router.delete('/instruments/:id', (request, response) => {
    instruments.remove(instrumentOf(request).id, clock.now());
    tellAll();
    response.json({ instruments: shown() });
  });

  router.post('/instruments/:id/token', (request, response) => {
    const { id, simulated } = instrumentOf(request);
    if (simulated)
      throw new HttpProblem(
        problem(409, say('server.http.instruments.isSimulated'), say('server.http.instruments.addReal')),
      );
    const token = newToken();
    instruments.renew(id, hashOf(token));
    response.json({ instrument: tell(id), token } satisfies InstrumentMade);
  });

  router.post('/instruments/:id/checks', (request, response) => {
    const { id, quantity } = instrumentOf(request);
    const { checked } = check(instrumentCheckSchema, request.body);
    if (quantity !== CHECKED[checked.by])
      throw refused('checked.by', say('server.http.instruments.otherCheck'), say('server.http.instruments.whichCheck'));
    const { level, says } = checkOutcome(checked);
    if (level === 'unfit') throw refused('checked', says, say('server.http.instruments.checkAgain'));
    instruments.check(id, { atMs: clock.now(), checked });
    response.status(201).json(tell(id));
  });

  router.delete('/instruments/:id/checks', (request, response) => {
    const { id } = instrumentOf(request);
    instruments.uncheck(id);
    response.json(tell(id));
  });

  router.put('/instruments/:id/placement', (request, response) => {
    const instrument = instrumentOf(request);
    const { batchId } = check(placementSchema, request.body);
    if (batchId !== null && isOfRoom(instrument.quantity)) {
      throw refused(
        'batchId',
        say('server.http.instrumentRoutes.readsRoomNotCrock'),
        say('server.http.instrumentRoutes.leaveWhereHangsGive'),
      );
    }
    if (batchId !== null && !entries.has(batchId)) {
      throw refused(
        'batchId',
        say('server.http.instrumentRoutes.thereNoSuchBatch'),
        say('server.http.instrumentRoutes.giveIdLiveBatch'),
      );
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
    if (instrument.isPaused) {
      response.status(202).json({ ...NOTHING_TAKEN, why: 'It is paused.' });
      return;
    }
    const readings = request.is('text/csv')
      ? readingsFromCsv(String(request.body))
      : check(instrumentReadingsSchema, request.body).readings.map((reading) => ({ atMs: clock.now(), ...reading }));
    const { fresh, ...taken } = takeReadings(kitchen, instrument, readings);
    if (fresh.entries.length > 0) events.tell({ type: 'entries', entries: fresh.entries });
    if (fresh.room.length > 0) events.tell({ type: 'room', readings: fresh.room });
    tell(instrument.id);
    if (instrument.batchId === null && !isOfRoom(instrument.quantity))
      response.status(202).json({ ...taken, why: 'It stands in no crock.' });
    else response.status(201).json(taken);
  });

  router.post('/instruments/:id/log', (request, response) => {
    const instrument = instrumentOf(request);
    const { batchId, readings } = check(loggerReadingsSchema, request.body);
    const inside = insideOf(instrument, batchId, readings);
    const { fresh, ...taken } = takeReadings(kitchen, { ...instrument, batchId }, inside);
    if (fresh.entries.length > 0) events.tell({ type: 'entries', entries: fresh.entries });
    if (fresh.room.length > 0) events.tell({ type: 'room', readings: fresh.room });
    tell(instrument.id);
    response.status(201).json({ ...taken, outside: readings.length - inside.length } satisfies LoggerTaken);
  });

  return router;

  /** Those readings of a file that lie within the make it stood in, and not ahead of now. */
  function insideOf({ quantity }: KeptInstrument, batchId: string | null, readings: readonly InstrumentReading[]) {
    const nowMs = clock.now();
    if (isOfRoom(quantity)) return readings.filter(({ atMs }) => atMs <= nowMs);
    const batch = batchId === null ? null : replay(entries.ofBatch(batchId, 'none'));
    if (!batch)
      throw refused(
        'batchId',
        say('server.http.instrumentRoutes.thereNoSuchBatch'),
        say('server.http.instruments.whichMake'),
      );
    const untilMs = Math.min(nowMs, batch.ended?.atMs ?? nowMs);
    return readings.filter(({ atMs }) => atMs >= batch.startedMs && atMs <= untilMs);
  }

  /** Tells every page how the instruments are, and gives this one back. */
  function tell(id: string): Instrument {
    tellAll();
    return publicInstrument(instruments.get(id)!);
  }

  function tellAll(): void {
    events.tell({ type: 'instruments', instruments: shown() });
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

/** What is checked how. */
const CHECKED: Readonly<Record<InstrumentCheck['by'], Instrument['quantity']>> = { buffers: 'ph', ice: 'tempC' };
/** So many instruments are here at the most. */
const MOST = 200;
const NOTHING_TAKEN = { kept: 0, thinned: 0, impossible: [] } as const;

const refused = (field: string, message: Text, remedy: Text) => new InputRefused([{ field, message, remedy }]);

function demandToken(request: Request, { tokenHash }: KeptInstrument): void {
  const given = /^Bearer (.+)$/.exec(request.get('authorization') ?? '')?.[1] ?? '';
  if (hashOf(given) === tokenHash) return;
  throw new HttpProblem(
    problem(
      401,
      say('server.http.instrumentRoutes.notInstrument'),
      say('server.http.instrumentRoutes.sendAuthorizationBearerInstruments'),
    ),
  );
}
