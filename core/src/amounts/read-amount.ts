import { phraseAt, skipIdle, tokensOf, type Part, type Token } from './amount-phrase.js';
import {
  NEXT_SMALLER,
  saidUnit,
  type AmountWords,
  type Dimension,
  type SaidUnit,
  type SaidUnitName,
} from './said-units.js';
import { shownIn } from '../units/shown.js';
import { toCelsius, type Units } from '../units/system.js';

/** What an amount is asked for: its metric unit, the household's units, and what turns one kind of amount into another. */
export interface AskedAmount {
  /** The metric unit the number is kept in, as forms name it: "g", "kg", "L", "°C", "h", "days", "% of the milk". */
  readonly unit: string;
  readonly units: Units;
  /** The step of the field in that unit, which decides between ounces and pounds. */
  readonly step?: number;
  /** The sign between a whole and its parts. */
  readonly decimal: string;
  /** Density, g/mL, where a volume may be said for a mass and a mass for a volume. */
  readonly gPerMl?: number;
  /** What one can, carton or packet holds, g, where pieces may be counted. */
  readonly pieceG?: number;
  /** What a percentage is of, g, where an amount may be said for it. */
  readonly wholeG?: number;
  /** What a millilitre of it comes to in the unit asked for, and how large its drop is, mL, where a dose is asked. */
  readonly perMl?: number;
  readonly dropMl?: number;
}

/** What stood in a field: nothing, an amount in the metric unit asked for, or what is none, with the word that is in the way. */
export type ReadAmount =
  | { readonly is: 'nothing' }
  | {
      readonly is: 'amount';
      readonly value: number;
      /** It was said in the unit of the field, or in none. */
      readonly own: boolean;
    }
  | { readonly is: 'unreadable'; readonly word: string | null };

/** The kind of each metric unit, and how many of that kind's own unit one is. */
const ASKED: Readonly<Record<string, readonly [Dimension, number]>> = {
  g: ['mass', 1],
  kg: ['mass', 1000],
  mL: ['volume', 1],
  L: ['volume', 1000],
  cm: ['length', 1],
  '°C': ['celsius', 1],
  min: ['time', 1],
  h: ['time', 60],
  days: ['time', 1440],
  '%': ['share', 1],
  packets: ['piece', 1],
  capsules: ['piece', 1],
  'IMCU a kg': ['dose', 1],
};

/** What follows a metric unit and leaves it one: "cm deep", "days ago", "% of the milk"; not "g a kg" or "°C less". */
const OF_UNIT = /^(g|kg|mL|L|cm|°C|min|h|days|%|packets|IMCU a kg)(?: (?:deep|ago|fat|of .*))?$/;

function kindOf(unit: string): readonly [Dimension, number] | null {
  const [, name = ''] = OF_UNIT.exec(unit) ?? [];
  return ASKED[name] ?? null;
}

/** Digits that an amount is told to which a density or a customary measure made into another: a kitchen measures no finer. */
const SIGNIFICANT = 4;

/**
 * Reads an amount as people say, type or paste it: "2 qt", "1,5 l", "500 mL + 100 mL", "3 cans", "2 tbsp", "1 lb 4 oz",
 * "a pint", "1 h 30", "110 °F". A number alone is in the unit the field shows.
 *
 * @param text as it stands in the field
 * @param shownUnit the unit as the field shows it, in the household's language, where that is none of the words for units
 */
export function readAmount(text: string, asked: AskedAmount, words: AmountWords, shownUnit = ''): ReadAmount {
  if (asked.unit === 'clock') return readHour(text, words);
  if (asked.unit === 'per kg') {
    const price = readPrice(text, asked, words);
    if (price) return price;
  }
  const own = shownUnit.trim().toLowerCase();
  const bare = text.trim().toLowerCase();
  if (bare === '' || bare === own) return { is: 'nothing' };
  const isOwn = own !== '' && bare.endsWith(own);
  const plain = readPlain(isOwn ? bare.slice(0, -own.length) : bare, asked);
  if (plain !== null) return { is: 'amount', value: plain, own: true };
  // What it is an amount of is known: "2 qt milk" is two quarts.
  const tokens = tokensOf(text, asked.decimal).filter((token) => !words.goods.has(token.text));
  return readSaid(tokens, asked, words);
}

const DISCOUNT = /^(.+?)\s*[-−–]\s*(\d+(?:[.,]\d+)?)\s*%$/u;

/** A price for some amount ("3.20 for 500 g", "2.40 / 2 lb"), or less a discount ("6.40 - 30 %"), as one for a kilo; null where it is none. */
function readPrice(text: string, asked: AskedAmount, words: AmountWords): ReadAmount | null {
  const own = (said: string) => readAmount(said, { ...asked, unit: '' }, words);
  const less = DISCOUNT.exec(text.trim());
  if (less) {
    const [whole, pct] = [readAmount(less[1]!, asked, words), own(less[2]!)];
    if (whole.is !== 'amount' || pct.is !== 'amount' || pct.value > 100) return null;
    return { is: 'amount', value: rounded(whole.value * (1 - pct.value / 100)), own: false };
  }
  const parts = text.trim().split(/\s*(\/|(?<=\s)\p{L}+(?=\s))\s*/u);
  const at = parts.findIndex((part) => part === '/' || words.per.has(part.toLowerCase()));
  if (at < 1) return null;
  const [price, of] = [parts.slice(0, at).join(' '), parts.slice(at + 1).join(' ')];
  const money = own(price);
  const massG = readAmount(/^\D/u.test(of) ? `1 ${of}` : of, { ...asked, unit: 'g' }, words);
  if (money.is !== 'amount' || massG.is !== 'amount' || !(massG.value > 0)) return null;
  return { is: 'amount', value: rounded((1000 * money.value) / massG.value), own: false };
}

const rounded = (value: number) => Number(value.toPrecision(SIGNIFICANT));

const HOUR = /^(?:(\d{1,2})(?:\s*[:.h]\s*(\d{2}))?\s*h?\s*)?(\D*)$/;

/** An hour of the day as people say it: "18:30", "6.30 pm", "7", "noon". */
export function readHour(text: string, { am, pm, noon, midnight, numberOf }: AmountWords): ReadAmount {
  const [first = '', ...others] = text.trim().toLowerCase().split(/\s+/);
  const named = numberOf.get(first) ?? 0;
  const said = [named >= 1 ? String(named) : first, ...others].join(' ');
  if (said === '') return { is: 'nothing' };
  if (noon.has(said)) return { is: 'amount', value: 12, own: true };
  if (midnight.has(said)) return { is: 'amount', value: 0, own: true };
  const [, hours = '', minutes = '0', half = ''] = HOUR.exec(said) ?? [];
  const hour = Number(hours);
  const isPm = pm.has(half);
  if (hours === '' || Number(minutes) > 59 || (half !== '' && !isPm && !am.has(half)))
    return { is: 'unreadable', word: half || null };
  const of12 = half === '' ? hour : (hour % 12) + (isPm ? 12 : 0);
  const isHour = half === '' ? hour < 24 : hour >= 1 && hour <= 12;
  return isHour ? { is: 'amount', value: of12 + Number(minutes) / 60, own: true } : { is: 'unreadable', word: null };
}

const PLAIN = /^([-−]?)(\d[\d.,\s]*|[.,]\d+)$/;

/** A number alone, in the unit that is shown; null where it is more than that. */
function readPlain(text: string, asked: AskedAmount): number | null {
  const [, minus, digits] = PLAIN.exec(text.trim()) ?? [];
  const tokens = tokensOf(digits ?? '', asked.decimal);
  const [number] = tokens;
  if (tokens.length !== 1 || !number || Number.isNaN(number.value)) return null;
  return shownIn(asked.unit, asked.units, asked.step).fromShown(minus ? -number.value : number.value);
}

function readSaid(tokens: readonly Token[], asked: AskedAmount, words: AmountWords): ReadAmount {
  const phrase = phraseAt(tokens, 0, words);
  const end = phrase ? skipIdle(tokens, phrase.next, words) : skipIdle(tokens, 0, words);
  const stopped = tokens[end];
  if (!phrase || stopped) return { is: 'unreadable', word: wordAt(tokens, end) };
  const kind = kindOf(asked.unit);
  const [first] = phrase.parts;
  if (phrase.parts.length === 1 && first!.unit === null) {
    const value = shownIn(asked.unit, asked.units, asked.step).fromShown(first!.count);
    return Number.isNaN(value) ? { is: 'unreadable', word: null } : { is: 'amount', value, own: true };
  }
  // Two temperatures are not one: "68 F + 5 F" is no warmth.
  if (kind?.[0] === 'celsius' && phrase.parts.length > 1) return { is: 'unreadable', word: null };
  let sum = 0;
  let isExact = true;
  for (const part of withUnits(phrase.parts)) {
    const meant = kind && valueOf(part, kind, asked);
    if (!meant || Number.isNaN(meant.value)) return { is: 'unreadable', word: wordOf(part, tokens, words) };
    sum += meant.value;
    isExact &&= meant.isExact;
  }
  // What is weighed and added up keeps every digit; only the last bit of a double is no digit of anybody's.
  return { is: 'amount', value: isExact ? Number(sum.toPrecision(12)) : rounded(sum), own: false };
}

/** A word somebody would know again; a sign or a number alone is none. */
const wordAt = (tokens: readonly Token[], at: number) => (tokens[at]?.is === 'word' ? tokens[at].text : null);

const wordOf = ({ unit }: Part, tokens: readonly Token[], { unitsOf }: AmountWords) =>
  tokens.find((t) => unit !== null && unitsOf.get(t.text) === unit)?.text ?? null;

/** Bare numbers among the parts get their units: what follows the unit before, or that unit, or the next one's. */
function withUnits(parts: readonly Part[]): readonly Part[] {
  return parts.map((part, i) => {
    if (part.unit) return part;
    const before = parts.slice(0, i).findLast((p) => p.unit !== null)?.unit;
    const then = before && NEXT_SMALLER[before[0]!];
    if (then) return { ...part, unit: [then] };
    return { ...part, unit: before ?? parts.slice(i).find((p) => p.unit !== null)?.unit ?? null };
  });
}

/** A part in the metric unit asked for, and whether that is it to the last digit; null where it is an amount of another kind. */
function valueOf(
  { count, unit }: Part,
  [kind, each]: readonly [Dimension, number],
  asked: AskedAmount,
): { readonly value: number; readonly isExact: boolean } | null {
  const meant = (unit ?? [])
    .map((name) => unitNamed(name, asked))
    .sort((a, b) => Number(b.dimension === kind) - Number(a.dimension === kind));
  for (const said of meant) {
    const value = inDimension(count, said, kind, asked);
    const isExact = said.customary !== true && (said.dimension === kind || said.dimension === 'piece');
    if (value !== null) return { value: value / each, isExact };
  }
  return null;
}

/** A unit by its name; a drop is as large as its bottle makes it. */
function unitNamed(name: SaidUnitName, { units, dropMl }: AskedAmount): SaidUnit {
  const said = saidUnit(name, units);
  return name === 'drop' && dropMl ? { ...said, each: dropMl } : said;
}

/** So many of a unit as an amount of some kind, in that kind's own unit. */
function inDimension(count: number, said: SaidUnit, kind: Dimension, asked: AskedAmount): number | null {
  const { gPerMl, pieceG, wholeG } = asked;
  if (said.dimension === kind) return count * said.each;
  if (kind === 'dose') return said.dimension === 'volume' && asked.perMl ? count * said.each * asked.perMl : null;
  if (kind === 'celsius') return said.dimension === 'fahrenheit' ? toCelsius(count) : null;
  const massG = massOf(count * said.each, said.dimension, asked);
  if (massG === null) return null;
  if (kind === 'mass') return massG;
  if (kind === 'volume') return gPerMl ? massG / gPerMl : null;
  if (kind === 'share') return wholeG ? (100 * massG) / wholeG : null;
  if (kind === 'piece') return pieceG ? massG / pieceG : null;
  return null;
}

function massOf(amount: number, dimension: Dimension, { gPerMl, pieceG }: AskedAmount): number | null {
  if (dimension === 'mass') return amount;
  if (dimension === 'volume') return gPerMl ? amount * gPerMl : null;
  if (dimension === 'piece') return pieceG ? amount * pieceG : null;
  return null;
}
