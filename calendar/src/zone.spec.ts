import fc from 'fast-check';
import {
  aheadOfUtcMs,
  dayOfWord,
  daysOn,
  daysOver,
  dayWord,
  hoursOver,
  isSameDay,
  isZone,
  localTime,
  momentAt,
  noonOf,
  sameHourOn,
  weekdayOf,
  wordOf,
} from './zone.js';

const ZONES = [
  'UTC',
  'Europe/Berlin',
  'America/St_Johns',
  'Pacific/Auckland',
  'Asia/Kolkata',
  'Australia/Lord_Howe',
  'America/Sao_Paulo',
  'Pacific/Apia',
] as const;
const HOUR = 3_600_000;

const zones = fc.constantFrom(...ZONES);
const moments = fc.integer({ min: Date.UTC(2000, 0, 1), max: Date.UTC(2060, 0, 1) });

describe('a zone', () => {
  it('is known by its name, or is none', () => {
    expect(ZONES.every(isZone)).toBeTrue();
    expect(['', 'Mars/Olympus', 'Europe/Berlinn', '25'].some(isZone)).toBeFalse();
  });

  it('is ahead of UTC as the world has it, by summer and winter', () => {
    const ahead = (zone: string, month: number) => aheadOfUtcMs(Date.UTC(2026, month, 15), zone) / HOUR;
    expect([ahead('Europe/Berlin', 0), ahead('Europe/Berlin', 6)]).toEqual([1, 2]);
    expect([ahead('America/St_Johns', 0), ahead('America/St_Johns', 6)]).toEqual([-3.5, -2.5]);
    expect([ahead('Pacific/Auckland', 0), ahead('Pacific/Auckland', 6)]).toEqual([13, 12]);
    expect([ahead('Asia/Kolkata', 0), ahead('Asia/Kolkata', 6)]).toEqual([5.5, 5.5]);
  });

  it('shows what the platform’s own formatter shows, at any moment', () => {
    const shown = new Map(
      ZONES.map((timeZone) => [
        timeZone,
        new Intl.DateTimeFormat('en-CA', { timeZone, dateStyle: 'short', timeStyle: 'medium', hourCycle: 'h23' }),
      ]),
    );
    const two = (n: number) => String(n).padStart(2, '0');
    fc.assert(
      fc.property(zones, moments, (zone, atMs) => {
        const { year, month, day, hour } = localTime(atMs, zone);
        const seconds = Math.floor(hour * 3600 + 1e-6);
        const clock = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60].map(two).join(':');
        expect(`${wordOf({ year, month, day })}, ${clock}`).toBe(shown.get(zone)!.format(atMs));
      }),
    );
  });

  it('comes back to a moment from what its wall shows, but for the hour that comes twice', () => {
    fc.assert(
      fc.property(zones, moments, (zone, atMs) => {
        const local = localTime(atMs, zone);
        const back = momentAt(local, local.hour, zone);
        const twice = aheadOfUtcMs(back, zone) - aheadOfUtcMs(atMs, zone);
        expect(back).toBe(atMs - twice);
        expect(twice).toBeGreaterThanOrEqual(0);
      }),
    );
  });
});

describe('an hour of the wall', () => {
  const at = (day: number, hour: number) => momentAt({ year: 2026, month: 3, day }, hour, 'Europe/Berlin');

  it('that the clocks leap over is the one they show instead; one that comes twice is the first', () => {
    expect(at(29, 2.5)).toBe(Date.UTC(2026, 2, 29, 1, 30));
    expect(localTime(at(29, 2.5), 'Europe/Berlin').hour).toBe(3.5);
    expect(momentAt({ year: 2026, month: 10, day: 25 }, 2.5, 'Europe/Berlin')).toBe(Date.UTC(2026, 9, 25, 0, 30));
  });

  it('may run over into other days, by the wall and not by the hours that pass', () => {
    expect(at(28, 30)).toBe(at(29, 6));
    expect(at(29, 6) - at(28, 6)).toBe(23 * HOUR);
    expect(at(29, -2)).toBe(at(28, 22));
    expect(sameHourOn(at(28, 6), 1, 'Europe/Berlin')).toBe(at(29, 6));
    expect(sameHourOn(at(29, 6), -1, 'Europe/Berlin')).toBe(at(28, 6));
  });
});

describe('days of the calendar', () => {
  it('follow one another over months, years and leap days', () => {
    expect(daysOn({ year: 2028, month: 2, day: 28 }, 1)).toEqual({ year: 2028, month: 2, day: 29 });
    expect(daysOn({ year: 2026, month: 2, day: 28 }, 1)).toEqual({ year: 2026, month: 3, day: 1 });
    expect(daysOn({ year: 2026, month: 1, day: 1 }, -1)).toEqual({ year: 2025, month: 12, day: 31 });
    expect(weekdayOf({ year: 2028, month: 2, day: 29 })).toBe(2);
    expect(dayOfWord('2028-02-29')).toEqual({ year: 2028, month: 2, day: 29 });
  });

  it('are those of the zone', () => {
    const lateMs = Date.UTC(2026, 4, 2, 12);
    expect(dayWord(lateMs, 'Pacific/Auckland')).toBe('2026-05-03');
    expect(dayWord(lateMs, 'America/St_Johns')).toBe('2026-05-02');
    expect(isSameDay(lateMs, lateMs + 11 * HOUR, 'UTC')).toBeTrue();
    expect(isSameDay(lateMs, lateMs + 12 * HOUR, 'UTC')).toBeFalse();
    for (const zone of ZONES) expect(dayWord(noonOf('2026-03-29', zone), zone)).toBe('2026-03-29');
  });

  it('of a stretch are all it touches, and its hours come as often as the wall shows them', () => {
    const day = { year: 2026, month: 10, day: 24 };
    const from = momentAt(day, 12, 'Europe/Berlin');
    expect(daysOver(from, from + 25 * HOUR, 'Europe/Berlin').map(wordOf)).toEqual(['2026-10-24', '2026-10-25']);
    expect(daysOver(from, momentAt(day, 24, 'Europe/Berlin'), 'Europe/Berlin').length).toBe(1);
    const hours = (everyH: number) =>
      hoursOver(from, momentAt(day, 36, 'Europe/Berlin'), everyH, 'Europe/Berlin').map(
        (ms) => localTime(ms, 'Europe/Berlin').hour,
      );
    expect(hours(6)).toEqual([12, 18, 0, 6]);
    expect(hours(24)).toEqual([0]);
    const spring = momentAt({ year: 2026, month: 3, day: 29 }, 0, 'Europe/Berlin');
    expect(hoursOver(spring, spring + 4 * HOUR, 1, 'Europe/Berlin').length).toBe(4);
  });
});
