import { follow, replay, type Batch, type Entry, type EntryBody, type Followed } from '@oat-crock/core';

/** Start of the make that the tests look at: a Monday morning, by the local clock. */
export const START_MS = Date.UTC(2026, 10, 23, 8);
const MIN = 60_000;
const STEPS: readonly (readonly [number, string])[] = [
  [9, 'heat'],
  [31, 'hold'],
  [46, 'cool'],
  [65, 'starter'],
  [71, 'warm'],
  [370, 'chill'],
  [760, 'strain'],
  [1240, 'finish'],
];

/** Entries of a strained yogurt whose hands came as planned, until a minute; and anything else logged. */
export function entriesUntil(minute: number, ...more: readonly (readonly [number, EntryBody])[]): Entry[] {
  const lines: (readonly [number, EntryBody])[] = [
    [0, { type: 'started', methodId: 'strained-yogurt', choices: { massG: 4000 }, name: 'Pot' }],
    ...STEPS.filter(([at]) => at <= minute).map(([at, stageId]) => [at, { type: 'step', stageId }] as const),
    ...more,
  ];
  return entriesOf(lines);
}

/** That make, replayed and followed at a minute. */
export function makeAt(
  minute: number,
  ...more: readonly (readonly [number, EntryBody])[]
): { batch: Batch; followed: Followed } {
  const batch = replay(entriesUntil(minute, ...more))!;
  return { batch, followed: follow(batch, START_MS + minute * MIN, { members: 200, seed: 1, fanPoints: 12 }) };
}

/** A make of any method whose hands came when given, followed at a minute. */
export function otherMakeAt(
  minute: number,
  methodId: string,
  steps: readonly (readonly [number, string])[],
  ...more: readonly (readonly [number, EntryBody])[]
): { batch: Batch; followed: Followed } {
  const lines: (readonly [number, EntryBody])[] = [
    [0, { type: 'started', methodId, choices: {}, name: 'Other' }],
    ...steps.filter(([at]) => at <= minute).map(([at, stageId]) => [at, { type: 'step', stageId }] as const),
    ...more,
  ];
  const batch = replay(entriesOf(lines))!;
  return { batch, followed: follow(batch, START_MS + minute * MIN, { members: 200, seed: 1, fanPoints: 12 }) };
}

function entriesOf(lines: readonly (readonly [number, EntryBody])[]): Entry[] {
  return lines.map(([at, body], i) => ({
    id: `01J${String(i).padStart(13, '0')}${fingerprint(at, body)}`,
    batchId: '01J00000000000000000000BTC',
    atMs: START_MS + at * MIN,
    source: 'hand',
    body,
  }));
}

/** Ten digits of what a line says: lines that say something else are never taken for one another. */
function fingerprint(at: number, body: EntryBody): string {
  let hash = 2_166_136_261;
  for (const char of `${at} ${JSON.stringify(body)}`) hash = Math.imul(hash ^ char.charCodeAt(0), 16_777_619) >>> 0;
  return String(hash).padStart(10, '0');
}
