import { localTime, momentAt } from '@oat-crock/calendar';
import type { PlannedTask } from '@oat-crock/contract/api';
import { makeAt, START_MS } from '../../testing/followed';
import { tasksByDay } from './tasks-by-day';
import { tasksPaper } from './tasks-paper';
import { liveLane } from './lane-geometry';
import { samplePlannedBatch } from '../../testing/planned';

const HOUR = 3_600_000;
const MIN = 60_000;
const task = (atMs: number, minutes: number, says: string): PlannedTask => ({
  stageId: says,
  says,
  atMs,
  minutes,
  earliestMs: atMs,
  latestMs: atMs,
});

describe('hands by day', () => {
  const day = momentAt(localTime(START_MS, 'UTC'), 8, 'UTC');
  const plannedBatch = samplePlannedBatch({
    whom: 'the bakery',
    dueMs: day + 48 * HOUR,
    tasks: [
      task(day, 8, 'Weigh.'),
      task(day + 10 * MIN, 12, 'Warm.'),
      task(day + 6 * HOUR, 10, 'Ladle.'),
      task(day + 30 * HOUR, 0, 'It rests.'),
    ],
    feed: {
      culture: 'mesophilic',
      beginMs: day - 11 * HOUR,
      ripeMs: day - HOUR,
      milkG: 1200,
      starterG: 36,
      tempC: 24,
    },
  });
  const days = tasksByDay([plannedBatch], []);

  it('are visits in order of time, those that follow each other one, and no minute is lost', () => {
    const visits = days.flatMap((d) => d.visits);
    expect(visits.map((v) => v.atMs)).toEqual([...visits.map((v) => v.atMs)].sort((a, b) => a - b));
    const made = visits.filter((v) => v.of === 'Quark for the bakery');
    expect(made.map((v) => [v.at, v.says, v.takes])).toEqual([
      ['08:00', 'Weigh. Warm.', '20 min'],
      ['14:00', 'Ladle.', '10 min'],
      ['08:00', 'Handed on: 1.50 kg.', '0 min'],
    ]);
  });

  it('have the feeding before, and when it is ripe, on their own days', () => {
    const fed = days.flatMap((d) => d.visits).filter((v) => v.of.startsWith('Starter for'));
    expect(fed.map((v) => v.at)).toEqual(['21:00', '07:00']);
    expect(fed[0]!.says).toBe('Stir 36 g of the culture into 1.20 kg of scalded milk at 24 °C.');
    expect(days.map((d) => d.visits.length)).toEqual([1, 3, 1]);
    expect(days.map((d) => d.takes)).toEqual(['10 min', '35 min', '0 min']);
  });

  it('have those of the makes that are on among them', () => {
    const { batch, followed } = makeAt(150);
    const all = tasksByDay([], [liveLane(batch, followed, null, null)]).flatMap((d) => d.visits);
    const ahead = followed.tasks.filter((h) => h.status !== 'done' && h.minutes > 0);
    expect(all.length).toBeGreaterThan(0);
    expect(all.length).toBeLessThanOrEqual(ahead.length);
    expect(all.every((v) => v.of === batch.name)).toBeTrue();
    expect(tasksByDay([], [])).toEqual([]);
  });

  it('are a page for the wall, with what is to be fetched', () => {
    const text = JSON.stringify(tasksPaper(days, [{ what: 'Whole milk', much: '3.00 kg', by: 'Thu 08:00' }], day));
    for (const words of ['Hands by day', '35 min of hands', 'Ladle.', 'To fetch', 'Whole milk', 'by Thu 08:00'])
      expect(text).toContain(words);
    expect(JSON.stringify(tasksPaper(days, [], day))).not.toContain('To fetch');
  });
});
