import type { StockLot } from '../lots/lot.js';
import { say, type Text } from '../messages/message.js';
import { amountWords, type AmountWords } from '../amounts/said-units.js';

const KINDS = ['milk', 'cream', 'whey', 'base'] as const satisfies readonly StockLot['kind'][];
/** What a lot may be of besides: an animal, or as it came. */
const TRAITS = ['cow', 'goat', 'sheep', 'raw'] as const;

type Named = (typeof KINDS)[number] | (typeof TRAITS)[number];

/** The words of a language by which a line of what is at hand is read. */
export interface FindWords {
  readonly amounts: AmountWords;
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
  return {
    amounts: amountWords(inWords),
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
