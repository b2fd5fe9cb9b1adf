import { localTime } from '@oat-crock/calendar';
import type { PlanChances } from '@oat-crock/core';
import type { PlanFound } from '../../planner/planner-api';
import { makeAt, START_MS } from '../../testing/followed';
import { lanesOf, liveLane, movedBy, plannedLane, thicknessOf, timeAcross, type LaneFrame } from './lane-geometry';
import { daysAcross, hoursAcross } from './lane-axis';
import { placedLanes } from './lane-rows';
import { movedLane, movingWords } from './moving';
import { dueAs, dueAt, newOrder } from './new-order';
import { changeWords } from './found-list';
import { supposedWords } from './plan-words';
import { gapWords, likenessWords, shiftWords, whenWords } from './plan-words';
import { samplePlannedBatch } from '../../testing/planned';

const HOUR = 3_600_000;
const FRAME: LaneFrame = {
  width: 900,
  fromMs: START_MS,
  untilMs: START_MS + 72 * HOUR,
  asleep: { fromH: 22, toH: 6, zone: 'UTC' },
};
const inLane = (id: string, startH: number, hours: number, lane = 'Tall pot', name = 'Quark') =>
  plannedLane(
    samplePlannedBatch({
      id,
      name,
      gear: [lane],
      startMs: START_MS + startH * HOUR,
      readyMs: START_MS + (startH + hours) * HOUR,
      readyLateMs: START_MS + (startH + hours + 2) * HOUR,
    }),
    [],
  );

describe('the lanes of a plan', () => {
  it('are one for each vessel, and in each no pour nor its name covers another', () => {
    const plannedBatches = [
      inLane('A', 2, 10),
      inLane('B', 8, 10),
      inLane('C', 40, 6),
      inLane('D', 5, 9, 'Milk pan'),
      inLane('E', 14, 2, 'Tall pot', 'A very long name for what is wanted'),
    ];
    const lanes = lanesOf(plannedBatches, FRAME);
    expect(lanes.map((l) => l.name)).toEqual(['Milk pan', 'Tall pot']);
    const x = timeAcross(FRAME);
    for (const { rows } of lanes)
      for (const row of rows)
        row
          .slice(1)
          .forEach((plannedBatch, i) => expect(x(plannedBatch.startMs)).toBeGreaterThan(x(row[i]!.readyLateMs)));
    expect(lanes[1]!.rows.flat().length).toBe(4);
    expect(lanes[1]!.rows[0]!.map((p) => p.id)).toEqual(['A', 'C']);
  });

  it('leave out what is not in view, and put what is on first', () => {
    expect(lanesOf([inLane('A', -60, 10), inLane('B', 100, 5)], FRAME)).toEqual([]);
    const { batch, followed } = makeAt(150);
    const live = liveLane(batch, followed, null, null);
    expect(lanesOf([inLane('A', 2, 10, 'A pot'), live], FRAME)[0]!.rows[0]![0]!.id).toBe(batch.id);
    expect(live.tasks.every((h) => followed.tasks.some((f) => f.stageId === h.stageId))).toBeTrue();
  });

  it('say that a live make will be late where one time in ten it is', () => {
    const { batch, followed } = makeAt(150);
    const { readyMs, readyLateMs } = liveLane(batch, followed, 'Pot', null);
    expect(readyLateMs).toBeGreaterThan(readyMs);
    expect(liveLane(batch, followed, 'Pot', readyLateMs + 1).troubled).toBeFalse();
    expect(liveLane(batch, followed, 'Pot', readyMs + 1).troubled).toBeTrue();
  });

  it('draw all pours to one scale of mass', () => {
    const course = (massG: number) => [{ atMs: START_MS, massG, wheyG: 0, ph: 6, tempC: 20 }];
    const thick = thicknessOf(
      [3000, 6000].map((g) => ({ ...inLane('A', 1, 1), course: course(g) })),
      40,
    );
    expect([thick(6000), thick(3000)]).toEqual([40, 20]);
  });

  it('move what is dragged by quarters of an hour', () => {
    expect(movedBy(START_MS, 0, FRAME)).toBe(START_MS);
    expect(movedBy(START_MS, 12.5, FRAME)).toBe(START_MS + HOUR);
    expect(movedBy(START_MS, -13, FRAME)).toBe(START_MS - HOUR);
  });
});

describe('lanes as they are drawn', () => {
  const named = { ...inLane('A', 2, 10), name: 'Quark for the bakery' };

  it('have their rows one under the other, higher where there is room', () => {
    const plannedBatches = [inLane('A', 2, 10), inLane('B', 3, 10), inLane('C', 4, 10, 'Milk pan')];
    for (const height of [100, 400, 2000]) {
      const { lanes, heightPx } = placedLanes(plannedBatches, plannedBatches, FRAME, height);
      const rows = lanes.flatMap((l) => l.rows).sort((a, b) => a.y - b.y);
      rows.slice(1).forEach((row, i) => expect(row.y).toBeGreaterThanOrEqual(rows[i]!.y + rows[i]!.rowPx));
      expect(heightPx).toBeGreaterThanOrEqual(rows.at(-1)!.y + rows[0]!.rowPx);
    }
  });

  it('say in a sentence what they show', () => {
    const [lane] = placedLanes([{ ...named, pinned: true, dueMs: START_MS + 20 * HOUR }], [], FRAME, 300).lanes;
    expect(lane!.rows[0]!.words).toMatch(
      /^Quark for the bakery: begin \w+ \d\d:\d\d, ready \w+ \d\d:\d\d, wanted \w+ \d\d:\d\d, pinned$/,
    );
  });

  it('have as many days and hours above them as there is room for', () => {
    for (const days of [1, 3, 7]) {
      for (const width of [300, 900, 1600]) {
        const frame = { ...FRAME, width, untilMs: START_MS + days * 24 * HOUR };
        const hours = hoursAcross(frame);
        hours.slice(1).forEach((h, i) => expect(h.x - hours[i]!.x).toBeGreaterThan(41));
        expect(daysAcross(frame).length).toBeGreaterThanOrEqual(days);
      }
    }
  });

  it('show what is moved where it would be, at once by its shift, then as it is told', () => {
    const plannedBatch = samplePlannedBatch({
      tasks: [{ stageId: 'a', says: '', atMs: START_MS, minutes: 5, earliestMs: 0, latestMs: 0 }],
    });
    const lane = plannedLane(plannedBatch, []);
    const moving = { plannedBatch, startMs: START_MS + HOUR, task: null, told: null };
    const shifted = movedLane(lane, moving);
    expect([shifted.startMs, shifted.readyMs, shifted.tasks[0]!.atMs].map((ms) => ms - HOUR)).toEqual([
      lane.startMs,
      lane.readyMs,
      lane.tasks[0]!.atMs,
    ]);
    expect(movingWords(moving)).toContain('looking…');
    const breaks = [{ is: 'night', says: 'Hands fall in the night.', atMs: null }] as const;
    const told = { plannedBatch: { ...plannedBatch, readyMs: START_MS + 30 * HOUR }, breaks, repair: null };
    expect(movedLane(lane, { ...moving, told })).toEqual(
      jasmine.objectContaining({ readyMs: START_MS + 30 * HOUR, troubled: true }),
    );
    expect(movingWords({ ...moving, told })).toContain('Hands fall in the night. Nowhere else would it hold.');
    const repair = { startMs: START_MS + 2 * HOUR, extension: null };
    expect(movingWords({ ...moving, told: { ...told, repair } })).toMatch(/Nearest that holds: \w+ \d\d:\d\d \(R\)\./);
    expect(movingWords({ ...moving, told: { ...told, breaks: [] } })).toContain('it holds.');
  });
});

describe('when something is wanted', () => {
  const nowMs = Date.UTC(2026, 4, 6, 10);

  it('begins with the next Saturday morning, two days ahead at least', () => {
    const { due } = newOrder('01J00000000000000000000000', { id: 'quark' }, nowMs);
    const { atMs } = due as { atMs: number };
    const { weekday, hour } = localTime(atMs, 'UTC');
    expect([weekday, hour]).toEqual([6, 8]);
    expect(atMs - nowMs).toBeGreaterThanOrEqual(46 * HOUR);
  });

  it('keeps its hour, whichever kind of time it becomes', () => {
    const once = { is: 'once', atMs: Date.UTC(2026, 4, 8, 7, 30) } as const;
    const weekly = dueAs('weekly', once, nowMs);
    expect(weekly).toEqual({ is: 'weekly', day: 5, atH: 7.5, fromMs: nowMs });
    expect(dueAs('once', weekly, nowMs)).toEqual(once);
    expect(dueAs('some time', weekly, nowMs)).toEqual({ is: 'some time' });
    expect(dueAs('weekly', { is: 'some time' }, nowMs)).toEqual(jasmine.objectContaining({ day: 6, atH: 8 }));
    expect(dueAs('once', once, nowMs)).toBe(once);
  });

  it('that is dragged moves every week of what is wanted weekly', () => {
    const at = Date.UTC(2026, 4, 9, 9, 15);
    expect(dueAt({ is: 'once', atMs: nowMs }, at)).toEqual({ is: 'once', atMs: at });
    expect(dueAt({ is: 'weekly', day: 2, atH: 8, fromMs: 5 }, at)).toEqual({
      is: 'weekly',
      day: 6,
      atH: 9.25,
      fromMs: 5,
    });
  });
});

describe('the words of a plan', () => {
  const like = {
    nightMin: 0,
    offMin: 0,
    handsMin: 370,
    meanAgeH: 9.75,
    oldestH: 18.5,
    firstMin: 0,
    feedings: 2,
  };

  it('say what whole plans cost in hands, freshness and feedings', () => {
    const sure: PlanChances = { byOrder: { A: 0.97, B: 0.95 }, allMet: 0.94, quietNights: 0.96, inWorkingHours: 0.92 };
    const words = (more: Partial<typeof like>, chances: Partial<PlanChances> = {}, notMet: PlanFound['notMet'] = []) =>
      likenessWords({ likeness: { ...like, ...more }, chances: { ...sure, ...chances }, notMet }, START_MS, 0.9).join(
        ' ',
      );
    expect(words({})).toMatch(
      /^Both orders in time: 94 %\. All hands in working hours\. First hands .+ Fresh by 9 h 45, 18 h 30 at most\./,
    );
    expect(words({})).toContain('6 h 10 of hands in all, 2 feedings of a culture before.');
    expect(words({ offMin: 20 })).toContain('No hands in the night, 20 min outside working hours.');
    expect(words({ nightMin: 5 })).toContain('5 min of hands in the night.');
    // Less sure than is wished, it is not said as if it were.
    expect(words({}, { inWorkingHours: 0.89 })).toContain('No hands in the night, likely all in working hours.');
    expect(words({ offMin: 20 }, { quietNights: 0.62 })).toContain('No hands in the night: 62 %.');
    expect(words({}, { allMet: 1 })).toContain('in time: over 99 %.');
    expect(words({}, { allMet: 0.001 })).toContain('in time: under 1 %.');
    expect(words({}, { byOrder: {} })).not.toContain('in time');
    // What is left out is in no chance: it is said of what they are.
    const out = [{ occurrenceId: 'C', name: 'Quark', why: '', remedy: '' }];
    expect(words({}, {}, out)).toMatch(/^The 2 orders that are planned in time: 94 %\./);
    const searched = likenessWords({ likeness: like, chances: null, notMet: [] }, START_MS, 0.9).join(' ');
    expect(searched).toMatch(/^No hands in the night, likely all in working hours\. First hands/);
    expect(words({ oldestH: 0, feedings: 0 })).not.toMatch(/Fresh|feeding/);
    expect(words({ feedings: 1 })).toContain('one feeding');
  });

  it('say how good it is known to be', () => {
    expect(gapWords({ proven: true, thorough: true, gap: 0 })).toBe('None is better.');
    expect(gapWords({ proven: true, thorough: false, gap: 0 })).toBe('None of the usual ways is better.');
    expect(gapWords({ proven: false, thorough: false, gap: 0.034 })).toBe('Within 3 % of the best.');
    expect(gapWords({ proven: false, thorough: false, gap: 0.004 })).toBe('Within 0.4 % of the best.');
    expect(gapWords({ proven: false, thorough: false, gap: 0.99 })).toBe('More rounds may find better.');
    expect(whenWords(START_MS + HOUR, START_MS)).toMatch(/^\w+ \d\d:\d\d$/);
    expect(whenWords(START_MS + 200 * HOUR, START_MS)).toMatch(/^\w+ \d+ \w+ \d\d:\d\d$/);
  });

  it('say what comes at another time', () => {
    const change = { name: 'Quark', fromMs: START_MS, toMs: START_MS + 2 * HOUR, tasks: [] };
    expect(changeWords(change)).toMatch(/^Quark is begun \w+ \d\d:\d\d, 2 h later\.$/);
    expect(changeWords({ ...change, toMs: null })).toBe('Quark is left out.');
    expect(changeWords({ ...change, fromMs: null })).toMatch(/^Quark is begun \w+ \d\d:\d\d\.$/);
    const at = (h: number) => ({ name: 'ladle', fromMs: START_MS + h * HOUR, toMs: START_MS + (h + 2) * HOUR });
    // Hands that follow each other at once are one visit; the first is the beginning itself.
    expect(changeWords({ ...change, tasks: [at(0), at(0.2), at(5), at(20)] })).toMatch(
      /^Quark is begun \w+ \d\d:\d\d, 2 h later; its hands then come \w+ \d\d:\d\d, \w+ \d\d:\d\d\.$/,
    );
    expect(changeWords({ ...change, toMs: START_MS, tasks: [at(5)] })).toMatch(
      /^Quark: hands come \w+ \d\d:\d\d, 2 h later\.$/,
    );
    expect(shiftWords(START_MS, START_MS - 30 * 60_000)).toBe('30 min earlier');
  });

  it('say what is supposed', () => {
    expect(supposedWords({ is: 'comes late', what: 'cream', byMin: 720 })).toBe('the cream comes 12 h late');
    expect(supposedWords({ is: 'out of use', gear: 'Warm box' })).toBe('the Warm box is out of use');
    expect(supposedWords({ is: 'away', time: { fromMin: 0, toMin: 1 } })).toBe('nobody is at home');
    expect(supposedWords({ is: 'away', who: 'Ines', time: { fromMin: 0, toMin: 1 } })).toBe('Ines is ill');
  });
});
