import { momentAt } from '@oat-crock/calendar';
import { pickedMoment, pickerDate } from './device';

describe('a date picker', () => {
  it('is given the figures of the household’s wall and gives them back, whatever zone this device is in', () => {
    for (const zone of ['UTC', 'America/St_Johns', 'Pacific/Auckland', 'Asia/Kolkata']) {
      for (const [month, day, hour] of [
        [5, 2, 0],
        [7, 14, 12.25],
        [12, 31, 23.75],
      ] as const) {
        const atMs = momentAt({ year: 2026, month, day }, hour, zone);
        const shown = pickerDate(atMs, zone);
        expect([shown.getMonth() + 1, shown.getDate(), shown.getHours() + shown.getMinutes() / 60]).toEqual([
          month,
          day,
          hour,
        ]);
        expect(pickedMoment(shown, zone)).toBe(atMs);
      }
    }
  });
});
