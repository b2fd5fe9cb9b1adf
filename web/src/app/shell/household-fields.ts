import { DATES_IN, type Settings } from '@oat-crock/contract/wire';
import { written } from '../ui/dates';
import type { Option } from '../ui/option-field';

interface Field {
  readonly key: keyof Settings;
  readonly label: string;
  readonly why: string;
}

export interface NumberAsked extends Field {
  readonly type: 'number';
  readonly suffix: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
}

export interface OptionAsked extends Field {
  readonly type: 'option';
  readonly options: () => readonly Option[];
}

/** An hour of the day, or a month, is a number chosen from a list of words. */
export interface ChosenNumberAsked extends Field {
  readonly type: 'chosen';
  readonly options: () => readonly Option[];
}

export interface DaysAsked extends Field {
  readonly type: 'days';
}

export interface TextAsked extends Field {
  readonly type: 'text';
}

export type HouseholdField = NumberAsked | OptionAsked | ChosenNumberAsked | DaysAsked | TextAsked;

const number = (
  key: keyof Settings,
  label: string,
  suffix: string,
  [min, max, step]: readonly [number, number, number],
  why: string,
): NumberAsked => ({ type: 'number', key, label, suffix, min, max, step, why });

/** A Sunday of January 2026. */
const SUNDAY = 4;
const at = (hour: number) => new Date(2026, 0, SUNDAY, hour);

/** Every hour of a day as the clock shows it. */
const hours = (): Option[] =>
  Array.from({ length: 25 }, (_, hour) => ({
    id: String(hour),
    label: hour === 24 ? 'midnight' : written(at(hour), 'clock'),
  }));

const months = (): Option[] =>
  Array.from({ length: 12 }, (_, m) => ({ id: String(m + 1), label: written(new Date(2026, m, 1), 'month') }));

/** The days of the week, from Monday on. */
export const weekdays = (): readonly { readonly day: number; readonly name: string; readonly initial: string }[] =>
  [1, 2, 3, 4, 5, 6, 0].map((day) => {
    const at = new Date(2026, 0, SUNDAY + day);
    return { day, name: written(at, 'weekday'), initial: written(at, 'initial') };
  });

const DATE_WORDS: Readonly<Record<string, string>> = {
  'en-GB': '24 Nov, 14:30',
  'en-US': 'Nov 24, 2:30 PM',
  '': 'As the browser has it',
};

/** What is asked of a household, in its parts, each with the reason. Bounds are those of the server's own schema. */
export const HOUSEHOLD: readonly { readonly title: string; readonly fields: readonly HouseholdField[] }[] = [
  {
    title: 'Hours',
    fields: [
      { type: 'chosen', key: 'asleepFromH', label: 'Asleep from', options: hours, why: '' },
      {
        type: 'chosen',
        key: 'asleepToH',
        label: 'until',
        options: hours,
        why: 'Hands that can wait are not asked for then.',
      },
      { type: 'chosen', key: 'worksFromH', label: 'At the crocks from', options: hours, why: '' },
      { type: 'chosen', key: 'worksToH', label: 'until', options: hours, why: '' },
      { type: 'days', key: 'worksDays', label: 'on', why: 'Hands outside these hours are marked so.' },
    ],
  },
  {
    title: 'Units',
    fields: [
      {
        type: 'option',
        key: 'temperatureIn',
        label: 'Temperature',
        options: () => [
          { id: 'C', label: '°C' },
          { id: 'F', label: '°F' },
        ],
        why: '',
      },
      {
        type: 'option',
        key: 'massIn',
        label: 'Weights',
        options: () => [
          { id: 'g', label: 'Grams and kilos' },
          { id: 'oz', label: 'Ounces and pounds' },
        ],
        why: '',
      },
      {
        type: 'option',
        key: 'volumeIn',
        label: 'Spoons and pots',
        options: () => [
          { id: 'metric', label: 'Metric', why: 'Litres, spoons of 5 and 15 mL' },
          { id: 'us', label: 'US', why: 'Quarts, cups, spoons' },
          { id: 'imperial', label: 'Imperial', why: 'Pints, cups, spoons' },
        ],
        why: 'Lengths and pressures go with them.',
      },
      {
        type: 'option',
        key: 'datesIn',
        label: 'Dates',
        options: () => DATES_IN.map((id) => ({ id, label: DATE_WORDS[id]! })),
        why: '',
      },
      { type: 'text', key: 'currency', label: 'Your money', why: 'Stands before every price.' },
    ],
  },
  {
    title: 'Kitchen',
    fields: [
      number('roomC', 'The room, coldest month', ' °C', [5, 38, 0.5], 'Its mean through the day.'),
      number('roomSummerC', 'and in the warmest', ' °C', [5, 38, 0.5], ''),
      {
        type: 'chosen',
        key: 'warmestMonth',
        label: 'which is',
        options: months,
        why: 'The sheet begins with the room as it is in the season.',
      },
      number('roomNightDropC', 'Nights are', ' °C cooler', [0, 15, 0.5], 'Moves what stands on the counter.'),
      number('refrigeratorC', 'The cold shelf is at', ' °C', [0, 10, 0.5], 'Sets how fast it chills and drains.'),
      number('hobW', 'The hob gives', ' W', [200, 10_000, 100], 'Sets how long heating takes.'),
    ],
  },
];
