import type { Entry, EntryBody } from '../batch/entry.js';
import { replay, type Batch } from '../batch/replay.js';
import type { Choices } from '../methods/method.js';

/** When the makes of tests begin, ms. */
export const LOGGED_FROM_MS = 1_777_708_800_000;

/** A line of a log: the minute of the make, and what it says. */
export type Line = readonly [minute: number, body: EntryBody];

/** A log of one batch, by hand, its ids in the order of the lines. */
export function entriesOf(lines: readonly Line[]): Entry[] {
  return lines.map(([minute, body], i): Entry => ({
    id: String(i + 1).padStart(26, '0'),
    batchId: '01J00000000000000000000000',
    atMs: LOGGED_FROM_MS + minute * 60_000,
    source: 'hand',
    body,
  }));
}

/** A batch of a method whose hands came when given, with whatever else was logged. */
export function logged(
  methodId: string,
  choices: Choices,
  steps: readonly (readonly [number, string])[],
  more: readonly Line[] = [],
): Batch {
  return replay(
    entriesOf([
      [0, { type: 'started', methodId, choices, name: 'Pot' }],
      ...steps.map(([minute, stageId]): Line => [minute, { type: 'step', stageId }]),
      ...more,
    ]),
  )!;
}

/** A moment of a make of tests, ms. */
export const atMinute = (minute: number) => LOGGED_FROM_MS + minute * 60_000;
