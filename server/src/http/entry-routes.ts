import { check, entriesSchema, InputRefused, readingsSchema, type Me } from '@oat-crock/contract';
import { say, type Entry } from '@oat-crock/core';
import { Router } from 'express';
import { whoSent } from '../access/who.js';
import { houseOf } from '../house.js';
import type { Kitchen } from '../kitchen.js';
import { admitEntries } from './admit.js';
import { notFound } from './errors.js';

/** Lines of the log: written by hands, read by batch. */
export function entryRoutes(kitchen: Kitchen): Router {
  const { entries, clock, events } = kitchen;
  const router = Router();

  router.post('/entries', (request, response) => {
    const sent = check(entriesSchema, request.body).entries.map((entry) => signed(entry, whoSent(request)));
    sent.forEach(onlyByHand);
    admitEntries(sent, {
      known: knownFor(kitchen, sent),
      readings: (id) => entries.ofBatch(id, 'minute').filter((e) => e.source !== 'hand'),
      hasLot: (id) => kitchen.lots.get(id) !== null,
      houseOf: (batch) => houseOf(kitchen, batch),
      nowMs: clock.now(),
    });
    const { all, fresh } = entries.append(sent);
    if (fresh.length > 0) events.tell({ type: 'entries', entries: fresh });
    response.status(fresh.length > 0 ? 201 : 200).json({ entries: all });
  });

  router.get('/batches/:id', (request, response) => {
    const { readings } = check(readingsSchema, request.query);
    const found = entries.ofBatch(request.params.id, readings);
    if (found.length === 0) throw notFound(say('server.http.routes.batchId'));
    response.json({ batchId: request.params.id, entries: found });
  });

  return router;
}

/** A line with the name of whose device sent it; where nothing is asked for, with the name it came with. */
const signed = (entry: Entry, me: Me | null): Entry => (me?.maker ? { ...entry, by: me.maker } : entry);

/** Instruments have a door of their own. */
function onlyByHand({ source }: Entry, i: number): void {
  if (source === 'hand') return;
  throw new InputRefused([
    {
      field: `entries.${i}.source`,
      message: say('server.http.routes.onlyHandsWriteHere'),
      remedy: say('server.http.routes.giveHandInstrumentsTheir'),
    },
  ]);
}

/** What is known of a batch, as far as new lines must fit it: every line by hand, and those that are corrected. */
function knownFor({ entries }: Kitchen, sent: readonly Entry[]): (batchId: string) => readonly Entry[] {
  return (batchId) => {
    const replaced = sent.flatMap(({ body }) => (body.type === 'correction' ? (entries.get(body.replaces) ?? []) : []));
    const read = replaced.filter((e) => e.batchId === batchId && e.source !== 'hand');
    return [...entries.ofBatch(batchId, 'none'), ...read];
  };
}
