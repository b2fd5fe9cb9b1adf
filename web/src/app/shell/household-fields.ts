import { DATES_IN, type Settings } from '@oat-crock/contract/api';
import { say, type Text } from '@oat-crock/core';
import { numberAsked, type Asked, type FieldOf, type OptionAsked } from '../shared/ui/asked';
import { hourWord, monthWord } from '../shared/ui/dates';
import type { Option } from '../shared/ui/option-field';
import { tell } from '../shared/ui/said';
import { LANGUAGES } from '@oat-crock/messages';

/** What a household is asked: what any form asks, and days of the week. */
export type HouseholdAsked = Asked | FieldOf<'days'>;

/** Every hour of a day as the clock shows it. */
const hours = (): Option[] =>
  Array.from({ length: 25 }, (_, hour) => ({
    id: String(hour),
    label: hour === 24 ? tell('page.shell.householdFields.midnight') : hourWord(hour),
  }));

const months = (): Option[] => Array.from({ length: 12 }, (_, m) => ({ id: String(m + 1), label: monthWord(m + 1) }));

const DATE_WORDS: Readonly<Record<(typeof DATES_IN)[number], Text>> = {
  'en-GB': say('page.shell.householdFields.nov'),
  'en-US': say('page.shell.householdFields.novPm'),
  '': say('page.shell.householdFields.asTheBrowserHas'),
};

type Key = keyof Settings & string;

const degrees = (path: Key, label: Text, suffix: string, [min, max]: readonly [number, number], why: Text = '') =>
  numberAsked(path, label, suffix, [min, max, 0.5], { why, buttons: true });

const oneOf = (path: Key, label: Text, options: readonly Option[], why: Text = ''): OptionAsked => ({
  type: 'option',
  path,
  label,
  options,
  why,
});

const oneNumberOf = (path: Key, label: Text, options: readonly Option[], why: Text = ''): Asked => ({
  type: 'option',
  path,
  label,
  options,
  why,
  numeric: true,
});

const DAYS = {
  type: 'days',
  path: 'worksDays',
  label: say('page.shell.householdFields.on'),
  why: say('page.shell.householdFields.handsOutsideTheseHours'),
} as const;

/** The languages there are, by the names they give themselves. */
const languages = (): Option[] => [
  { id: '', label: say('page.shell.householdFields.asTheBrowserHas') },
  ...Object.entries(LANGUAGES).map(([id, { name }]) => ({ id, label: name })),
];

/** Every time zone that this device knows, by its name; "UTC" is not among what it lists. */
const zones = (): Option[] =>
  ['UTC', ...Intl.supportedValuesOf('timeZone')].map((id) => ({ id, label: id.replaceAll('_', ' ') }));

/** What is asked of a household, in its parts, each with the reason. Bounds are those of the server's own schema. */
export function householdParts(): readonly { readonly title: string; readonly fields: readonly HouseholdAsked[] }[] {
  return [
    {
      title: tell('page.shell.householdFields.hours'),
      fields: [
        oneNumberOf('asleepFromH', tell('page.shell.householdFields.asleepFrom'), hours()),
        oneNumberOf(
          'asleepToH',
          tell('page.shell.householdFields.until'),
          hours(),
          tell('page.shell.householdFields.handsCanWaitNot'),
        ),
        oneNumberOf('worksFromH', tell('page.shell.householdFields.crocksFrom'), hours()),
        oneNumberOf('worksToH', tell('page.shell.householdFields.until'), hours()),
        DAYS,
        {
          ...oneOf(
            'zone',
            tell('page.shell.householdFields.timeZone'),
            zones(),
            tell('page.shell.householdFields.whoseClocksHangYour'),
          ),
          filter: true,
        },
      ],
    },
    {
      title: tell('page.shell.householdFields.units'),
      fields: [
        oneOf(
          'language',
          tell('page.shell.householdFields.language'),
          languages(),
          tell('page.shell.householdFields.whatIsSaid'),
        ),
        oneOf('temperatureIn', tell('page.shell.householdFields.temperature'), [
          { id: 'C', label: '°C' },
          { id: 'F', label: '°F' },
        ]),
        oneOf('massIn', tell('page.shell.householdFields.weights'), [
          { id: 'g', label: tell('page.shell.householdFields.gramsKilos') },
          { id: 'oz', label: tell('page.shell.householdFields.ouncesPounds') },
        ]),
        oneOf(
          'volumeIn',
          tell('page.shell.householdFields.spoonsPots'),
          SETS,
          tell('page.shell.householdFields.lengthsPressuresGoThem'),
        ),
        oneOf(
          'datesIn',
          tell('page.shell.householdFields.dates'),
          DATES_IN.map((id) => ({ id, label: DATE_WORDS[id] })),
        ),
        {
          type: 'text',
          path: 'currency',
          label: tell('page.shell.householdFields.yourMoney'),
          most: 6,
          why: tell('page.shell.householdFields.standsBeforeEveryPrice'),
        },
      ],
    },
    {
      title: tell('page.shell.householdFields.onLabels'),
      fields: [
        {
          type: 'text',
          path: 'dairyName',
          label: tell('page.shell.householdFields.dairyName'),
          most: 80,
          why: tell('page.shell.householdFields.standsOnLabels'),
        },
        { type: 'text', path: 'dairyAddress', label: tell('page.shell.householdFields.dairyAddress'), most: 160 },
      ],
    },
    {
      title: tell('page.shell.householdFields.kitchen'),
      fields: [
        degrees(
          'roomC',
          tell('page.shell.householdFields.roomColdestMonth'),
          ' °C',
          [5, 38],
          tell('page.shell.householdFields.meanThroughDay'),
        ),
        degrees('roomSummerC', tell('page.shell.householdFields.andInTheWarmest'), ' °C', [5, 38]),
        oneNumberOf(
          'warmestMonth',
          tell('page.shell.householdFields.whichIs'),
          months(),
          tell('page.shell.householdFields.sheetBeginsRoomSeason'),
        ),
        degrees(
          'roomNightDropC',
          tell('page.shell.householdFields.atNight'),
          ' °C less',
          [0, 15],
          tell('page.shell.householdFields.movesWhatStandsCounter'),
        ),
        degrees(
          'refrigeratorC',
          tell('page.shell.householdFields.coldShelf'),
          ' °C',
          [0, 10],
          tell('page.shell.householdFields.setsHowFastChills'),
        ),
        numberAsked('hobW', tell('page.shell.householdFields.hobGives'), ' W', [200, 10_000, 100], {
          why: tell('page.shell.householdFields.setsHowLongHeating'),
          buttons: true,
        }),
      ],
    },
  ];
}

/** Sets of spoons and pots. */
const SETS: readonly Option[] = [
  {
    id: 'metric',
    label: say('page.shell.householdFields.metric'),
    why: say('page.shell.householdFields.litresSpoons'),
  },
  { id: 'us', label: say('page.shell.householdFields.us'), why: say('page.shell.householdFields.quartsCupsSpoons') },
  {
    id: 'imperial',
    label: say('page.shell.householdFields.imperial'),
    why: say('page.shell.householdFields.pintsCupsSpoons'),
  },
];
