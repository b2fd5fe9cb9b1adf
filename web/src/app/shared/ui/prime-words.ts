import type { Translation } from 'primeng/api';
import { tell } from './said';

const SUNDAY_MS = Date.UTC(2026, 0, 4);
const DAY_MS = 86_400_000;

/** What the controls say by themselves, in a language: days and months as its calendar has them, and a few words. */
export function primeWords(language: string): Translation {
  const named = (of: Intl.DateTimeFormatOptions, moments: readonly number[]) => {
    const format = new Intl.DateTimeFormat(language, { ...of, timeZone: 'UTC' });
    return moments.map((ms) => format.format(ms));
  };
  const days = Array.from({ length: 7 }, (_, day) => SUNDAY_MS + day * DAY_MS);
  const months = Array.from({ length: 12 }, (_, month) => Date.UTC(2026, month, 1));
  return {
    dayNames: named({ weekday: 'long' }, days),
    dayNamesShort: named({ weekday: 'short' }, days),
    dayNamesMin: named({ weekday: 'narrow' }, days),
    monthNames: named({ month: 'long' }, months),
    monthNamesShort: named({ month: 'short' }, months),
    firstDayOfWeek: 1,
    emptyMessage: tell('page.ui.primeWords.nothing'),
    emptyFilterMessage: tell('page.ui.primeWords.nothing'),
    today: tell('page.ui.primeWords.today'),
    clear: tell('page.ui.primeWords.clear'),
  };
}
