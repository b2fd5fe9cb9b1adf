import type { Entry, EntryBody } from '../batch/entry.js';
import { replay } from '../batch/replay.js';
import type { Message } from '../messages/message.js';
import { follow, type Followed } from './follow.js';

const T0 = Date.UTC(2026, 4, 2, 8);
const MIN = 60_000;
let made = 0;

const entry = (atMs: number, body: EntryBody): Entry => ({
  id: String(++made).padStart(26, '0'),
  batchId: '01J00000000000000000000000',
  atMs,
  source: 'hand',
  body,
});

/** A make followed as planned until one of its stages is at hand: its lines, and the moment. */
function until(methodId: string, stageId: string): { readonly lines: readonly Entry[]; readonly atMs: number } {
  const lines = [entry(T0, { type: 'started', methodId, choices: {}, name: 'Pot' })];
  for (let atMs = T0; ;) {
    const next = followed(lines, atMs).tasks.find((t) => t.status !== 'done')!;
    atMs = Math.max(atMs, next.atMs);
    lines.push(entry(atMs, { type: 'step', stageId: next.stageId }));
    if (next.stageId === stageId) return { lines, atMs };
  }
}

const followed = (lines: readonly Entry[], atMs: number): Followed =>
  follow(replay(lines)!, atMs, { members: 60, seed: 1, fanPoints: 4 });

/** The keys of what is said to some lines logged one after another, a minute apart. */
function said(at: ReturnType<typeof until>, ...bodies: readonly EntryBody[]): readonly string[] {
  const more = bodies.map((body, i) => entry(at.atMs + (i + 1) * MIN, body));
  const { replies } = followed([...at.lines, ...more], at.atMs + (bodies.length + 1) * MIN);
  return replies.slice(-bodies.length).map(({ says }) => (says as Message).key);
}

const weigh = (quantity: 'wheyG' | 'grainsG', value: number): EntryBody => ({
  type: 'reading',
  quantity,
  value,
  by: 'scale',
});
const add = (what: 'acid' | 'salt', massG: number): EntryBody => ({ type: 'added', what, massG });

describe('the answer to acid by parts', () => {
  const at = until('smooth-curd', 'acid');
  const ask = followed(at.lines, at.atMs)
    .stages.find((s) => s.status === 'now')!
    .panel.asks.find((a) => a.asks === 'added')!;
  const partG = 'partG' in ask ? ask.partG : 0;

  it('counts what is in, says when that is all of it, and when it is too much', () => {
    const part = add('acid', partG);
    expect(said(at, part, part, part)).toEqual(['reply.amount.partIn', 'reply.amount.partIn', 'reply.amount.allIn']);
    expect(said(at, part, part, part, part).at(-1)).toBe('reply.amount.acidOver');
  });

  it('takes what is within a twelfth of the dose for all of it, at its edges', () => {
    expect(said(at, add('acid', 0.919 * 3 * partG))).toEqual(['reply.amount.partIn']);
    expect(said(at, add('acid', 0.921 * 3 * partG))).toEqual(['reply.amount.allIn']);
    expect(said(at, add('acid', 1.079 * 3 * partG))).toEqual(['reply.amount.allIn']);
    expect(said(at, add('acid', 1.081 * 3 * partG))).toEqual(['reply.amount.acidOver']);
  });
});

describe('the answer to a weight', () => {
  it('says how far the whey is and when all of it is likely there, and when it is more than was wanted', () => {
    const at = until('strained-yogurt', 'strain');
    const allG = followed(at.lines, at.atMs).runOffEndG;
    expect(said(at, weigh('wheyG', 0.05 * allG))).toEqual(['reply.amount.runOffUntil']);
    expect(said(at, weigh('wheyG', 1.3 * allG))).toEqual(['reply.amount.runOffOver']);
  });

  it('holds grains against what was reckoned, and says how much more or less they are', () => {
    const at = until('grain-kefir', 'sieve');
    const reckonedG = followed(at.lines, at.atMs).balanceEnd.heldBackG;
    expect(reckonedG).toBeGreaterThan(40);
    const key = (share: number) => said(at, weigh('grainsG', share * reckonedG))[0];
    expect([key(0.9), key(1), key(1.15)]).toEqual([
      'reply.amount.less',
      'reply.amount.asReckoned',
      'reply.amount.more',
    ]);
  });

  it('counts salt against what the curd was to have', () => {
    const at = until('acid-heat-curd', 'salt');
    const planned = followed(at.lines, at.atMs).stages.find((s) => s.id === 'salt')!.panel.gauges[0]!.planned as number;
    expect(said(at, add('salt', planned))).toEqual(['reply.amount.allIn']);
    expect(said(at, add('salt', 2 * planned))).toEqual(['reply.amount.addedOver']);
  });
});
