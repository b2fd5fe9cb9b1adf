import {
  alertRecipientSchema,
  alertWishSchema,
  check,
  InputRefused,
  mayAs,
  problem,
  type AlertBook,
  type AlertRecipient,
  type AlertRecipientMade,
} from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import { Router, type Request } from 'express';
import { randomUUID } from 'node:crypto';
import { whoSent } from '../access/who.js';
import type { PostOffice } from '../alerts/post-office.js';
import { unreached } from '../alerts/caller.js';
import { newSigningKey } from '../alerts/ways/webhook.js';
import type { Kitchen } from '../kitchen.js';
import type { KeptRecipient } from '../store/alerts.js';
import { HttpProblem, notFound } from './errors.js';

/** So many are told of hands. */
const MOST = 40;

/** Who is told of hands with no page open, and what they were told. */
export function alertRoutes(kitchen: Kitchen, office: PostOffice | null): Router {
  const { alerts, events } = kitchen;
  const router = Router();
  const open = () => {
    if (!office) throw notFound(say('server.http.alerts.office'));
    return office;
  };
  const book = (): AlertBook => ({
    mail: open().hasMail,
    pushKey: open().pushKey(),
    recipients: alerts.recipients().map(publicRecipient),
    recent: alerts.recent().map(({ id, recipientId, batchId, of, says, dueMs, state, doneMs, why }) => ({
      ...{ id, recipientId, batchId, of, says, dueMs, state, doneMs, why },
    })),
    simulated: open().simulated?.address ?? null,
  });
  const changed = () => {
    events.tell({ type: 'alerts', unreached: unreached(kitchen) });
    return book();
  };
  const recipientAt = (request: Request): KeptRecipient => {
    const recipient = alerts.recipient(String(request.params['id']));
    if (!recipient) throw notFound(say('server.http.alerts.recipient'));
    return recipient;
  };

  router.get('/alerts', (_request, response) => {
    response.set('cache-control', 'no-store').json(book());
  });

  router.get('/alerts/letters', (_request, response) => {
    const { simulated } = open();
    if (!simulated) throw notFound(say('server.http.alerts.standIn'));
    response.set('cache-control', 'no-store').json({ letters: simulated.letters.all() });
  });

  router.post('/alerts/recipients', (request, response) => {
    const { push, ...wish } = check(alertRecipientSchema, request.body);
    mayChoose(request, wish.way);
    if (alerts.recipients().length >= MOST)
      throw new InputRefused([
        { field: 'name', message: say('server.http.alerts.tooMany'), remedy: say('server.http.alerts.removeOne') },
      ]);
    const key = wish.way === 'webhook' ? newSigningKey() : null;
    const secret = key ?? (push ? JSON.stringify(push) : '');
    const recipient: KeptRecipient = { ...wish, id: randomUUID(), secret, trouble: '' };
    alerts.add(recipient);
    changed();
    response.status(201).json({ recipient: publicRecipient(recipient), secret: key } satisfies AlertRecipientMade);
  });

  router.put('/alerts/recipients/:id', (request, response) => {
    const before = recipientAt(request);
    const wish = check(alertWishSchema, request.body);
    mayChoose(request, before.way);
    if (wish.way !== before.way)
      throw new InputRefused([
        { field: 'way', message: say('server.http.alerts.otherWay'), remedy: say('server.http.alerts.addAnother') },
      ]);
    alerts.change(before.id, wish);
    response.json(changed());
  });

  router.delete('/alerts/recipients/:id', (request, response) => {
    alerts.remove(recipientAt(request).id);
    response.json(changed());
  });

  router.post('/alerts/recipients/:id/trial', async (request, response) => {
    const sent = await open().caller.tryOut(recipientAt(request).id);
    response.json({ isSent: sent.is === 'sent', why: sent.is === 'sent' ? '' : sent.why });
  });

  router.post('/alerts/recipients/:id/key', (request, response) => {
    const recipient = recipientAt(request);
    mayChoose(request, recipient.way);
    if (recipient.way !== 'webhook')
      throw new InputRefused([
        { field: 'way', message: say('server.http.alerts.noKey'), remedy: say('server.http.alerts.onlyRequests') },
      ]);
    const secret = newSigningKey();
    alerts.renew(recipient.id, secret);
    response.json({ recipient: publicRecipient(recipient), secret } satisfies AlertRecipientMade);
  });
  return router;
}

/** Requests reach whatever the server reaches: whoever keeps the dairy says where they go. */
function mayChoose(request: Request, way: AlertRecipient['way']): void {
  if (way === 'webhook' && !mayAs(whoSent(request)?.role ?? 'looks', 'keeps'))
    throw new HttpProblem(problem(403, say('server.http.alerts.keeperOnly'), say('server.http.access.askKeeper')));
}

/** Somebody without what only the server knows of them. */
function publicRecipient(recipient: KeptRecipient): AlertRecipient {
  const { id, name, way, address, about, leadMin, quiet, wakes, isPaused, trouble } = recipient;
  return { id, name, way, address, about, leadMin, quiet, wakes, isPaused, trouble };
}
