import { computed } from '@angular/core';
import { datesIn, datesTag } from './reader';
import { kitchenZone } from './zone';

export { datesIn };

type Style =
  | 'clock'
  | 'hour'
  | 'weekdayClock'
  | 'day'
  | 'dayClock'
  | 'mark'
  | 'longDay'
  | 'weekday'
  | 'initial'
  | 'month'
  | 'dayYear'
  | 'record';

const STYLES: Readonly<Record<Style, Intl.DateTimeFormatOptions>> = {
  clock: { hour: 'numeric', minute: '2-digit' },
  hour: { hour: 'numeric' },
  weekdayClock: { weekday: 'short', hour: 'numeric', minute: '2-digit' },
  day: { weekday: 'short', day: 'numeric', month: 'short' },
  dayClock: { weekday: 'short', day: 'numeric', month: 'short', hour: 'numeric', minute: '2-digit' },
  mark: { weekday: 'short', day: 'numeric' },
  weekday: { weekday: 'short' },
  initial: { weekday: 'narrow' },
  month: { month: 'long' },
  dayYear: { day: 'numeric', month: 'short', year: 'numeric' },
  record: { day: 'numeric', month: 'short', year: 'numeric', hour: 'numeric', minute: '2-digit' },
  longDay: { weekday: 'long', day: 'numeric', month: 'long' },
};

/** Writers of moments in the household's zone. */
const formats = computed(() => formatsIn(datesTag(), kitchenZone()));
/** Writers of hours, weekdays and months that belong to no day: reckoned and written in UTC. */
const plainFormats = computed(() => formatsIn(datesTag(), 'UTC'));

function formatsIn(language: string | undefined, timeZone: string) {
  const made = new Map<Style, Intl.DateTimeFormat>();
  return (style: Style): Intl.DateTimeFormat => {
    let format = made.get(style);
    if (!format) {
      format = new Intl.DateTimeFormat(language, { ...twoDigits(STYLES[style], language), timeZone });
      made.set(style, format);
    }
    return format;
  };
}

/** Hours of a 24 h clock keep their two digits, "06:50"; others do not. */
function twoDigits(style: Intl.DateTimeFormatOptions, language: string | undefined): Intl.DateTimeFormatOptions {
  if (style.hour === undefined) return style;
  const { hour12 } = new Intl.DateTimeFormat(language, { hour: 'numeric' }).resolvedOptions();
  return hour12 ? style : { ...style, hour: '2-digit' };
}

/** A moment (ms) so written, in the household's zone; without the commas some languages set between the parts. */
export function written(atMs: number, style: Style): string {
  return bare(formats()(style).format(atMs));
}

/** A Sunday. */
const SUNDAY_MS = Date.UTC(2026, 0, 4);
const HOUR_MS = 3_600_000;
const plain = (atMs: number, style: Style): string => bare(plainFormats()(style).format(atMs));

/** An hour of the day: "06:30" for 6.5. */
export const hourWord = (hour: number): string => plain(SUNDAY_MS + hour * HOUR_MS, 'clock');

/** A day of the week (0 is Sunday): "Tue", or "T". */
export const weekdayWord = (day: number, style: 'weekday' | 'initial' = 'weekday'): string =>
  plain(SUNDAY_MS + 24 * day * HOUR_MS, style);

/** An hour of a day of the week: "Sat 08:00". */
export const weekdayHourWord = (day: number, hour: number): string =>
  plain(SUNDAY_MS + (24 * day + hour) * HOUR_MS, 'weekdayClock');

/** A month (1 is January): "May". */
export const monthWord = (month: number): string => plain(Date.UTC(2026, month - 1, 1), 'month');

const bare = (text: string): string => text.replaceAll(',', '').replace(/\u202f/g, ' ');

/** Whether clock times that are picked run to 12 or to 24. */
export const clockOf = computed(() => {
  const { hour12 } = new Intl.DateTimeFormat(datesTag(), { hour: 'numeric' }).resolvedOptions();
  return hour12 ? '12' : '24';
});

/** The order of day, month and year in a date that is picked, as the picker is told it: "D d M yy". */
export const pickedAs = computed(() => {
  const PICKED: Readonly<Record<string, string>> = { day: 'd', month: 'M', year: 'yy' };
  const parts = new Intl.DateTimeFormat(datesTag(), { day: 'numeric', month: 'short', year: 'numeric' })
    .formatToParts(0)
    .flatMap((part) => PICKED[part.type] ?? []);
  return ['D', ...parts].join(' ');
});
