import { DATES_IN, type Settings } from '@oat-crock/contract/api';
import { numberAsked, type Asked, type FieldOf, type OptionAsked } from '../ui/asked';
import { hourWord, monthWord } from '../ui/dates';
import type { Option } from '../ui/option-field';

/** What a household is asked: what any form asks, and days of the week. */
export type HouseholdAsked = Asked | FieldOf<'days'>;

/** Every hour of a day as the clock shows it. */
const hours = (): Option[] =>
  Array.from({ length: 25 }, (_, hour) => ({
    id: String(hour),
    label: hour === 24 ? 'midnight' : hourWord(hour),
  }));

const months = (): Option[] => Array.from({ length: 12 }, (_, m) => ({ id: String(m + 1), label: monthWord(m + 1) }));

const DATE_WORDS: Readonly<Record<(typeof DATES_IN)[number], string>> = {
  'en-GB': '24 Nov, 14:30',
  'en-US': 'Nov 24, 2:30 PM',
  '': 'As the browser has it',
};

type Key = keyof Settings & string;

const degrees = (path: Key, label: string, suffix: string, [min, max]: readonly [number, number], why = '') =>
  numberAsked(path, label, suffix, [min, max, 0.5], { why, buttons: true });

const oneOf = (path: Key, label: string, options: readonly Option[], why = ''): OptionAsked => ({
  type: 'option',
  path,
  label,
  options,
  why,
});

const oneNumberOf = (path: Key, label: string, options: readonly Option[], why = ''): Asked => ({
  type: 'option',
  path,
  label,
  options,
  why,
  numeric: true,
});

const DAYS = { type: 'days', path: 'worksDays', label: 'on', why: 'Hands outside these hours are marked so.' } as const;

/** Every time zone that this device knows, by its name; "UTC" is not among what it lists. */
const zones = (): Option[] =>
  ['UTC', ...Intl.supportedValuesOf('timeZone')].map((id) => ({ id, label: id.replaceAll('_', ' ') }));

/** What is asked of a household, in its parts, each with the reason. Bounds are those of the server's own schema. */
export function householdParts(): readonly { readonly title: string; readonly fields: readonly HouseholdAsked[] }[] {
  return [
    {
      title: 'Hours',
      fields: [
        oneNumberOf('asleepFromH', 'Asleep from', hours()),
        oneNumberOf('asleepToH', 'until', hours(), 'Hands that can wait are not asked for then.'),
        oneNumberOf('worksFromH', 'At the crocks from', hours()),
        oneNumberOf('worksToH', 'until', hours()),
        DAYS,
        { ...oneOf('zone', 'Time zone', zones(), 'Whose clocks hang on your walls.'), filter: true },
      ],
    },
    {
      title: 'Units',
      fields: [
        oneOf('temperatureIn', 'Temperature', [
          { id: 'C', label: '°C' },
          { id: 'F', label: '°F' },
        ]),
        oneOf('massIn', 'Weights', [
          { id: 'g', label: 'Grams, kilos' },
          { id: 'oz', label: 'Ounces, pounds' },
        ]),
        oneOf('volumeIn', 'Spoons and pots', SETS, 'Lengths and pressures go with them.'),
        oneOf(
          'datesIn',
          'Dates',
          DATES_IN.map((id) => ({ id, label: DATE_WORDS[id] })),
        ),
        { type: 'text', path: 'currency', label: 'Your money', most: 6, why: 'Stands before every price.' },
      ],
    },
    {
      title: 'Kitchen',
      fields: [
        degrees('roomC', 'The room, coldest month', ' °C', [5, 38], 'Its mean through the day.'),
        degrees('roomSummerC', 'and in the warmest', ' °C', [5, 38]),
        oneNumberOf('warmestMonth', 'which is', months(), 'The sheet begins with the room as it is in the season.'),
        degrees('roomNightDropC', 'At night', ' °C less', [0, 15], 'Moves what stands on the counter.'),
        degrees('refrigeratorC', 'The cold shelf is at', ' °C', [0, 10], 'Sets how fast it chills and drains.'),
        numberAsked('hobW', 'The hob gives', ' W', [200, 10_000, 100], {
          why: 'Sets how long heating takes.',
          buttons: true,
        }),
      ],
    },
  ];
}

/** Sets of spoons and pots. */
const SETS: readonly Option[] = [
  { id: 'metric', label: 'Metric', why: 'Litres, spoons of 5 and 15 mL' },
  { id: 'us', label: 'US', why: 'Quarts, cups, spoons' },
  { id: 'imperial', label: 'Imperial', why: 'Pints, cups, spoons' },
];
