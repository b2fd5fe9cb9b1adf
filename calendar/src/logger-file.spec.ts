import fc from 'fast-check';
import { guessForm, loggerTable, readLogger, type LoggerClock, type LoggerForm } from './logger-file.js';
import { localTime } from './zone.js';

const LIKELY = { dayFirst: true, inF: false };
const WALL: LoggerClock = { by: 'household', aheadMin: 0 };
const ISLAND = 'Europe/Oslo';

const table = (text: string, by = ',') => loggerTable(text.split('\n').map((line) => line.split(by)));
const read = (text: string, { by = ',', likely = LIKELY, clock = WALL, zone = 'UTC' } = {}) => {
  const found = table(text, by);
  const form = guessForm(found, likely);
  const { readings, skipped } = readLogger(found, form, clock, zone);
  return { form, skipped, readings: readings.map(({ atMs, value }) => [iso(atMs), Math.round(value * 100) / 100]) };
};
const iso = (ms: number) => new Date(ms).toISOString().slice(0, 19);

describe('a logger’s file', () => {
  it('is read as it comes: what it is, names, a count, moment and value, and a word in the end', () => {
    const { form, readings, skipped } = read(
      'Logger 7\nStarted by hand\n\nNo.,Time,Temperature °C\n1,2026-05-02 08:00:00,41.5\n2,2026-05-02 08:05:00,42.0\n3,2026-05-02 08:10:00,42.2\n,stopped,',
    );
    expect(form.roles).toEqual(['none', 'moment', 'value']);
    expect(readings).toEqual([
      ['2026-05-02T08:00:00', 41.5],
      ['2026-05-02T08:05:00', 42],
      ['2026-05-02T08:10:00', 42.2],
    ]);
    expect(skipped).toBe(1);
  });

  it('may have day and time apart, a comma in its numbers, and a battery beside', () => {
    const { form, readings } = read('Datum;Zeit;Akku;Temp\n02.05.2026;08:00;98;41,5\n02.05.2026;20:05;98;4,25', {
      by: ';',
    });
    expect(form.roles).toEqual(['date', 'time', 'none', 'value']);
    expect(readings).toEqual([
      ['2026-05-02T08:00:00', 41.5],
      ['2026-05-02T20:05:00', 4.25],
    ]);
  });

  it('may count seconds or milliseconds since 1970, or say how far it is from UTC', () => {
    expect(read('1777708800,40\n1777708800000,41').readings.map(([at]) => at)).toEqual([
      ...['2026-05-02T08:00:00', '2026-05-02T08:00:00'],
    ]);
    expect(read('2026-05-02T10:00:00+02:00,40\n2026-05-02T08:00:00Z,41').readings.map(([at]) => at)).toEqual([
      ...['2026-05-02T08:00:00', '2026-05-02T08:00:00'],
    ]);
  });

  it('in half days and Fahrenheit is read in °C', () => {
    const { form, readings } = read('Date,Temp (°F)\n5/14/26 12:30 AM,107.6\n5/14/26 1:00 PM,68');
    expect([form.dayFirst, form.inF]).toEqual([false, true]);
    expect(readings).toEqual([
      ['2026-05-14T00:30:00', 42],
      ['2026-05-14T13:00:00', 20],
    ]);
  });

  it('says by itself which of two numbers is the day, by one above twelve or by running on; else as the household writes', () => {
    const first = (text: string, dayFirst: boolean) => read(text, { likely: { dayFirst, inF: false } }).form.dayFirst;
    expect(first('13/05/2026 08:00,1\n14/05/2026 08:00,1', false)).toBe(true);
    expect(first('05/13/2026 08:00,1', true)).toBe(false);
    expect(first('02/05/2026 23:00,1\n03/05/2026 01:00,1', false)).toBe(true);
    expect(first('05/02/2026 23:00,1\n05/03/2026 01:00,1', true)).toBe(false);
    expect([true, false].map((dayFirst) => first('05/05/2026 08:00,1', dayFirst))).toEqual([true, false]);
  });

  it('goes by the wall, by winter time all year, or by UTC, each less what its clock was ahead', () => {
    const at = (clock: LoggerClock) => read('2026-07-02 08:00,4', { clock, zone: ISLAND }).readings[0]![0];
    expect(at(WALL)).toBe('2026-07-02T06:00:00');
    expect(at({ by: 'winter', aheadMin: 0 })).toBe('2026-07-02T07:00:00');
    expect(at({ by: 'utc', aheadMin: 0 })).toBe('2026-07-02T08:00:00');
    expect(at({ by: 'household', aheadMin: 7.5 })).toBe('2026-07-02T05:52:30');
  });

  it('knows an hour that the wall shows twice by the lines before', () => {
    const night = ['02:00', '02:30', '02:00', '02:30', '03:00'].map((time) => `2026-10-25 ${time},4`).join('\n');
    expect(read(night, { zone: ISLAND }).readings.map(([at]) => (at as string).slice(11, 16))).toEqual([
      ...['00:00', '00:30', '01:00', '01:30', '02:00'],
    ]);
  });

  it('leaves out what cannot be, and is nothing where it has no table', () => {
    const { readings, skipped } = read(
      '2026-02-28 08:00,4\n2026-02-31 08:00,4\n2026-13-01 08:00,4\n2026-02-28 24:00,4\n2026-02-28 09:00,—',
    );
    expect([readings.length, skipped]).toEqual([1, 4]);
    expect(table('milk\ncream,4\n')).toEqual({ names: null, lines: [] });
    expect(read('').readings).toEqual([]);
  });

  it('is read back as it was written, in every way of writing it and zone, whatever is ahead', () => {
    const two = (n: number) => String(n).padStart(2, '0');
    const ways: readonly ((at: ReturnType<typeof localTime>) => string)[] = [
      (at) => `${at.year}-${two(at.month)}-${two(at.day)} ${clock(at.hour)}`,
      (at) => `${two(at.day)}.${two(at.month)}.${at.year};${clock(at.hour)}`,
      (at) => `${at.month}/${at.day}/${at.year} ${clock(at.hour)}`,
    ];
    const clock = (hour: number) => {
      const s = Math.round(hour * 3600);
      return `${two(Math.floor(s / 3600))}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}`;
    };
    const series = fc.record({
      // Two clean weeks of June: no clock is changed in them.
      startS: fc.integer({ min: Date.UTC(2026, 5, 1) / 1000, max: Date.UTC(2026, 5, 14) / 1000 }),
      steps: fc.array(fc.integer({ min: 1, max: 20_000 }), { minLength: 2, maxLength: 30 }),
      way: fc.integer({ min: 0, max: 2 }),
      zone: fc.constantFrom('UTC', ISLAND, 'America/St_Johns', 'Pacific/Chatham'),
      aheadMin: fc.integer({ min: -90, max: 90 }),
    });
    fc.assert(
      fc.property(series, ({ startS, steps, way, zone, aheadMin }) => {
        const times = steps
          .reduce<number[]>((all, step) => [...all, all.at(-1)! + step], [startS])
          .map((s) => s * 1000);
        const text = times.map((ms, i) => `${ways[way]!(localTime(ms + aheadMin * 60_000, zone))};${i / 2}`).join('\n');
        const found = table(text, ';');
        const form: LoggerForm = { ...guessForm(found, { dayFirst: way !== 2, inF: false }) };
        const back = readLogger(found, form, { by: 'household', aheadMin }, zone);
        expect(back.readings).toEqual(times.map((atMs, i) => ({ atMs, value: i / 2 })));
      }),
    );
  });
});
