import type { PlannedBatch } from '@oat-crock/contract';
import { ulid } from 'ulid';
import type { Kitchen } from '../kitchen.js';
import type { KeptRecipient } from '../store/alerts.js';
import { caller, type Caller } from './caller.js';
import type { AlertMessage } from './message.js';
import type { Sent } from './ways/way.js';

export const MIN = 60_000;

/** Somebody who is told of all hands ten minutes before, at any hour. */
export const recipientOf = (more: Partial<KeptRecipient> = {}): KeptRecipient => ({
  ...{ id: 'ine', name: 'Ine', way: 'mail', address: 'ine@oat-crock.example', about: 'all', leadMin: 10 },
  ...{ quiet: null, wakes: false, isPaused: false, secret: '', trouble: '' },
  ...more,
});

/** A make that a plan begins at a moment, and nobody does anything for later. */
export const toBegin = (startMs: number, more: Partial<PlannedBatch> = {}): PlannedBatch => ({
  ...{ id: ulid(startMs), occurrenceId: 'o', part: 1, parts: 1, name: 'Quark', whom: 'the bakery', methodId: 'quark' },
  ...{ choices: {}, productG: 1000, startMs, readyMs: startMs + 1440 * MIN, readyLateMs: startMs + 1500 * MIN },
  ...{ dueMs: null, extension: null, accepted: [], pinned: false, gear: [], feed: null, starterTimes: 1 },
  ...{ instead: null, course: [], batchId: null },
  tasks: [
    {
      stageId: 'blend',
      says: 'Blend it.',
      atMs: startMs,
      minutes: 10,
      earliestMs: startMs,
      latestMs: startMs + 90 * MIN,
    },
  ],
  ...more,
});

/** A caller whose messages are kept instead of sent, with a machine's clock that is set by hand. */
export function callerOf(kitchen: Kitchen) {
  const sent: (AlertMessage & { readonly to: string })[] = [];
  const state = { machineMs: 0, answer: { is: 'sent' } as Sent | 'dies', whileSending: [] as string[] };
  const send = async (to: KeptRecipient, message: AlertMessage): Promise<Sent> => {
    state.whileSending = kitchen.alerts.recent().map((alert) => alert.state);
    if (state.answer === 'dies') throw DIES;
    if (state.answer.is !== 'refused') sent.push({ ...message, to: to.name });
    return state.answer;
  };
  const open = (): Caller =>
    caller(kitchen, {
      ways: { mail: send, webhook: send, push: null },
      machineNow: () => state.machineMs,
      base: () => 'http://10.0.0.7:4310',
    });
  return { sent, state, open };
}

const DIES = new Error('dies');
