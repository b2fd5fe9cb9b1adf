import { english } from '@oat-crock/messages';
import { check, type InputRefused } from '../problem.js';
import { plannedBatchSchema } from './orders.schema.js';

const START = Date.UTC(2026, 4, 5);
const DAY = 86_400_000;
const task = { stageId: 'heat', says: 'Heat it.', atMs: START, minutes: 5, earliestMs: START, latestMs: START };
const planned = {
  ...{
    id: '01J00000000000000000000001',
    occurrenceId: 'o',
    part: 1,
    parts: 1,
    name: 'Quark',
    whom: '',
    methodId: 'quark',
  },
  ...{ choices: {}, productG: 1000, startMs: START, readyMs: START + DAY, readyLateMs: START + 2 * DAY, dueMs: null },
  ...{ extension: null, pinned: false, tasks: [task], gear: [], feed: null, batchId: null },
};
/** What is wrong with a planned make that is otherwise in something: its fields, with what to do. */
function wrong(more: object): readonly string[] {
  try {
    check(plannedBatchSchema, { ...planned, ...more });
    return [];
  } catch (error) {
    return (error as InputRefused).errors.map(({ field, remedy }) => `${field}: ${english(remedy)}`);
  }
}

describe('a planned make on the wire', () => {
  it('has its times in order', () => {
    expect(wrong({})).toEqual([]);
    expect(wrong({ readyMs: START - 1 })).toEqual(['readyMs: Give startMs or more.']);
    expect(wrong({ readyLateMs: START + DAY - 1 })).toEqual(['readyLateMs: Give readyMs or more.']);
    expect(wrong({ readyMs: START, readyLateMs: START })).toEqual([]);
  });

  it('has them near one another: one of seventy years would stretch every drawing', () => {
    const far = (days: number, by = 0) => wrong({ readyLateMs: START + days * DAY + by });
    expect([far(100), far(100, 1), far(70 * 365)].map((f) => f.length)).toEqual([0, 1, 1]);
    expect(wrong({ tasks: [{ ...task, latestMs: START - 101 * DAY }] })).toEqual([
      'tasks.0.latestMs: Give a moment nearer to startMs.',
    ]);
  });

  it('names its stages on one line', () => {
    expect(wrong({ tasks: [{ ...task, stageId: 'heat 2' }] })).toEqual([]);
    for (const stageId of ['heat\r\nUID:x', 'a\u2028b', ''])
      expect(wrong({ tasks: [{ ...task, stageId }] }))
        .withContext(stageId)
        .toHaveSize(1);
  });
});
