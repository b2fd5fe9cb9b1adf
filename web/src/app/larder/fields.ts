import type { Family } from '@oat-crock/contract/api';
import { GEAR_TYPES, type GearKind, type LotKind } from '@oat-crock/core';
import { numberAsked, type Asked, type FieldOf, type OptionAsked } from '../ui/asked';

/** What a record of the larder is asked: what any form asks, a day of the calendar, and a label. */
export type LarderAsked = Asked | FieldOf<'day'> | FieldOf<'label'>;

const option = (
  path: string,
  label: string,
  options: readonly (readonly [string, string])[],
  why = '',
): OptionAsked => ({
  type: 'option',
  path,
  label,
  options: options.map(([id, text]) => ({ id, label: text })),
  why,
});

const NAME: LarderAsked = { type: 'text', path: 'name', label: 'Name' };
const NOTE: LarderAsked = { type: 'text', path: 'note', label: 'Note' };
const MASS = numberAsked('amount', 'There is', ' g', [0, 10_000_000, 100], {
  why: 'As counted now; makes take from it.',
});
const PACK = numberAsked('pack', 'A pack holds', ' g', [1, 1_000_000, 50], { empty: 'Empty where it is loose.' });
const PRICE = numberAsked('price', 'It costs', ' per kg', [0, 10_000, 0.1], { why: 'In your own money.' });
const USE_BY: LarderAsked = { type: 'day', path: 'useBy', label: 'Use by', why: 'Empty where it keeps.' };

const TREATMENT = option(
  'treatment',
  'It is',
  [
    ['raw', 'Raw'],
    ['63C-30min', 'Pasteurised slowly, 63 °C 30 min'],
    ['72C-15s', 'Pasteurised, 72 °C 15 s'],
    ['scalded', 'Scalded'],
    ['ultra-heated', 'Ultra-heated'],
    ['ultrafiltered', 'Ultrafiltered'],
  ],
  'Heat decides how it sets, and whether rennet can.',
);
const SPECIES = option('species', 'From', [
  ['cow', 'Cows'],
  ['goat', 'Goats'],
  ['sheep', 'Sheep'],
]);
const LABEL: LarderAsked = { type: 'label', path: 'material', label: 'Its label' };
const HOMOGENISED: LarderAsked = {
  type: 'switch',
  path: 'homogenised',
  label: 'Homogenised',
  why: 'Its cream does not rise.',
};
const STABILISED: LarderAsked = {
  type: 'switch',
  path: 'stabilised',
  label: 'With gums or starch',
  why: 'It may not churn, and thickens of itself.',
};
const FRESH_PH = numberAsked('freshPh', 'Its pH', ' pH', [4, 7.5, 0.05], {
  empty: 'Empty where you have not measured it.',
});
const ALLERGEN = option('allergen', 'Its label warns of', [
  ['coconut', 'Coconut'],
  ['cashew', 'Tree nuts'],
  ['soya', 'Soya'],
]);

const BOUGHT = [NAME, MASS, PACK, PRICE, USE_BY] as const;

/** What is asked of each kind of lot. */
const LOT_FIELDS: Readonly<Record<LotKind, readonly LarderAsked[]>> = {
  culture: [NAME, MASS, NOTE],
  milk: [...BOUGHT, LABEL, TREATMENT, SPECIES, HOMOGENISED, FRESH_PH, NOTE],
  cream: [...BOUGHT, LABEL, TREATMENT, SPECIES, STABILISED, NOTE],
  powder: [...BOUGHT, LABEL, NOTE],
  whey: [...BOUGHT, LABEL, FRESH_PH, NOTE],
  base: [...BOUGHT, LABEL, FRESH_PH, ALLERGEN, STABILISED, NOTE],
  acid: [
    ...BOUGHT,
    option('agent', 'It is', [
      ['lemon', 'Lemon juice'],
      ['vinegar', 'Vinegar'],
      ['citric', 'Citric acid'],
      ['tartaric', 'Tartaric acid'],
    ]),
    numberAsked('strengthPct', 'Its strength', ' % acid', [0.5, 100, 0.1], { why: 'On the bottle, or measured.' }),
    NOTE,
  ],
  rennet: [
    ...BOUGHT,
    numberAsked('imcuPerMl', 'Its strength', ' IMCU a mL', [10, 2000, 10], { why: 'On the bottle.' }),
    numberAsked('dropsPerMl', 'A mL is', ' drops', [10, 60, 1], { why: 'Count them into a spoon once.' }),
    NOTE,
  ],
  calcium: [...BOUGHT, numberAsked('solutionPct', 'A solution of', ' %', [5, 50, 1]), NOTE],
  salt: [...BOUGHT, NOTE],
  other: [...BOUGHT, NOTE],
  cloth: [
    NAME,
    numberAsked('amount', 'There are', '', [0, 1000, 1]),
    option('weave', 'Its weave', [
      ['fine', 'Fine, or doubled'],
      ['open', 'Open, one layer'],
    ]),
    NOTE,
  ],
};

const HOLDS = numberAsked('holdsL', 'To the brim it holds', ' L', [0.05, 1000, 0.5]);
const COUNT = numberAsked('count', 'There are', '', [1, 500, 1], { why: 'Of the same kind and size.' });

/** What is asked of a record of a kind. */
export function fieldsOf(family: Family, kind: string): readonly LarderAsked[] {
  if (family === 'lots') return LOT_FIELDS[kind as LotKind];
  return GEAR_TYPES[kind as GearKind].holds ? [NAME, HOLDS, COUNT, NOTE] : [NAME, COUNT, NOTE];
}

/** What each kind of lot is called. */
export const LOT_NAMES: Readonly<Record<LotKind, string>> = {
  culture: 'Culture',
  milk: 'Milk',
  cream: 'Cream',
  powder: 'Milk powder',
  base: 'Plant base',
  whey: 'Whey',
  acid: 'Acid',
  rennet: 'Rennet',
  calcium: 'Calcium chloride',
  salt: 'Salt',
  cloth: 'Cloth',
  other: 'Something else',
};

/** A value of a record by its path. */
export function valueAt(record: object, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], record);
}

/** A record with a value changed by its path. */
export function withValue<T extends object>(record: T, path: string, value: unknown): T {
  const [key, ...rest] = path.split('.') as [string, ...string[]];
  const inner = rest.length === 0 ? value : withValue((valueAt(record, key) ?? {}) as object, rest.join('.'), value);
  return { ...record, [key]: inner };
}
