import { hourKind, isNight, USUAL_NIGHT, wakeAfter, wakeBefore, type Asleep } from './night.js';

const ASLEEP: Asleep = { ...USUAL_NIGHT, zone: 'UTC' };
const at = (hour: number, minute = 0, ms = 0) => Date.UTC(2026, 4, 2, hour, minute, 0, ms);

describe('the night', () => {
  it('begins and ends on the hour, over midnight or not', () => {
    expect([at(21, 59), at(22), at(3), at(5, 59), at(6)].map((ms) => isNight(ms, ASLEEP))).toEqual([
      false,
      true,
      true,
      true,
      false,
    ]);
    const day = { fromH: 9, toH: 17, zone: 'UTC' };
    expect([at(8, 59), at(9), at(16, 59), at(17)].map((ms) => isNight(ms, day))).toEqual([false, true, true, false]);
  });

  it('is none for who goes to sleep when they get up', () => {
    const never = { fromH: 6, toH: 6, zone: 'UTC' };
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
    expect(wakeAfter(at(23), ASLEEP)).toBe(Date.UTC(2026, 4, 3, 6));
  });
});

describe('where somebody sleeps', () => {
  /** The 28th and 29th of March 2026 in Berlin: clocks go from 02:00 to 03:00. */
  const berlin: Asleep = { fromH: 2.5, toH: 3, zone: 'Europe/Berlin' };
  const tokyo: Asleep = { ...USUAL_NIGHT, zone: 'Asia/Tokyo' };

  it('it is night by the wall of that place, whatever the machine shows', () => {
    expect(isNight(Date.UTC(2026, 4, 2, 12, 59), tokyo)).toBeFalse();
    expect(isNight(Date.UTC(2026, 4, 2, 13), tokyo)).toBeTrue();
    expect(wakeAfter(Date.UTC(2026, 4, 2, 14), tokyo)).toBe(Date.UTC(2026, 4, 2, 21));
    expect(wakeBefore(Date.UTC(2026, 4, 2, 17), tokyo)).toBe(Date.UTC(2026, 4, 2, 13));
  });

  it('a night that the clocks leap over is none', () => {
    const eve = Date.UTC(2026, 2, 28, 12);
    for (let h = 0; h < 24; h++) expect(isNight(eve + h * 3_600_000, berlin)).toBeFalse();
    expect(isNight(Date.UTC(2026, 2, 28, 1, 45), berlin)).toBeTrue();
  });
});

describe('working hours', () => {
  const asleep = { fromH: 22, toH: 6, zone: 'UTC' };
  const at = (day: number, hour: number) => Date.UTC(2026, 4, day, hour); // 4 May 2026 is a Monday
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
    const awake = { fromH: 4, toH: 10, zone: 'UTC' };
    expect([at(8, 19), at(9, 1), at(9, 2), at(9, 19), at(8, 1)].map((ms) => hourKind(ms, awake, late))).toEqual([
      'work',
      'work',
      'off',
      'off',
      'off',
    ]);
  });
});
