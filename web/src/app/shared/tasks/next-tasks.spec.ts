import type { Batch } from '@oat-crock/core';
import { makeAt, START_MS } from '../../testing/followed';
import { keptStarters } from '../../places/today/kept-starters';
import { slackWords, nextTasks } from './next-tasks';

const MIN = 60_000;

describe('the hands of Today', () => {
  it('come in order; only the next of a make can be recorded, with the looks of the stage at hand', () => {
    const { batch, followed } = makeAt(150);
    const tasks = nextTasks([batch], { [batch.id]: followed });
    expect(tasks.map((h) => h.task.stageId)).toEqual(['chill', 'strain', 'finish']);
    expect(tasks.map((h) => h.recordable)).toEqual([true, false, false]);
    expect(tasks[0]!.cues.map((c) => c.cue)).toEqual(['set', 'whey', 'taste', 'smell']);
  });

  it('end with weighing, on the make’s own page', () => {
    const { batch, followed } = makeAt(1250);
    const tasks = nextTasks([batch], { [batch.id]: followed });
    expect(tasks.length).toBe(1);
    expect(tasks[0]!.finishes).toBeTrue();
  });

  it('wait for a make that is not worked out yet', () => {
    const { batch } = makeAt(150);
    expect(nextTasks([batch], {})).toEqual([]);
  });

  it('say their give, and when it has run out', () => {
    const task = makeAt(150).followed.tasks.find((h) => h.stageId === 'chill')!;
    const say = (ms: number) => String(Math.round((ms - START_MS) / MIN));
    expect(slackWords(task, START_MS + 150 * MIN, say)).toMatch(/^from \d+; it can wait until \d+$/);
    expect(slackWords(task, task.latestMs + MIN, say)).toMatch(/^it ran out at \d+$/);
    expect(slackWords({ ...task, latestMs: task.earliestMs }, 0, say)).toBe('');
  });
});

describe('starters held back', () => {
  const finished = (heldBackG: number | null) =>
    makeAt(1250, [1260, { type: 'finished', productG: 1700, wheyG: 2200, heldBackG, score: null }]).batch;

  const kept = (batches: readonly Batch[], nowMs: number) => keptStarters(batches, [], new Map(), nowMs);

  it('lose vigour by the day, and what is said of them follows the law of the cultures', () => {
    const endMs = START_MS + 1260 * MIN;
    const after = (days: number) => kept([finished(120)], endMs + days * 86_400_000)[0]!;
    expect([2, 8].map((days) => after(days).due.level)).toEqual(['well', 'now']);
    expect(after(8).due.activity.likely).toBeLessThan(after(2).due.activity.likely);
    expect(after(2).due.leftG).toBe(120);
  });

  it('are offered for ten days, and then no more', () => {
    const endMs = START_MS + 1260 * MIN;
    const bornMs = endMs - kept([finished(120)], endMs)[0]!.ageDays * 86_400_000;
    const after = (days: number) => kept([finished(120)], bornMs + days * 86_400_000).length;
    expect([10, 10.001].map(after)).toEqual([1, 0]);
  });

  it('are only those that were held back', () => {
    expect(kept([finished(null), makeAt(150).batch], START_MS)).toEqual([]);
  });
});
