import { distance } from 'fastest-levenshtein';
import { phraseAt, tokensOf } from '../amounts/amount-phrase.js';
import { readHour } from '../amounts/read-amount.js';
import { saidUnit, type Dimension } from '../amounts/said-units.js';
import { CROCK_G_PER_ML } from '../constants/vessels.js';
import type { StockLot } from '../lots/lot.js';
import { METRIC, type Units } from '../units/system.js';
import type { AbsentId } from './absent.js';
import { plainWords, type FindWords } from './find-words.js';
import type { FoodId } from './food-names.js';
import { useFirst } from './use-first.js';

/** A lot and how much of it is left, g. */
export interface LotLeft {
  readonly lot: StockLot;
  readonly leftG: number;
}

/** An amount of milk, cream, whey or a base that is at hand, g; whatever there is of it where nobody said how much. */
export interface AtHand {
  readonly kind: StockLot['kind'];
  readonly massG: number | null;
}

/** An hour of the day by which it is wanted, and in how many days: 0 the next time it strikes, 1 tomorrow. */
export interface WantedBy {
  readonly hour: number;
  readonly days: 0 | 1;
}

/** What somebody who looks for a make has said in a line. */
export interface AskedFor {
  /** The lot that was meant, and as much of it as was said, or all. */
  readonly lot: LotLeft | null;
  /** What is at hand that no lot of one's own is: an amount alone says as much. */
  readonly atHand: readonly AtHand[];
  readonly withinH: number | null;
  readonly by: WantedBy | null;
  readonly absent: readonly AbsentId[];
  readonly foods: readonly FoodId[];
  /** Words read as others, for a slip of the keys. */
  readonly corrected: readonly { readonly from: string; readonly to: string }[];
  /** Words that were none of that: what a make is called, or what nobody knows here. */
  readonly words: string;
}

/** A household's units, and its sign between a whole and its parts. */
export interface Measured {
  readonly units: Units;
  readonly decimal: string;
}

const PLAIN: Measured = { units: METRIC, decimal: '.' };

/**
 * Reads a line such as "2 L cream near its date, no thermostat, 5 hours" or "greek yogurt for breakfast, no rennet": amounts, a
 * lot of one's own by its name, its kind or its animal (the first to be used where several answer), times, what is not there,
 * foods by their everyday names. What is none of that stays as words.
 *
 * @param by the words of the language it is written in
 */
export function askedFor(line: string, lots: readonly LotLeft[], by: FindWords, as: Measured = PLAIN): AskedFor {
  const vocabulary = wordsKnown(lots, by);
  const slips = mended(plainWords(line), vocabulary);
  let rest = ` ${slips.line} `;
  const take = <T>(pairs: readonly (readonly [string, T])[], before: string): T[] => {
    const found: T[] = [];
    for (const [words, is] of pairs) {
      const pattern = new RegExp(`(?<![\\p{L}\\p{N}])${before}${escaped(words)}(?![\\p{L}\\p{N}])`, 'gu');
      if (!pattern.test(rest)) continue;
      found.push(is);
      rest = rest.replace(pattern, ' , ');
    }
    return [...new Set(found)];
  };
  // "Yogurt without heating" is a food of its own, "no yogurt maker" is none.
  const isWithout = ([words]: readonly [string, unknown]) => words.split(' ').some((w) => by.without.includes(w));
  const namedWithout = take(by.foodOf.filter(isWithout), '');
  const absent = take(by.absentOf, `(?:${by.without.map(escaped).join('|')}) (?:\\p{L}{1,3} )?`);
  const foods = [...namedWithout, ...take(by.foodOf, '')];
  const { masses, withinH, wantedBy, others } = amountsIn(rest, by, as);
  const words = others.filter((w) => !by.idle.has(w));
  const [first] = masses;
  const meant = first || namesAll(words, lots) ? lotMeant(words, lots, by) : null;
  const saidG = meant ? massFor(masses, meant.lot.lot, by) : null;
  const atHand = meant ? [] : atHandOf(masses, words, by, foods.length > 0);
  return {
    lot: meant && { lot: meant.lot.lot, leftG: Math.min(saidG ?? Infinity, meant.lot.leftG) },
    atHand,
    withinH,
    by: wantedBy,
    absent,
    foods,
    corrected: slips.corrected,
    words: words.filter((w) => (meant ? !meant.by.has(w) : atHand.length === 0 || !by.kindOf.has(w))).join(' '),
  };
}

const escaped = (words: string) => words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** A mass that was said, and the word right after it: what it is of. */
interface SaidMass {
  readonly massG: number;
  readonly of: string | null;
}

/** What a line says of masses and times, and the words that are neither. */
function amountsIn(
  line: string,
  by: FindWords,
  { units, decimal }: Measured,
): {
  readonly masses: readonly SaidMass[];
  readonly withinH: number | null;
  readonly wantedBy: WantedBy | null;
  readonly others: readonly string[];
} {
  const tokens = tokensOf(line, decimal);
  const masses: SaidMass[] = [];
  let withinMin: number | null = null;
  let wantedBy: WantedBy | null = null;
  const others: string[] = [];
  for (let i = 0; i < tokens.length;) {
    const text = tokens[i]!.text;
    const hour = hourAt(tokens, i, by);
    if (hour) {
      wantedBy ??= hour.wanted;
      i = hour.next;
      continue;
    }
    const phrase = phraseAt(tokens, i, by.amounts);
    const known = phrase?.parts.map(({ count, unit }) => ({ count, unit: unit && saidUnit(unit[0]!, units) })) ?? [];
    const sum = (of: Dimension, factor: number) => {
      const parts = known.filter(({ unit }) => unit?.dimension === of);
      return parts.length > 0 ? factor * parts.reduce((total, { count, unit }) => total + count * unit!.each, 0) : null;
    };
    const [grams, ofVolumeG, minutes] = [sum('mass', 1), sum('volume', CROCK_G_PER_ML), sum('time', 1)];
    const isMass = grams !== null || ofVolumeG !== null;
    if (isMass) masses.push({ massG: (grams ?? 0) + (ofVolumeG ?? 0), of: wordAfter(tokens, phrase!.next, by) });
    withinMin ??= minutes;
    const isTaken = isMass || minutes !== null;
    if (!isTaken && tokens[i]!.is !== 'sign') others.push(text);
    i = isTaken ? phrase!.next : i + 1;
  }
  return { masses, withinH: withinMin === null ? null : withinMin / 60, wantedBy, others };
}

type Tokens = ReturnType<typeof tokensOf>;

/** The first word of a kind of milk among the three after an amount: "2 L of raw milk". */
function wordAfter(tokens: Tokens, from: number, { kindOf }: FindWords): string | null {
  return tokens.slice(from, from + 4).find((t) => kindOf.has(t.text))?.text ?? null;
}

/** An hour of the day from a token on: "by 7 pm", "tomorrow morning", "tonight", "for breakfast". */
function hourAt(
  tokens: Tokens,
  from: number,
  { tomorrow, tonight, hourOf, by, amounts }: FindWords,
): { readonly wanted: WantedBy; readonly next: number } | null {
  const text = (at: number) => tokens[at]?.text ?? '';
  if (tonight.has(text(from))) return { wanted: { hour: 21, days: 0 }, next: from + 1 };
  const isTomorrow = tomorrow.has(text(from));
  const start = isTomorrow || by.has(text(from)) ? from + 1 : from;
  const afterBy = isTomorrow && by.has(text(start)) ? start + 1 : start;
  const days = isTomorrow ? 1 : 0;
  const named = hourOf.get(text(afterBy));
  if (named !== undefined && afterBy > from) {
    const alsoTomorrow = tomorrow.has(text(afterBy + 1));
    return { wanted: { hour: named, days: alsoTomorrow ? 1 : days }, next: afterBy + (alsoTomorrow ? 2 : 1) };
  }
  if (afterBy > from) {
    for (let length = 4; length >= 1; length--) {
      const said = tokens.slice(afterBy, afterBy + length);
      const hour = said.length === length ? readHour(said.map((t) => t.text).join(' '), amounts) : null;
      if (hour?.is === 'amount') return { wanted: { hour: hour.value, days }, next: afterBy + length };
    }
  }
  return isTomorrow ? { wanted: { hour: 7, days: 1 }, next: from + 1 } : null;
}

/** What was said of a lot: the amount beside the word of its kind, else the first. */
function massFor(masses: readonly SaidMass[], { kind }: StockLot, { kindOf }: FindWords): number | null {
  const own = masses.find(({ of }) => of !== null && kindOf.get(of) === kind);
  return (own ?? masses[0])?.massG ?? null;
}

/** Amounts and kinds that no lot is: "3 litres of milk and half a litre of cream". */
function atHandOf(
  masses: readonly SaidMass[],
  words: readonly string[],
  { kindOf }: FindWords,
  isFoodNamed: boolean,
): readonly AtHand[] {
  if (masses.length > 0)
    return masses.flatMap(({ massG, of }) => [{ kind: (of && kindOf.get(of)) || ('milk' as const), massG }]);
  if (isFoodNamed) return [];
  const kinds = words.flatMap((w) => kindOf.get(w) ?? []);
  return kinds.length === words.length ? [...new Set(kinds)].map((kind) => ({ kind, massG: null })) : [];
}

/** True where every word is of a lot: "evening milk" asks for what stands there, "cultured cream" for a make. */
const namesAll = (words: readonly string[], lots: readonly LotLeft[]) =>
  words.length > 1 && lots.some(({ lot }) => words.every((w) => plainWords(lot.name).includes(w)));

/** The lot most of the words are of, and the words that are. */
function lotMeant(
  words: readonly string[],
  lots: readonly LotLeft[],
  known: FindWords,
): { readonly lot: LotLeft; readonly by: ReadonlySet<string> } | null {
  const order = useFirst(lots.map((l) => l.lot));
  const scored = lots
    .map((lot) => ({ lot, by: new Set(words.filter((w) => isOf(w, lot.lot, known))) }))
    .filter(({ by }) => by.size > 0)
    .sort((a, b) => b.by.size - a.by.size || order.indexOf(a.lot.lot) - order.indexOf(b.lot.lot));
  return scored[0] ?? null;
}

function isOf(word: string, lot: StockLot, { kindOf, traitOf }: FindWords): boolean {
  const kind = kindOf.get(word);
  if (kind !== undefined) return kind === lot.kind;
  const trait = traitOf.get(word);
  if (trait !== undefined && (trait === lot.species || trait === lot.treatment)) return true;
  return word.length > 2 && wordsIn(lot.name).includes(word);
}

const wordsIn = (text: string): readonly string[] =>
  plainWords(text)
    .split(/[^\p{L}\p{N}]+/u)
    .filter((w) => w !== '');

/** Every word that means something here. */
function wordsKnown(lots: readonly LotLeft[], by: FindWords): ReadonlySet<string> {
  const { amounts } = by;
  const lists: readonly Iterable<string>[] = [
    amounts.unitsOf.keys(),
    amounts.numberOf.keys(),
    amounts.articles,
    amounts.and,
    amounts.minus,
    amounts.idle,
    amounts.am,
    amounts.pm,
    amounts.noon,
    amounts.midnight,
    by.without,
    by.absentOf.map(([words]) => words),
    by.foodOf.map(([words]) => words),
    by.kindOf.keys(),
    by.traitOf.keys(),
    by.hourOf.keys(),
    by.tomorrow,
    by.tonight,
    by.by,
    by.idle,
    lots.map(({ lot }) => lot.name),
  ];
  return new Set(lists.flatMap((list) => [...list].flatMap(wordsIn)));
}

/** A word of so many letters may have so many slips in it. */
const slipsIn = (word: string) => (word.length >= 7 ? 2 : word.length >= 4 ? 1 : 0);

/** A line with each word that nobody knows as the one known word it is nearest to, where it is near. */
function mended(
  line: string,
  known: ReadonlySet<string>,
): { readonly line: string; readonly corrected: AskedFor['corrected'] } {
  const corrected: { from: string; to: string }[] = [];
  const words = line.replace(/\p{L}+/gu, (word) => {
    const most = slipsIn(word);
    if (most === 0 || known.has(word)) return word;
    const near = [...known]
      .filter((w) => Math.abs(w.length - word.length) <= most && w.length >= 4)
      .map((w) => [w, slipsBetween(w, word)] as const)
      .filter(([, off]) => off <= most)
      .sort(([, a], [, b]) => a - b);
    const [best, second] = near;
    if (!best || (second && second[1] === best[1] && !isSameStem(best[0], second[0]))) return word;
    corrected.push({ from: word, to: best[0] });
    return best[0];
  });
  return { line: words, corrected };
}

/** Letters that are wrong, wanting or over; two that changed places are one slip. */
function slipsBetween(word: string, typed: string): number {
  const swapped = Array.from({ length: typed.length - 1 }, (_, i) =>
    [typed.slice(0, i), typed.charAt(i + 1), typed.charAt(i), typed.slice(i + 2)].join(''),
  );
  return Math.min(distance(word, typed), ...swapped.map((other) => 1 + distance(word, other)));
}

/** Singular and plural of one word are as good as each other. */
const isSameStem = (a: string, b: string) => a.startsWith(b) || b.startsWith(a);
