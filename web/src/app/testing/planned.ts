import type { PlannedBatch } from '@oat-crock/contract/api';
import { START_MS } from './followed';

const HOUR_MS = 3_600_000;

/** A planned batch of tests. */
export function samplePlannedBatch(more: Partial<PlannedBatch> = {}): PlannedBatch {
  return {
    id: '01K00000000000000000000001',
    occurrenceId: '01K0000000000000000000000A',
    part: 1,
    parts: 1,
    name: 'Quark',
    whom: '',
    methodId: 'quark',
    choices: {},
    productG: 1500,
    startMs: START_MS,
    readyMs: START_MS + 12 * HOUR_MS,
    readyLateMs: START_MS + 14 * HOUR_MS,
    dueMs: null,
    extension: null,
    accepted: [],
    pinned: false,
    tasks: [],
    gear: ['Tall pot'],
    feed: null,
    starterTimes: 1,
    instead: null,
    course: [],
    batchId: null,
    ...more,
  };
}
