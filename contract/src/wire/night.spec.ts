import { ASLEEP, isNight, wakeAfter } from './night.js';

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
