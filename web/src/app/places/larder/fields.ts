import {
  FLAVOUR_IDS,
  FLAVOURS,
  GEAR_TYPES,
  type GearKind,
  type LotKind,
  say,
  SOUR_AGENT_IDS,
  SOUR_AGENTS,
  temp,
  type Text,
} from '@oat-crock/core';
import { numberAsked, type Asked, type FieldOf, type OptionAsked } from '../../shared/ui/asked';
import type { RecordFamily } from '../../state/record-writing';

/** What a record of the larder is asked: what any form asks, a day of the calendar, and a label. */
export type LarderAsked = Asked | FieldOf<'day'> | FieldOf<'label'>;

const option = (
  path: string,
  label: Text,
  options: readonly (readonly [string, Text])[],
  why: Text = '',
): OptionAsked => ({
  type: 'option',
  path,
  label,
  options: options.map(([id, text]) => ({ id, label: text })),
  why,
});

const NAME: LarderAsked = { type: 'text', path: 'name', label: say('page.larder.fields.name') };
const NOTE: LarderAsked = { type: 'text', path: 'note', label: say('page.larder.fields.note') };
const MASS = numberAsked('amount', say('page.larder.fields.thereIs'), ' g', [0, 10_000_000, 100], {
  why: say('page.larder.fields.countedNowMakesTake'),
});
const PACK = numberAsked('pack', say('page.larder.fields.packHolds'), ' g', [1, 1_000_000, 50], {
  empty: say('page.larder.fields.emptyWhereLoose'),
});
const PRICE = numberAsked('price', say('page.larder.fields.itCosts'), ' per kg', [0, 10_000, 0.1], {
  why: say('page.larder.fields.yourOwnMoney'),
});
const USE_BY: LarderAsked = {
  type: 'day',
  path: 'useBy',
  label: say('page.larder.fields.useBy'),
  why: say('page.larder.fields.emptyWhereKeeps'),
};

const TREATMENT = option(
  'treatment',
  say('page.larder.fields.itIs'),
  [
    ['raw', say('page.larder.fields.raw')],
    ['63C-30min', say('page.larder.fields.pasteurisedSlowlyMin', { temp: temp(63) })],
    ['72C-15s', say('page.larder.fields.pasteurisedS', { temp: temp(72) })],
    ['scalded', say('page.larder.fields.scalded')],
    ['ultra-heated', say('page.larder.fields.ultraHeated')],
    ['ultrafiltered', say('page.larder.fields.ultrafiltered')],
  ],
  say('page.larder.fields.heatDecidesHowSets'),
);
const SPECIES = option('species', say('page.larder.fields.from'), [
  ['cow', say('page.larder.fields.cows')],
  ['goat', say('page.larder.fields.goats')],
  ['sheep', say('page.larder.fields.sheep')],
]);
const LABEL: LarderAsked = { type: 'label', path: 'material', label: say('page.larder.fields.itsLabel') };
const HOMOGENISED: LarderAsked = {
  type: 'switch',
  path: 'homogenised',
  label: say('page.larder.fields.homogenised'),
  why: say('page.larder.fields.creamDoesNotRise'),
};
const LACTOSE_FREE: LarderAsked = {
  type: 'switch',
  path: 'material.lactoseSplit',
  label: say('page.larder.fields.lactoseFree'),
  why: say('page.larder.fields.lactoseFreeWhy'),
};
const STABILISED: LarderAsked = {
  type: 'switch',
  path: 'stabilised',
  label: say('page.larder.fields.gumsStarch'),
  why: say('page.larder.fields.mayNotChurnThickens'),
};
const FRESH_PH = numberAsked('freshPh', say('page.larder.fields.itsPh'), ' pH', [4, 7.5, 0.05], {
  empty: say('page.larder.fields.emptyWhereYouNot'),
});
const ALLERGEN = option('allergen', say('page.larder.fields.labelWarns'), [
  ['coconut', say('page.larder.fields.coconut')],
  ['cashew', say('page.larder.fields.treeNuts')],
  ['soya', say('page.larder.fields.soya')],
]);

/** Of a label that says nothing. */
const AS_USUAL = { why: say('page.larder.fields.zeroAsUsual') };

const BOUGHT = [NAME, MASS, PACK, PRICE, USE_BY] as const;

/** What is asked of each kind of lot. */
const LOT_FIELDS: Readonly<Record<LotKind, readonly LarderAsked[]>> = {
  culture: [NAME, MASS, NOTE],
  milk: [...BOUGHT, LABEL, LACTOSE_FREE, TREATMENT, SPECIES, HOMOGENISED, FRESH_PH, NOTE],
  cream: [...BOUGHT, LABEL, LACTOSE_FREE, TREATMENT, SPECIES, STABILISED, FRESH_PH, NOTE],
  powder: [...BOUGHT, LABEL, NOTE],
  whey: [...BOUGHT, LABEL, FRESH_PH, NOTE],
  base: [...BOUGHT, LABEL, FRESH_PH, ALLERGEN, STABILISED, NOTE],
  acid: [
    ...BOUGHT,
    option(
      'agent',
      say('page.larder.fields.itIs'),
      SOUR_AGENT_IDS.map((id) => [id, SOUR_AGENTS[id].label]),
    ),
    numberAsked('strengthPct', say('page.larder.fields.itsStrength'), ' % acid', [0.5, 100, 0.1], {
      why: say('page.larder.fields.bottleMeasured'),
    }),
    NOTE,
  ],
  rennet: [
    ...BOUGHT,
    numberAsked('imcuPerMl', say('page.larder.fields.itsStrength'), ' IMCU a mL', [10, 2000, 10], {
      why: say('page.larder.fields.onTheBottle'),
    }),
    numberAsked('dropsPerMl', say('page.larder.fields.aMlIs'), ' drops', [10, 60, 1], {
      why: say('page.larder.fields.countThemIntoSpoon'),
    }),
    NOTE,
  ],
  calcium: [...BOUGHT, numberAsked('solutionPct', say('page.larder.fields.aSolutionOf'), ' %', [5, 50, 1]), NOTE],
  salt: [...BOUGHT, NOTE],
  flavour: [
    ...BOUGHT,
    option(
      'flavour',
      say('page.larder.fields.itIs'),
      FLAVOUR_IDS.map((id) => [id, FLAVOURS[id].name]),
    ),
    numberAsked('saltPct', say('page.larder.fields.itsSalt'), ' %', [0, 40, 0.5], AS_USUAL),
    numberAsked('fatPct', say('page.larder.fields.itsFat'), ' %', [0, 90, 0.5], AS_USUAL),
    numberAsked('waterPct', say('page.larder.fields.itsWater'), ' %', [0, 99, 0.5], AS_USUAL),
    {
      type: 'switch',
      path: 'hasNuts',
      label: say('page.larder.fields.nutsInIt'),
      why: say('page.larder.fields.nutsAreNamed'),
    },
    NOTE,
  ],
  other: [...BOUGHT, NOTE],
  cloth: [
    NAME,
    numberAsked('amount', say('page.larder.fields.thereAre'), '', [0, 1000, 1]),
    option('weave', say('page.larder.fields.itsWeave'), [
      ['fine', say('page.larder.fields.fineDoubled')],
      ['open', say('page.larder.fields.openOneLayer')],
    ]),
    NOTE,
  ],
};

const HOLDS = numberAsked('holdsL', say('page.larder.fields.brimHolds'), ' L', [0.05, 1000, 0.5]);
const COUNT = numberAsked('count', say('page.larder.fields.thereAre'), '', [1, 500, 1], {
  why: say('page.larder.fields.sameKindSize'),
});

/** What is asked of a record of a kind. */
export function fieldsOf(family: RecordFamily, kind: string): readonly LarderAsked[] {
  if (family === 'lots') return LOT_FIELDS[kind as LotKind];
  return GEAR_TYPES[kind as GearKind].holds ? [NAME, HOLDS, COUNT, NOTE] : [NAME, COUNT, NOTE];
}

/** What each kind of lot is called. */
export const LOT_NAMES: Readonly<Record<LotKind, Text>> = {
  culture: say('page.larder.fields.culture'),
  milk: say('page.larder.fields.milk'),
  cream: say('page.larder.fields.cream'),
  powder: say('page.larder.fields.milkPowder'),
  base: say('page.larder.fields.plantBase'),
  whey: say('page.larder.fields.whey'),
  acid: say('page.larder.fields.acid2'),
  rennet: say('page.larder.fields.rennet'),
  flavour: say('page.larder.fields.flavour'),
  calcium: say('page.larder.fields.calciumChloride'),
  salt: say('page.larder.fields.salt'),
  cloth: say('page.larder.fields.cloth'),
  other: say('page.larder.fields.somethingElse'),
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
