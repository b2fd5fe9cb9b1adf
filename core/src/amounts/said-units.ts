import { say, type Text } from '../messages/message.js';
import { CM_PER_IN, G_PER_LB, G_PER_OZ, type Units } from '../units/system.js';
import { ML_PER_UNIT, type VolumeUnit } from '../units/volume.js';

/** What kind of thing an amount is of; how many of the first unit one unit is: g, mL, min, cm, %, pieces, °C and °F. */
export type Dimension = 'mass' | 'volume' | 'time' | 'length' | 'share' | 'piece' | 'celsius' | 'fahrenheit' | 'dose';

/** A unit that somebody may say an amount in. */
export interface SaidUnit {
  readonly dimension: Dimension;
  readonly each: number;
  /** It is no round number of metric ones. */
  readonly customary?: true;
}

/** A measure that is another one in each set: of the household's, or of the one that has it where the household is metric. */
type BySet = Readonly<Record<Units['volume'], VolumeUnit>>;

const BY_SET = {
  tsp: { metric: 'metric tsp', us: 'US tsp', imperial: 'imperial tsp' },
  tbsp: { metric: 'metric tbsp', us: 'US tbsp', imperial: 'imperial tbsp' },
  cup: { metric: 'metric cup', us: 'US cup', imperial: 'imperial half pint' },
  pint: { metric: 'imperial pint', us: 'US pint', imperial: 'imperial pint' },
  quart: { metric: 'US quart', us: 'US quart', imperial: 'imperial quart' },
  gallon: { metric: 'US gallon', us: 'US gallon', imperial: 'imperial gallon' },
  flOz: { metric: 'US fl oz', us: 'US fl oz', imperial: 'imperial fl oz' },
} as const satisfies Readonly<Record<string, BySet>>;

const FIXED = {
  mg: { dimension: 'mass', each: 0.001 },
  g: { dimension: 'mass', each: 1 },
  kg: { dimension: 'mass', each: 1000 },
  oz: { dimension: 'mass', each: G_PER_OZ, customary: true },
  lb: { dimension: 'mass', each: G_PER_LB, customary: true },
  ml: { dimension: 'volume', each: 1 },
  cl: { dimension: 'volume', each: 10 },
  dl: { dimension: 'volume', each: 100 },
  litre: { dimension: 'volume', each: 1000 },
  drop: { dimension: 'volume', each: 0.05 },
  minute: { dimension: 'time', each: 1 },
  hour: { dimension: 'time', each: 60 },
  day: { dimension: 'time', each: 1440 },
  week: { dimension: 'time', each: 7 * 1440 },
  month: { dimension: 'time', each: 30 * 1440 },
  mm: { dimension: 'length', each: 0.1 },
  cm: { dimension: 'length', each: 1 },
  inch: { dimension: 'length', each: CM_PER_IN, customary: true },
  percent: { dimension: 'share', each: 1 },
  celsius: { dimension: 'celsius', each: 1 },
  fahrenheit: { dimension: 'fahrenheit', each: 1 },
  piece: { dimension: 'piece', each: 1 },
} as const satisfies Readonly<Record<string, SaidUnit>>;

/** Units by the name their words are listed under; a degree is of the scale of the household. */
export type SaidUnitName = keyof typeof BY_SET | keyof typeof FIXED | 'degree';

const SAID_UNIT_NAMES = [...Object.keys(FIXED), ...Object.keys(BY_SET), 'degree'] as readonly SaidUnitName[];

/** What a bare number after a unit is in: "1 lb 4" is four ounces more, "3 h 20" twenty minutes. */
export const NEXT_SMALLER: Readonly<Partial<Record<SaidUnitName, SaidUnitName>>> = {
  kg: 'g',
  lb: 'oz',
  week: 'day',
  day: 'hour',
  hour: 'minute',
};

/** A unit, as a household means it. */
export function saidUnit(name: SaidUnitName, { volume, temperature }: Units): SaidUnit {
  if (name === 'degree') return temperature === 'F' ? FIXED.fahrenheit : FIXED.celsius;
  if (isBySet(name)) return { dimension: 'volume', each: ML_PER_UNIT[BY_SET[name][volume]], customary: true };
  return FIXED[name];
}

const isBySet = (name: string): name is keyof typeof BY_SET => name in BY_SET;

/** The words of a language in which amounts are said. */
export interface AmountWords {
  /** Units by their words; a word may be of several ("c": cups, and degrees). */
  readonly unitsOf: ReadonlyMap<string, readonly SaidUnitName[]>;
  readonly numberOf: ReadonlyMap<string, number>;
  /** "a", "an": one where nothing else says how many. */
  readonly articles: ReadonlySet<string>;
  /** "and", "plus". */
  readonly and: ReadonlySet<string>;
  /** "minus", "less". */
  readonly minus: ReadonlySet<string>;
  /** Words that change nothing: "of", "about". */
  readonly idle: ReadonlySet<string>;
  /** Before and after noon, noon itself, midnight. */
  readonly am: ReadonlySet<string>;
  readonly pm: ReadonlySet<string>;
  readonly noon: ReadonlySet<string>;
  readonly midnight: ReadonlySet<string>;
  /** Between a price and what it is for: "for", "per". */
  readonly per: ReadonlySet<string>;
  /** What amounts are of: "milk", "salt". */
  readonly goods: ReadonlySet<string>;
}

const NUMBERS = {
  half: 0.5,
  third: 1 / 3,
  quarter: 0.25,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
} as const;

/** The words of a language for amounts, as its texts list them: several for a thing, with commas between. */
export function amountWords(inWords: (text: Text) => string): AmountWords {
  const listed = (text: Text) =>
    inWords(text)
      .toLowerCase()
      .split(/\s*,\s*/);
  const unitsOf = new Map<string, SaidUnitName[]>();
  for (const name of SAID_UNIT_NAMES)
    for (const word of listed(say(`said.${name}`))) unitsOf.set(word, [...(unitsOf.get(word) ?? []), name]);
  const numbers = Object.entries(NUMBERS) as [keyof typeof NUMBERS, number][];
  return {
    unitsOf,
    numberOf: new Map(numbers.flatMap(([name, n]) => listed(say(`said.${name}`)).map((word) => [word, n] as const))),
    articles: new Set(listed(say('said.article'))),
    and: new Set(listed(say('said.and'))),
    minus: new Set(listed(say('said.minus'))),
    idle: new Set(listed(say('said.idle'))),
    am: new Set(listed(say('said.am'))),
    pm: new Set(listed(say('said.pm'))),
    noon: new Set(listed(say('said.noon'))),
    midnight: new Set(listed(say('said.midnight'))),
    per: new Set(listed(say('said.per'))),
    goods: new Set(listed(say('said.goods'))),
  };
}
