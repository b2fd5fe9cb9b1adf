import { asleepOf, handsCalls, type HandsCall } from '@oat-crock/calendar';
import { say } from '@oat-crock/core';
import { randomUUID } from 'node:crypto';
import { follower } from '../follow/follower.js';
import type { Kitchen } from '../kitchen.js';
import type { KeptRecipient, WaitingAlert } from '../store/alerts.js';
import { alertMessage, trialMessage } from './message.js';
import type { Send, Sent } from './ways/way.js';
import { isNear, mayTell, newCalls } from './who-is-told.js';

/** How somebody is reached, by the way they chose. */
export type Ways = Readonly<Record<KeptRecipient['way'], Send | null>>;

/** What a caller needs besides the kitchen. */
export interface CallerSettings {
  readonly ways: Ways;
  /** This machine's clock, ms. */
  readonly machineNow: () => number;
  /** Where other devices reach the dairy; null where none does. */
  readonly base: () => string | null;
}

/** Tells people of hands with no page open. */
export interface Caller {
  /** Looks once who is to be told of what, and tells them; done once it is. */
  readonly look: () => Promise<void>;
  /** Sends somebody a trial. */
  readonly tryOut: (id: string) => Promise<Sent>;
  /** Begins to look by itself. */
  readonly start: () => void;
  /** Looks no more; done once what is being sent is. */
  readonly stop: () => Promise<void>;
}

/** What hands are called for just now. */
interface Calls {
  readonly all: readonly HandsCall[];
  readonly byKey: ReadonlyMap<string, HandsCall>;
  /** Makes that are on and cannot be followed. */
  readonly lost: ReadonlySet<string>;
}

/** How often it is looked who is to be told, ms of this machine's clock. */
const LOOK_MS = 10_000;
const MIN_MS = 60_000;
/** What is certainly not taken is tried again after so long, min: about once an hour in the end. */
const AGAIN_MIN = [1, 2, 5, 10, 20, 40, 60] as const;
/** So many tries, and it is given up. */
const MOST_TRIES = 24;

/**
 * Looks again and again which hands are near, and tells whoever is to be told. An alert is written down before it is sent: nobody
 * is told twice, also where the server dies in between, and what waited is told with a word that it is late.
 */
export function caller(kitchen: Kitchen, { ways, machineNow, base }: CallerSettings): Caller {
  const { alerts, clock, events, household, log, makes, plannedBatches, words } = kitchen;
  const follow = follower(kitchen);
  let looking: Promise<void> | null = null;
  let timer: NodeJS.Timeout | null = null;
  let isClosing = false;
  alerts.settle(clock.now(), say('server.alerts.died'));

  /** Makes are followed one after the other, and whoever else waits is answered in between. */
  async function callsNow(): Promise<Calls> {
    const live = [];
    for (const id of makes.live()) {
      const made = follow(id);
      if (made) live.push(made);
      await new Promise(setImmediate);
    }
    const planned = plannedBatches.all().flatMap(({ item, goneMs }) => (goneMs === null ? [item] : []));
    const calls = handsCalls(live, planned);
    const lost = live.flatMap(({ batch, followed }) => (batch.ended || followed ? [] : [batch.id]));
    return { all: calls, byKey: new Map(calls.map((call) => [call.key, call])), lost: new Set(lost) };
  }

  async function lookOnce(): Promise<void> {
    const told = alerts.recipients().filter(({ isPaused }) => !isPaused);
    if (told.length === 0) return;
    const calls = await callsNow();
    // Nobody waits for somebody else's mail server.
    await Promise.all(told.map((recipient) => tell(recipient, calls)));
  }

  async function tell(recipient: KeptRecipient, { all, byKey, lost }: Calls): Promise<void> {
    const nowMs = clock.now();
    const before = new Set(alerts.waiting(recipient.id).map(({ key }) => key));
    const news = newCalls(recipient, all, nowMs, (key) => alerts.toldFor(recipient.id, key)).filter(
      ({ key }) => !before.has(key),
    );
    news.forEach((call) => alerts.note(recipient.id, call));
    // Of a make that cannot be followed just now nobody knows whether they were done.
    const waiting = alerts.waiting(recipient.id).filter(({ batchId }) => batchId === null || !lost.has(batchId));
    // Hands that were done meanwhile are told of no more; those that were put off are, once they are near again.
    const done = waiting.filter(({ key }) => !byKey.has(key));
    if (done.length > 0) alerts.mark(idsOf(done), 'over', nowMs);
    const putOff = waiting.filter(({ key }) => byKey.has(key) && !isNear(recipient, byKey.get(key)!, nowMs));
    alerts.drop(idsOf(putOff));
    const house = asleepOf(household.settings().settings);
    const ready = waiting
      .filter((alert) => !done.includes(alert) && !putOff.includes(alert) && alert.nextMs <= machineNow())
      .map((alert) => ({ ...alert, ...latestOf(byKey.get(alert.key)!) }))
      .filter(({ latestMs }) => mayTell(recipient, latestMs, nowMs, house));
    if (ready.length > 0) await send(recipient, ready);
    if (ready.length > 0 || news.length > 0 || done.length > 0) events.tell(toldEvent());
  }

  async function send(recipient: KeptRecipient, ready: readonly WaitingAlert[]): Promise<void> {
    const ids = idsOf(ready);
    alerts.sending(ready);
    const message = alertMessage(`alert-${ids[0]!}-${recipient.id}`, ready, clock.now(), words, base());
    const sent = await reach(recipient, (by) => by(recipient, message));
    if (sent.is === 'sent') return taken(recipient, ids);
    log.warn({ recipient: recipient.id, way: recipient.way, sent }, 'somebody was not reached');
    alerts.trouble(recipient.id, sent.why);
    const tries = Math.max(...ready.map((alert) => alert.tries)) + 1;
    if (sent.is === 'refused' && tries < MOST_TRIES) {
      const afterMin = AGAIN_MIN[Math.min(tries, AGAIN_MIN.length) - 1]!;
      return alerts.putOff(ids, machineNow() + afterMin * MIN_MS, sent.why);
    }
    alerts.mark(ids, sent.is === 'unsure' ? 'unsure' : 'failed', clock.now(), sent.why);
    // A browser that takes no more notes, or an address that wants no more requests.
    if (sent.is === 'gone') {
      alerts.change(recipient.id, { ...recipient, isPaused: true });
      alerts.trouble(recipient.id, sent.why);
    }
  }

  function taken({ id }: KeptRecipient, ids: readonly number[]): void {
    alerts.mark(ids, 'sent', clock.now());
    alerts.trouble(id, '');
  }

  async function reach(recipient: KeptRecipient, by: (send: Send) => Promise<Sent>): Promise<Sent> {
    const way = ways[recipient.way];
    if (!way) return { is: 'refused', why: say('server.alerts.noMail') };
    try {
      return await by(way);
    } catch (error) {
      log.error({ error }, 'sending failed');
      return { is: 'unsure', why: say('server.alerts.notReached', { code: (error as Error).name }) };
    }
  }

  const toldEvent = () => ({ type: 'alerts', unreached: unreached(kitchen) }) as const;

  const look = (): Promise<void> => {
    looking ??= lookOnce()
      .catch((error: unknown) => log.error({ error }, 'who is to be told could not be looked at'))
      .finally(() => (looking = null));
    return looking;
  };
  const later = () => {
    if (isClosing) return;
    timer = setTimeout(() => void look().finally(later), LOOK_MS).unref();
  };
  return {
    look,
    start: later,
    tryOut: async (id) => {
      const recipient = alerts.recipient(id)!;
      const message = trialMessage(randomUUID(), recipient.name, clock.now(), words, base());
      const sent = await reach(recipient, (by) => by(recipient, message));
      alerts.trouble(id, sent.is === 'sent' ? '' : sent.why);
      events.tell(toldEvent());
      return sent;
    },
    stop: async () => {
      isClosing = true;
      if (timer) clearTimeout(timer);
      await looking;
    },
  };
}

/** Who could not be reached when they were told last. */
export const unreached = ({ alerts }: Pick<Kitchen, 'alerts'>): readonly string[] => [
  ...new Set(alerts.recipients().flatMap(({ name, trouble }) => (trouble === '' ? [] : [name]))),
];

const idsOf = (alerts: readonly WaitingAlert[]) => alerts.map(({ id }) => id);

const latestOf = ({ atMs, latestMs }: HandsCall) => ({ dueMs: Math.round(atMs), latestMs: Math.round(latestMs) });
