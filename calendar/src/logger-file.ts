import { aheadOfUtcMs, momentAt, type CalendarDay, type Zone } from './zone.js';

/** What a column of a logger's table is. */
export type ColumnRole = 'moment' | 'date' | 'time' | 'value' | 'none';

/** A logger's table: the names of its columns, where they have any, and its lines. */
export interface LoggerTable {
  readonly names: readonly string[] | null;
  readonly lines: readonly (readonly string[])[];
}

/** How a table is read. */
export interface LoggerForm {
  /** What each column is. */
  readonly roles: readonly ColumnRole[];
  /** 02/05 is the second of May; where not, the fifth of February. */
  readonly dayFirst: boolean;
  /** Its values are °F. */
  readonly inF: boolean;
}

/** How a logger's clock stood: by the wall of the household, by its winter time all year, or by UTC; and so far ahead of that, min. */
export interface LoggerClock {
  readonly by: 'household' | 'winter' | 'utc';
  readonly aheadMin: number;
}

/** What a table comes to: its readings in order of time, and how many lines say nothing that can be read. */
export interface LoggerRead {
  readonly readings: readonly { readonly atMs: number; readonly value: number }[];
  readonly skipped: number;
}

/** A day as it was written: three numbers, the year first or last. */
interface WrittenDay {
  readonly numbers: readonly [number, number, number];
  readonly yearFirst: boolean;
}

/** What a cell says of a moment. */
interface WrittenMoment {
  readonly day: WrittenDay | null;
  /** Hours of the day, with their fraction. */
  readonly hour: number | null;
  /** How far it is ahead of UTC, where it says so, min. */
  readonly offsetMin: number | null;
  /** The moment itself, where it is counted since 1970. */
  readonly atMs: number | null;
}

const DAY = String.raw`(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})`;
const CLOCK = String.raw`(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*([ap]\.?m\.?)?`;
const MOMENT = new RegExp(`^${DAY}(?:[T ,]+${CLOCK})?\\s*(Z|[+-]\\d{2}:?\\d{2})?$`, 'i');
const ONLY_CLOCK = new RegExp(`^${CLOCK}$`, 'i');
const SINCE_1970 = /^1\d{9}(\d{3})?$/;
const NUMBER = /^([+-]?\d+(?:[.,]\d+)?)\s*(°?\s*[CF]|pH|mV|g|%)?$/i;

const HOUR_MS = 3_600_000;
const MIN_MS = 60_000;

/** Finds the table in a file's cells: above it stand what the logger is and the names of its columns, below it may stand anything. */
export function loggerTable(cells: readonly (readonly string[])[]): LoggerTable {
  const trimmed = cells.map((line) => line.map((cell) => cell.trim()));
  const first = trimmed.findIndex(isData);
  if (first < 0) return { names: null, lines: [] };
  const above = trimmed[first - 1];
  const isNames = above !== undefined && above.filter(Boolean).length > 1;
  return { names: isNames ? above : null, lines: trimmed.slice(first).filter((line) => line.some(Boolean)) };
}

/** A line that says when, and a number. */
function isData(line: readonly string[]): boolean {
  const when = line.findIndex((cell) => momentIn(cell) !== null);
  return when >= 0 && line.some((cell, i) => i !== when && numberIn(cell) !== null && !SINCE_1970.test(cell));
}

/**
 * How a table is likely to be read.
 *
 * @param likely what stands where the file does not say: how the household writes dates, and in what it measures
 */
export function guessForm(table: LoggerTable, likely: Pick<LoggerForm, 'dayFirst' | 'inF'>): LoggerForm {
  const roles = guessRoles(table);
  const value = roles.indexOf('value');
  const unit = `${table.names?.[value] ?? ''} ${table.lines[0]?.[value] ?? ''}`;
  const inF = /°\s*F\b|fahrenheit|\d\s*F$|\(F\)/i.test(unit)
    ? true
    : /°\s*C\b|celsius|\d\s*C$|\(C\)/i.test(unit)
      ? false
      : likely.inF;
  return { roles, dayFirst: guessDayFirst(table, roles) ?? likely.dayFirst, inF };
}

function guessRoles({ names, lines }: LoggerTable): ColumnRole[] {
  const width = Math.max(0, ...lines.map((line) => line.length));
  const columns = Array.from({ length: width }, (_, i) => lines.map((line) => line[i] ?? ''));
  const roles: ColumnRole[] = columns.map(() => 'none');
  const mostly = (cells: readonly string[], is: (cell: string) => boolean) =>
    cells.length > 0 && cells.filter(is).length >= MOSTLY * cells.length;
  const find = (is: (cell: string) => boolean) =>
    columns.findIndex((cells, i) => roles[i] === 'none' && mostly(cells, is));
  const take = (i: number, role: ColumnRole) => {
    if (i >= 0) roles[i] = role;
    return i >= 0;
  };
  const whole = find((cell) => {
    const written = momentIn(cell);
    return written !== null && (written.atMs !== null || (written.day !== null && written.hour !== null));
  });
  if (!take(whole, 'moment')) {
    take(
      find((cell) => (momentIn(cell)?.day ?? null) !== null),
      'date',
    );
    take(
      find((cell) => (momentIn(cell)?.hour ?? null) !== null),
      'time',
    );
  }
  const numbers = columns.flatMap((cells, i) =>
    roles[i] === 'none' && mostly(cells, (cell) => numberIn(cell) !== null) && !isCount(cells) ? [i] : [],
  );
  const named = numbers.find((i) =>
    /temp|°|celsius|fahrenheit|\bph\b|value|wert|weight|gewicht/i.test(names?.[i] ?? ''),
  );
  take(named ?? numbers[0] ?? -1, 'value');
  return roles;
}

/** A column is what so many of its cells are: a logger writes a line in between that it was stopped. */
const MOSTLY = 0.7;

/** Numbers of lines: 1, 2, 3, … */
const isCount = (cells: readonly string[]) =>
  cells.length > 2 && cells.every((cell, i) => i === 0 || Number(cell) - Number(cells[i - 1]) === 1);

/** Whether the day comes first, as far as the table itself says so: by a number above twelve, or as the other order would go back in time. */
function guessDayFirst({ lines }: LoggerTable, roles: readonly ColumnRole[]): boolean | null {
  const column = roles.findIndex((role) => role === 'moment' || role === 'date');
  const days = lines.flatMap((line) => momentIn(line[column] ?? '')?.day ?? []).filter(({ yearFirst }) => !yearFirst);
  if (days.length === 0) return null;
  if (days.some(({ numbers }) => numbers[0] > 12)) return true;
  if (days.some(({ numbers }) => numbers[1] > 12)) return false;
  const span = (dayFirst: boolean) => {
    const at = days.map((day) => dayOf(day, dayFirst)).map(({ year, month, day }) => year * 372 + month * 31 + day);
    return Math.max(...at) - Math.min(...at);
  };
  // A logger is read out after days or weeks: the order in which it ran for months is the wrong one.
  return span(true) === span(false) ? null : span(true) < span(false);
}

/**
 * Reads a table: each line's moment by the clock as it stood, and its value in °C where it is a temperature. An hour that a wall
 * shows twice, as clocks go back, is the second of them where the lines before were in the first already.
 */
export function readLogger(table: LoggerTable, form: LoggerForm, clock: LoggerClock, zone: Zone): LoggerRead {
  const readings: { atMs: number; value: number }[] = [];
  let lastMs = -Infinity;
  for (const line of table.lines) {
    const at = (role: ColumnRole) => line[form.roles.indexOf(role)] ?? '';
    const shown = numberIn(at('value'));
    const isOne = form.roles.includes('moment');
    const written = isOne ? momentIn(at('moment')) : together(momentIn(at('date')), momentIn(at('time')));
    const firstMs = written && msOf(written, form.dayFirst, clock, zone);
    if (shown === null || firstMs === null) continue;
    const againMs = firstMs + HOUR_MS;
    const isTwice = clock.by === 'household' && aheadOfUtcMs(firstMs, zone) - aheadOfUtcMs(againMs, zone) === HOUR_MS;
    lastMs = isTwice && firstMs <= lastMs ? againMs : firstMs;
    readings.push({ atMs: lastMs - clock.aheadMin * MIN_MS, value: form.inF ? (shown - 32) / 1.8 : shown });
  }
  return { readings: readings.sort((a, b) => a.atMs - b.atMs), skipped: table.lines.length - readings.length };
}

const together = (date: WrittenMoment | null, time: WrittenMoment | null): WrittenMoment | null =>
  date && time && { ...date, hour: time.hour };

function msOf(written: WrittenMoment, dayFirst: boolean, { by }: LoggerClock, zone: Zone): number | null {
  if (written.atMs !== null) return written.atMs;
  const { day, hour, offsetMin } = written;
  if (day === null || hour === null) return null;
  const date = dayOf(day, dayFirst);
  if (!isDay(date) || hour >= 24) return null;
  const inUtc = (aheadMs: number) => toSecond(momentAt(date, hour, 'UTC')) - aheadMs;
  if (offsetMin !== null) return inUtc(offsetMin * MIN_MS);
  if (by === 'utc') return inUtc(0);
  if (by === 'winter') return inUtc(winterAheadMs(date.year, zone));
  return toSecond(momentAt(date, hour, zone));
}

/** Hours are reckoned with their fraction; loggers write whole seconds. */
const toSecond = (ms: number) => Math.round(ms / 1000) * 1000;

/** Whether there is such a day: no 31 February. */
const isDay = ({ year, month, day }: CalendarDay) =>
  month >= 1 && month <= 12 && new Date(Date.UTC(year, month - 1, day)).getUTCDate() === day;

/** How far a zone is ahead of UTC while its clocks are not put forward, ms. */
const winterAheadMs = (year: number, zone: Zone) =>
  Math.min(...[0, 6].map((month) => aheadOfUtcMs(Date.UTC(year, month, 1), zone)));

function dayOf({ numbers: [a, b, c], yearFirst }: WrittenDay, dayFirst: boolean) {
  if (yearFirst) return { year: a, month: b, day: c };
  const year = c < 100 ? 2000 + c : c;
  return dayFirst ? { year, month: b, day: a } : { year, month: a, day: b };
}

/** What a cell says of a moment; null where that is nothing. */
function momentIn(cell: string): WrittenMoment | null {
  const nothing = { day: null, hour: null, offsetMin: null, atMs: null };
  if (SINCE_1970.test(cell)) return { ...nothing, atMs: Number(cell) * (cell.length === 10 ? 1000 : 1) };
  const clock = ONLY_CLOCK.exec(cell);
  if (clock) return { ...nothing, hour: hourOf(clock.slice(1)) };
  const [all, a, b, c, ...rest] = MOMENT.exec(cell) ?? [];
  if (!all) return null;
  const yearFirst = a!.length === 4;
  if (!yearFirst && a!.length > 2) return null;
  if (yearFirst ? c!.length > 2 : c!.length !== 4 && c!.length !== 2) return null;
  const offset = rest[4];
  return {
    ...nothing,
    day: { numbers: [Number(a), Number(b), Number(c)], yearFirst },
    hour: rest[0] === undefined ? null : hourOf(rest),
    offsetMin: offset === undefined ? null : offsetOf(offset),
  };
}

/** Hours of the day of "1", "30", "00", "pm". */
function hourOf([h, m, s, half]: readonly (string | undefined)[]): number {
  const hour = Number(h);
  const of12 = half === undefined ? hour : (hour % 12) + (/^p/i.test(half) ? 12 : 0);
  return of12 + Number(m) / 60 + Number(s ?? 0) / 3600;
}

function offsetOf(offset: string): number {
  if (/z/i.test(offset)) return 0;
  const [, sign, h, m] = /([+-])(\d{2}):?(\d{2})/.exec(offset)!;
  return (sign === '-' ? -1 : 1) * (Number(h) * 60 + Number(m));
}

/** The number that a cell says, with a point or a comma, and its unit where it names one; null where it says none. */
function numberIn(cell: string): number | null {
  const [, number] = NUMBER.exec(cell) ?? [];
  return number === undefined ? null : Number(number.replace(',', '.'));
}
