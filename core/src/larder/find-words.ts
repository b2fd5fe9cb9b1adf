import { amountWords, type AmountWords } from '../amounts/said-units.js';
import type { StockLot } from '../lots/lot.js';
import { say, type Text } from '../messages/message.js';
import { ABSENT_IDS, type AbsentId } from './absent.js';
import { FOOD_IDS, type FoodId } from './food-names.js';

const KINDS = ['milk', 'cream', 'whey', 'base'] as const satisfies readonly StockLot['kind'][];
/** What a lot may be of besides: an animal, or as it came. */
const TRAITS = ['cow', 'goat', 'sheep', 'raw'] as const;
/** Hours of the day by their names. */
const HOURS = { breakfast: 7, morning: 7, lunch: 12.5, afternoon: 16, dinner: 19, evening: 19, night: 21 } as const;

/** The words of a language by which a line of what is at hand is read. */
export interface FindWords {
  readonly amounts: AmountWords;
  /** "no", "without": before what is not there. */
  readonly without: readonly string[];
  /** What may not be there, by its words, which may be several; the longest first. */
  readonly absentOf: readonly (readonly [words: string, id: AbsentId])[];
  /** Foods by their everyday names, the longest first. */
  readonly foodOf: readonly (readonly [words: string, id: FoodId])[];
  readonly kindOf: ReadonlyMap<string, StockLot['kind']>;
  readonly traitOf: ReadonlyMap<string, (typeof TRAITS)[number]>;
  /** Hours of the day by name: "breakfast", "tonight" is {@link tonight}. */
  readonly hourOf: ReadonlyMap<string, number>;
  readonly tomorrow: ReadonlySet<string>;
  readonly tonight: ReadonlySet<string>;
  /** Words before an hour by which it is wanted: "by", "at". */
  readonly by: ReadonlySet<string>;
  /** Words that say nothing by themselves here. */
  readonly idle: ReadonlySet<string>;
}

/** The words of a language for finding a make, as its texts list them: several for a thing, with commas between. */
export function findWords(inWords: (text: Text) => string): FindWords {
  const listed = (text: Text) => plainWords(inWords(text)).split(/\s*,\s*/);
  const longestFirst = <T>(pairs: readonly (readonly [string, T])[]) =>
    pairs.toSorted(([a], [b]) => b.length - a.length);
  const hours = Object.entries(HOURS) as [keyof typeof HOURS, number][];
  return {
    amounts: amountWords(inWords),
    without: listed(say('find.without')).toSorted((a, b) => b.length - a.length),
    absentOf: longestFirst(ABSENT_IDS.flatMap((id) => listed(say(`find.absent.${id}`)).map((w) => [w, id] as const))),
    foodOf: longestFirst(FOOD_IDS.flatMap((id) => listed(say(`food.${id}`)).map((w) => [w, id] as const))),
    kindOf: new Map(KINDS.flatMap((kind) => listed(say(`find.${kind}`)).map((word) => [word, kind] as const))),
    traitOf: new Map(TRAITS.flatMap((trait) => listed(say(`find.${trait}`)).map((word) => [word, trait] as const))),
    hourOf: new Map(hours.flatMap(([name, hour]) => listed(say(`find.${name}`)).map((word) => [word, hour] as const))),
    tomorrow: new Set(listed(say('find.tomorrow'))),
    tonight: new Set(listed(say('find.tonight'))),
    by: new Set(listed(say('find.by'))),
    idle: new Set(listed(say('find.idle'))),
  };
}

/** Words as they are compared: small, without accents or apostrophes, one space between. */
export function plainWords(text: string): string {
  return text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f’']/g, '')
    .replace(/\s+/g, ' ')
    .trim();
}
