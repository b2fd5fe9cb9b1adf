import type { Batch, Branch, CueScale, Followed, Hand } from '@oat-crock/core';

/** Hands as Today lists them: with the make they belong to and what can be looked at meanwhile. */
export interface NextHand {
  readonly batch: Batch;
  readonly hand: Hand;
  /** True for the hands that come next in their make: the ones that can be recorded. */
  readonly recordable: boolean;
  /** True for the last of a make: what came out is weighed and logged on its own page. */
  readonly finishes: boolean;
  /** Looks of the stage at hand. */
  readonly cues: readonly CueScale[];
  /** What the stage at hand calls for besides. */
  readonly calls: readonly Branch[];
}

/** All hands still to come of the makes that are on, in order of time. */
export function nextHands(live: readonly Batch[], followed: Readonly<Record<string, Followed>>): readonly NextHand[] {
  return live
    .flatMap((batch) => {
      const now = followed[batch.id];
      return now ? handsOf(batch, now) : [];
    })
    .sort((a, b) => a.hand.atMs - b.hand.atMs);
}

function handsOf(batch: Batch, followed: Followed): NextHand[] {
  const current = followed.stages.find((s) => s.status === 'now');
  const cues = followed.hands.find((h) => h.stageId === current?.id)?.cues ?? [];
  const calls = current?.panel.branches ?? [];
  const ahead = followed.hands.filter((h) => h.status !== 'done');
  if (ahead.length === 0 && current) {
    const last = followed.hands.find((h) => h.stageId === current.id)!;
    return [{ batch, hand: { ...last, status: 'due' }, recordable: false, finishes: true, cues, calls }];
  }
  return ahead.map((hand, i) => ({
    batch,
    hand,
    recordable: i === 0,
    finishes: false,
    cues: i === 0 ? cues : [],
    calls: i === 0 ? calls : [],
  }));
}

/** What the give of a hand says, in a sentence. */
export function giveWords(hand: Hand, nowMs: number, say: (atMs: number) => string): string {
  if (hand.latestMs <= hand.earliestMs) return '';
  if (hand.atMs > hand.readyMs + 60_000 && hand.atMs > nowMs) {
    return `ready from ${say(hand.readyMs)}, in the night; leave it till morning`;
  }
  if (hand.latestMs < nowMs) return `it ran out at ${say(hand.latestMs)}`;
  const late = `it can wait until ${say(hand.latestMs)}`;
  return hand.earliestMs < hand.atMs && hand.earliestMs > nowMs ? `from ${say(hand.earliestMs)}; ${late}` : late;
}
