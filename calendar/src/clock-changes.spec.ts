import type { Supply, WantedOrder } from '@oat-crock/contract/api';
import { hoursOf, methodById, planFor } from '@oat-crock/core';
import { EIGHT_PIECES } from '@oat-crock/core/testing';
import { nextWeekday, occurrencesOf, supplyTimesOf } from './due-times.js';
import { personOver } from './people.js';
import { localTime, momentAt } from './zone.js';

const HOUR = 3_600_000;
const DAY_MIN = 1440;
const WORKS = { fromH: 7, toH: 19, days: [1, 2, 3, 4, 5, 6] };
const asleepIn = (zone: string) => ({ fromH: 22, toH: 6, zone });
const hourOf = (year: number, month: number, day: number, hour: number, zone: string) =>
  momentAt({ year, month, day }, hour, zone);

/** Zones with their clocks changed in March and October, in November and March, by half an hour, and never. */
const [NORTH, FAR, HALF, NEVER] = ['Europe/Berlin', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kolkata'] as const;

const order = (due: WantedOrder['due']): WantedOrder => ({
  id: '01J00000000000000000000000',
  whom: '',
  methodId: 'scalded-yogurt',
  choices: {},
  productG: 3000,
  due,
  note: '',
});

describe('nights as minutes of a plan', () => {
  const lengthsH = (zone: string, month: number, day: number, days: number) =>
    personOver('A', asleepIn(zone), WORKS, [], hourOf(2026, month, day, 12, zone), days * DAY_MIN).asleep.map(
      (s) => (s.toMin - s.fromMin) / 60,
    );

  it('are an hour short where the clocks go forward in them, and an hour long where they go back', () => {
    expect(lengthsH(NORTH, 3, 28, 2)).toEqual([7, 8]);
    expect(lengthsH(NORTH, 10, 24, 2)).toEqual([9, 8]);
    expect(lengthsH(FAR, 3, 7, 2)).toEqual([7, 8]);
    expect(lengthsH(FAR, 10, 31, 2)).toEqual([9, 8]);
    expect(lengthsH(HALF, 4, 4, 2)).toEqual([8.5, 8]);
    expect(lengthsH(NEVER, 3, 28, 3)).toEqual([8, 8, 8]);
  });

  it('begin and end as the clock shows it, before and after it was changed and on a leap day', () => {
    for (const [zone, year, month, day] of [
      [NORTH, 2026, 3, 27],
      [FAR, 2026, 10, 30],
      [NEVER, 2028, 2, 27],
    ] as const) {
      const fromMs = hourOf(year, month, day, 12, zone);
      const { asleep, works } = personOver('A', asleepIn(zone), WORKS, [], fromMs, 5 * DAY_MIN);
      const at = (min: number) => localTime(fromMs + min * 60_000, zone);
      const hours = (s: { fromMin: number; toMin: number }) => `${at(s.fromMin).hour}-${at(s.toMin).hour}`;
      expect(new Set(asleep.map(hours))).toEqual(new Set(['22-6']));
      expect(new Set(works!.map(hours))).toEqual(new Set(['7-19']));
      expect(works!.map((s) => at(s.fromMin).weekday)).not.toContain(0);
    }
  });

  it('that one is in counts from its beginning, and somebody may be away', () => {
    const fromMs = hourOf(2026, 5, 2, 2, NEVER);
    const away = [{ fromMs: fromMs + 10 * HOUR, toMs: fromMs + 20 * HOUR }];
    const hours = hoursOf([personOver('A', asleepIn(NEVER), WORKS, away, fromMs, DAY_MIN)], DAY_MIN);
    expect(hours.nightMin(0, DAY_MIN)).toBe((4 + 10 + 4 - 0) * 60);
    expect(hours.nextWelcome(0, 30)).toBe(4 * 60);
  });
});

describe('orders that come again', () => {
  it('fall due at the same hour of the same day of each week, whatever becomes of the clocks', () => {
    for (const zone of [NORTH, FAR, HALF, NEVER]) {
      const fromMs = hourOf(2026, 2, 20, 12, zone);
      const weekly = order({ is: 'weekly', day: 6, atH: 7.5, fromMs });
      const due = occurrencesOf([weekly], fromMs, hourOf(2026, 4, 20, 0, zone), zone);
      expect(due.length).toBe(9);
      for (const { dueMs } of due) {
        const { weekday, hour } = localTime(dueMs!, zone);
        expect([weekday, hour]).toEqual([6, 7.5]);
      }
      expect(new Set(due.map((d) => d.id)).size).toBe(9);
    }
  });

  it('once, or some time, are what they are; what is past is no more', () => {
    const fromMs = hourOf(2026, 5, 2, 12, NEVER);
    const at = (ms: number) => order({ is: 'once', atMs: ms });
    const of = (orders: readonly WantedOrder[]) => occurrencesOf(orders, fromMs, fromMs + 9 * HOUR, NEVER);
    const [a, b] = of([order({ is: 'some time' }), at(fromMs + HOUR), at(fromMs - HOUR)]);
    expect([a!.dueMs, b!.dueMs]).toEqual([fromMs + HOUR, null]);
    expect(of([at(fromMs + 9 * HOUR)]).length).toBe(1);
    expect(of([at(fromMs + 9 * HOUR + 1)])).toEqual([]);
    expect(of([at(fromMs)])).toEqual([]);
  });

  it('and milk comes on its days at its hour, each time under an id of its own, in order', () => {
    for (const zone of [NORTH, FAR, HALF, NEVER]) {
      const fromMs = hourOf(2026, 3, 23, 12, zone);
      const supply: Supply = {
        ...{ id: 'meadow', kind: 'milk', name: 'Meadow', massG: 1, keepsDays: 3, note: '' },
        ...{ fatPct: 4, proteinPct: 3.4, treatment: 'raw', price: 1 },
        comes: { is: 'weekly', days: [4, 1], atH: 2.5, fromMs },
      };
      const times = supplyTimesOf([supply], fromMs, hourOf(2026, 4, 13, 0, zone), zone);
      expect(times.map(({ atMs }) => localTime(atMs, zone).weekday)).toEqual([4, 1, 4, 1, 4]);
      expect(new Set(times.map((t) => t.id)).size).toBe(5);
      const once: Supply = { ...supply, comes: { is: 'once', atMs: fromMs + HOUR } };
      expect(supplyTimesOf([once], fromMs, fromMs + HOUR, zone).map((t) => t.id)).toEqual(['meadow']);
      expect(supplyTimesOf([once], fromMs, fromMs + HOUR - 1, zone)).toEqual([]);
    }
  });

  it('are found on the next such day, today among them, from so many days on', () => {
    const mondayMs = hourOf(2026, 5, 4, 9, NORTH);
    expect(nextWeekday(mondayMs, 1, 8, NORTH)).toBe(hourOf(2026, 5, 4, 8, NORTH));
    expect(nextWeekday(mondayMs, 0, 8, NORTH)).toBe(hourOf(2026, 5, 10, 8, NORTH));
    expect(nextWeekday(mondayMs, 3, 8.25, NORTH, 2)).toBe(hourOf(2026, 5, 6, 8.25, NORTH));
    expect(nextWeekday(mondayMs, 2, 8, NORTH, 2)).toBe(hourOf(2026, 5, 12, 8, NORTH));
  });
});

describe('a plan over a night in which the clocks are changed', () => {
  it('has no hands in it, and is ready when the clock shows the hour', () => {
    for (const [month, day] of [
      [3, 27],
      [10, 23],
    ] as const) {
      const fromMs = hourOf(2026, month, day, 12, NORTH);
      const dueMs = hourOf(2026, month, day + 3, 8, NORTH);
      const horizonMin = 5 * DAY_MIN;
      const plan = planFor(
        {
          orders: [
            { id: 'A', method: methodById('strained-yogurt'), productG: 2000, dueMin: (dueMs - fromMs) / 60_000 },
          ],
          people: [personOver('A', asleepIn(NORTH), WORKS, [], fromMs, horizonMin)],
          gear: EIGHT_PIECES,
          horizonMin,
          seed: 1,
        },
        20,
      );
      expect(plan.unmet).toEqual([]);
      expect(plan.nightHandsMin).toBe(0);
      for (const { beginMin } of plan.makes[0]!.steps) {
        const { hour } = localTime(fromMs + beginMin * 60_000, NORTH);
        expect(hour >= 6 && hour < 22).toBeTrue();
      }
    }
  });
});
