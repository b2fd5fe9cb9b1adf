import { ASLEEP, hourKind, isNight, wakeAfter } from './night.js';

const at = (hour: number, minute = 0, ms = 0) => new Date(2026, 4, 2, hour, minute, 0, ms).getTime();

describe('the night', () => {
  it('begins and ends on the hour, over midnight or not', () => {
    expect([at(21, 59), at(22), at(3), at(5, 59), at(6)].map((ms) => isNight(ms, ASLEEP))).toEqual([
      false,
      true,
      true,
      true,
      false,
    ]);
    const day = { fromH: 9, toH: 17 };
    expect([at(8, 59), at(9), at(16, 59), at(17)].map((ms) => isNight(ms, day))).toEqual([false, true, true, false]);
  });

  it('is none for who goes to sleep when they get up', () => {
    const never = { fromH: 6, toH: 6 };
    expect([at(5), at(6), at(23)].some((ms) => isNight(ms, never))).toBeFalse();
    expect(wakeAfter(at(3), never)).toBe(at(3));
  });

  it('is over for what was put off till its end, though rounding lays it a hair before', () => {
    const waking = wakeAfter(at(3), ASLEEP);
    expect(waking).toBe(at(6));
    expect(isNight(waking - 0.01, ASLEEP)).toBeFalse();
    expect(wakeAfter(waking - 0.01, ASLEEP)).toBe(waking - 0.01);
  });

  it('puts off till the next morning what falls before midnight', () => {
    expect(wakeAfter(at(23), ASLEEP)).toBe(new Date(2026, 4, 3, 6).getTime());
  });
});

describe('working hours', () => {
  const asleep = { fromH: 22, toH: 6 };
  const at = (day: number, hour: number) => new Date(2026, 4, day, hour).getTime(); // 4 May 2026 is a Monday
  const weekday = { fromH: 8, toH: 17, days: [1, 2, 3, 4, 5] };

  it('are those of the days that are worked; what is left of the waking day is off, and night is night', () => {
    const kinds = [7, 8, 16, 17, 21, 22].map((hour) => hourKind(at(4, hour), asleep, weekday));
    expect(kinds).toEqual(['off', 'work', 'work', 'off', 'off', 'night']);
    expect(hourKind(at(9, 12), asleep, weekday))
      .withContext('a Saturday')
      .toBe('off');
  });

  it('over midnight belong to the day on which they began', () => {
    const late = { fromH: 18, toH: 2, days: [5] };
    const awake = { fromH: 4, toH: 10 };
    expect([at(8, 19), at(9, 1), at(9, 2), at(9, 19), at(8, 1)].map((ms) => hourKind(ms, awake, late))).toEqual([
      'work',
      'work',
      'off',
      'off',
      'off',
    ]);
  });
});
