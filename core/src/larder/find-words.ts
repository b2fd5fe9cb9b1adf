import { CROCK_G_PER_ML } from '../constants/vessels.js';
import type { StockLot } from '../lots/lot.js';
import { say, type Text } from '../messages/message.js';
import { G_PER_LB, G_PER_OZ } from '../units/system.js';
import { ML_PER_UNIT } from '../units/volume.js';

/** Grams of each unit that somebody may say an amount in. */
const GRAMS = {
  g: 1,
  kg: 1000,
  oz: G_PER_OZ,
  lb: G_PER_LB,
  ml: CROCK_G_PER_ML,
  litre: 1000 * CROCK_G_PER_ML,
  quart: ML_PER_UNIT['US quart'] * CROCK_G_PER_ML,
  pint: ML_PER_UNIT['imperial pint'] * CROCK_G_PER_ML,
} as const;
const HOURS = { hour: 1, day: 24 } as const;
const KINDS = ['milk', 'cream', 'whey', 'base'] as const satisfies readonly StockLot['kind'][];
/** What a lot may be of besides: an animal, or as it came. */
const TRAITS = ['cow', 'goat', 'sheep', 'raw'] as const;

type Named = keyof typeof GRAMS | keyof typeof HOURS | (typeof KINDS)[number] | (typeof TRAITS)[number];

/** The words of a language by which a line of what is at hand is read. */
export interface FindWords {
  /** A number with a unit of mass or volume, and how many grams one of each unit is. */
  readonly amount: RegExp;
  readonly gramsOf: ReadonlyMap<string, number>;
  /** A number with a unit of time, and how many hours one of each is. */
  readonly time: RegExp;
  readonly hoursOf: ReadonlyMap<string, number>;
  readonly noThermostat: RegExp;
  readonly kindOf: ReadonlyMap<string, StockLot['kind']>;
  readonly traitOf: ReadonlyMap<string, (typeof TRAITS)[number]>;
  /** Words that say nothing by themselves here. */
  readonly idle: ReadonlySet<string>;
}

/** The words of a language for finding a make, as its texts list them: several for a thing, with commas between. */
export function findWords(inWords: (text: Text) => string): FindWords {
  const listed = (text: Text) =>
    inWords(text)
      .toLowerCase()
      .split(/\s*,\s*/);
  const words = (name: Named) => listed(say(`find.${name}`));
  const valued = (table: Readonly<Partial<Record<Named, number>>>) =>
    new Map(
      (Object.entries(table) as [Named, number][]).flatMap(([name, of]) =>
        words(name).map((word) => [word, of] as const),
      ),
    );
  const gramsOf = valued(GRAMS);
  const hoursOf = valued(HOURS);
  return {
    amount: numberOf([...gramsOf.keys()]),
    gramsOf,
    time: numberOf([...hoursOf.keys()]),
    hoursOf,
    noThermostat: new RegExp(
      String.raw`(?<!\p{L})(?:${anyOf(listed(say('find.without')))})\s+(?:${anyOf(listed(say('find.thermostat')))})(?!\p{L})`,
      'gu',
    ),
    kindOf: new Map(KINDS.flatMap((kind) => words(kind).map((word) => [word, kind] as const))),
    traitOf: new Map(TRAITS.flatMap((trait) => words(trait).map((word) => [word, trait] as const))),
    idle: new Set(listed(say('find.idle'))),
  };
}

/** The longest first, so that "no a" is not taken for "no". */
const anyOf = (words: readonly string[]) => words.toSorted((a, b) => b.length - a.length).join('|');

/** A number with one of some units. */
const numberOf = (units: readonly string[]) =>
  new RegExp(String.raw`(\d+(?:[.,]\d+)?)\s*(${anyOf(units)})(?!\p{L})`, 'gu');
