import type { StoredEntry } from '@oat-crock/contract/api';
import { replay, type Entry, type EntryBody } from '@oat-crock/core';

export const NOW = Date.UTC(2026, 4, 5, 12);
export const DAY = 86_400_000;
/** As few members as tell anything. */
export const FEW = { members: 40, seed: 1, fanPoints: 0 };

/** A yogurt of some days ago that soured for so many minutes. */
export function make(n: number, daysAgo: number, souredMin: number, keepC = 43): StoredEntry[] {
  const startMs = NOW - daysAgo * DAY;
  const score = { sourness: 3, thickness: 3, smoothness: 4, taste: 4 };
  const lines: readonly (readonly [number, EntryBody])[] = [
    [0, { type: 'started', methodId: 'scalded-yogurt', choices: { massG: 4000, keepC }, name: `Pot ${n}` }],
    ...[9, 31, 46, 65, 71, 71 + souredMin].map((minute, i): [number, EntryBody] => [
      minute,
      { type: 'step', stageId: ['heat', 'hold', 'cool', 'starter', 'warm', 'chill'][i]! },
    ]),
    [71 + souredMin + 400, { type: 'finished', productG: 3800, wheyG: null, heldBackG: 0, score, pots: 9 }],
  ];
  const batchId = `01J00000000000000000000P${String(n).padStart(2, '0')}`;
  return lines.map(([minute, body], i): StoredEntry => ({
    seq: 100 * n + i + 1,
    id: `01J0000000000000000P${String(n).padStart(3, '0')}${String(i).padStart(3, '0')}`,
    batchId,
    atMs: startMs + minute * 60_000,
    source: 'hand',
    body,
  }));
}

export const batchOf = (log: readonly Entry[]) => replay(log)!;
