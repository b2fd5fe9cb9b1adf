import { occurrencesOf, personOver, type WantedOrder } from '@oat-crock/contract';
import { hoursOf, methodById, planFor } from '@oat-crock/core';
import { EIGHT_PIECES } from '@oat-crock/core/testing';

const HOUR = 3_600_000;
const DAY_MIN = 1440;
const ASLEEP = { fromH: 22, toH: 6 };
const WORKS = { fromH: 7, toH: 19, days: [1, 2, 3, 4, 5, 6] };

/** Runs something where clocks are as in some time zone. */
function inZone<T>(zone: string, run: () => T): T {
  const before = process.env['TZ'];
  process.env['TZ'] = zone;
  try {
    return run();
  } finally {
    if (before === undefined) delete process.env['TZ'];
    else process.env['TZ'] = before;
  }
}

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
  const lengthsH = (zone: string, fromMs: () => number, days: number) =>
    inZone(zone, () =>
      personOver('A', ASLEEP, WORKS, [], fromMs(), days * DAY_MIN).asleep.map((s) => (s.toMin - s.fromMin) / 60),
    );

  it('are an hour short where the clocks go forward in them, and an hour long where they go back', () => {
    expect(lengthsH(NORTH, () => new Date(2026, 2, 28, 12).getTime(), 2)).toEqual([7, 8]);
    expect(lengthsH(NORTH, () => new Date(2026, 9, 24, 12).getTime(), 2)).toEqual([9, 8]);
    expect(lengthsH(FAR, () => new Date(2026, 2, 7, 12).getTime(), 2)).toEqual([7, 8]);
    expect(lengthsH(FAR, () => new Date(2026, 9, 31, 12).getTime(), 2)).toEqual([9, 8]);
    expect(lengthsH(HALF, () => new Date(2026, 3, 4, 12).getTime(), 2)).toEqual([8.5, 8]);
    expect(lengthsH(NEVER, () => new Date(2026, 2, 28, 12).getTime(), 3)).toEqual([8, 8, 8]);
  });

  it('begin and end as the clock shows it, before and after it was changed and on a leap day', () => {
    for (const [zone, year, month, day] of [
      [NORTH, 2026, 2, 27],
      [FAR, 2026, 9, 30],
      [NEVER, 2028, 1, 27],
    ] as const) {
      inZone(zone, () => {
        const fromMs = new Date(year, month, day, 12).getTime();
        const { asleep, works } = personOver('A', ASLEEP, WORKS, [], fromMs, 5 * DAY_MIN);
        const hour = (min: number) => new Date(fromMs + min * 60_000).getHours();
        expect(new Set(asleep.map((s) => `${hour(s.fromMin)}-${hour(s.toMin)}`))).toEqual(new Set(['22-6']));
        expect(new Set(works!.map((s) => `${hour(s.fromMin)}-${hour(s.toMin)}`))).toEqual(new Set(['7-19']));
        const days = works!.map((s) => new Date(fromMs + s.fromMin * 60_000).getDay());
        expect(days).not.toContain(0);
      });
    }
  });

  it('that one is in counts from its beginning, and somebody may be away', () => {
    inZone(NEVER, () => {
      const fromMs = new Date(2026, 4, 2, 2).getTime();
      const away = [{ fromMs: fromMs + 10 * HOUR, toMs: fromMs + 20 * HOUR }];
      const hours = hoursOf([personOver('A', ASLEEP, WORKS, away, fromMs, DAY_MIN)], DAY_MIN);
      expect(hours.nightMin(0, DAY_MIN)).toBe((4 + 10 + 4 - 0) * 60);
      expect(hours.nextWelcome(0, 30)).toBe(4 * 60);
    });
  });
});

describe('orders that come again', () => {
  it('fall due at the same hour of the same day of each week, whatever becomes of the clocks', () => {
    for (const zone of [NORTH, FAR, HALF, NEVER]) {
      inZone(zone, () => {
        const fromMs = new Date(2026, 1, 20, 12).getTime();
        const weekly = order({ is: 'weekly', day: 6, atH: 7.5, fromMs });
        const due = occurrencesOf([weekly], fromMs, new Date(2026, 3, 20).getTime());
        expect(due.length).toBe(9);
        for (const { dueMs } of due) {
          const at = new Date(dueMs!);
          expect([at.getDay(), at.getHours(), at.getMinutes()]).toEqual([6, 7, 30]);
        }
        expect(new Set(due.map((d) => d.id)).size).toBe(9);
      });
    }
  });

  it('once, or some time, are what they are; what is past is no more', () => {
    const fromMs = new Date(2026, 4, 2, 12).getTime();
    const at = (ms: number) => order({ is: 'once', atMs: ms });
    const [a, b] = occurrencesOf(
      [order({ is: 'some time' }), at(fromMs + HOUR), at(fromMs - HOUR)],
      fromMs,
      fromMs + 9 * HOUR,
    );
    expect([a!.dueMs, b!.dueMs]).toEqual([fromMs + HOUR, null]);
    expect(occurrencesOf([at(fromMs + 10 * HOUR)], fromMs, fromMs + 9 * HOUR)).toEqual([]);
  });
});

describe('a plan over a night in which the clocks are changed', () => {
  it('has no hands in it, and is ready when the clock shows the hour', () => {
    for (const [month, day] of [
      [2, 27],
      [9, 23],
    ] as const) {
      inZone(NORTH, () => {
        const fromMs = new Date(2026, month, day, 12).getTime();
        const dueMs = new Date(2026, month, day + 3, 8).getTime();
        const horizonMin = 5 * DAY_MIN;
        const plan = planFor(
          {
            orders: [
              { id: 'A', method: methodById('strained-yogurt'), productG: 2000, dueMin: (dueMs - fromMs) / 60_000 },
            ],
            people: [personOver('A', ASLEEP, WORKS, [], fromMs, horizonMin)],
            gear: EIGHT_PIECES,
            horizonMin,
            seed: 1,
          },
          20,
        );
        expect(plan.unmet).toEqual([]);
        expect(plan.nightHandsMin).toBe(0);
        for (const { beginMin } of plan.makes[0]!.steps) {
          const hour = new Date(fromMs + beginMin * 60_000).getHours();
          expect(hour >= 6 && hour < 22).toBeTrue();
        }
      });
    }
  });
});
