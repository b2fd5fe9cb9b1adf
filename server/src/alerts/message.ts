import { duration, moment, say, type Text } from '@oat-crock/core';
import type { Words } from '../words.js';

/** Hands that somebody is told of in a message. */
export interface ToldHands {
  readonly batchId: string | null;
  readonly of: Text;
  readonly says: Text;
  readonly dueMs: number;
  /** They can wait until then, ms. */
  readonly latestMs: number;
}

/** A message as it goes out, in the words of the household. */
export interface AlertMessage {
  /** The same however often it is sent. */
  readonly id: string;
  readonly atMs: number;
  readonly subject: string;
  /** A line or two for each of the hands. */
  readonly text: string;
  /** Where the page of the make is, or that of what is next; null where nobody but this machine reaches it. */
  readonly link: string | null;
  readonly hands: readonly (ToldHands & { readonly isLate: boolean })[];
}

/** What is told so long after its time is late, ms: less is the way of mail. */
const LATE_MS = 5 * 60_000;
const MIN_MS = 60_000;

/**
 * One message for all that somebody is to be told just now, what comes first first.
 *
 * @param base where other devices reach the dairy, "http://10.0.0.7:4310"; null where none does
 */
export function alertMessage(
  id: string,
  hands: readonly ToldHands[],
  nowMs: number,
  words: Words,
  base: string | null,
): AlertMessage {
  const told = hands.map((of) => ({ ...of, isLate: nowMs - of.dueMs > LATE_MS }));
  const [first] = told;
  const subject =
    told.length === 1
      ? say('server.alerts.one', { of: first!.of, says: first!.says })
      : say('server.alerts.many', { count: told.length });
  const path = told.length === 1 && first!.batchId !== null ? `/make/${first!.batchId}` : '/today';
  return {
    ...{ id, atMs: nowMs, subject: words(subject), hands: told },
    text: told.map((of) => lines(of, nowMs).map(words).join('\n')).join('\n\n'),
    link: base === null ? null : base + path,
  };
}

function lines({ of, says, dueMs, latestMs, isLate }: AlertMessage['hands'][number], nowMs: number): readonly Text[] {
  const what = say('server.alerts.line', { at: moment(dueMs), of, says });
  if (isLate) {
    const ago = duration(Math.round((nowMs - dueMs) / MIN_MS));
    return [what, say('server.alerts.late', { ago })];
  }
  return latestMs - dueMs > LATE_MS ? [what, say('server.alerts.canWait', { until: moment(latestMs) })] : [what];
}

/** What somebody is sent to see whether it reaches them. */
export function trialMessage(id: string, name: string, nowMs: number, words: Words, base: string | null): AlertMessage {
  return {
    ...{ id, atMs: nowMs, hands: [] },
    subject: words(say('server.alerts.trial')),
    text: words(say('server.alerts.trialSays', { name })),
    link: base,
  };
}
