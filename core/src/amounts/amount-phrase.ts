import type { AmountWords, SaidUnitName } from './said-units.js';

/** A piece of a line: a number, a fraction of one ("½", "1/2"), a word, or any other sign. */
export interface Token {
  readonly is: 'number' | 'fraction' | 'word' | 'sign';
  readonly text: string;
  readonly value: number;
  /** Nothing stands between it and the one before. */
  readonly joined: boolean;
}

/** So many of a unit; of several units where its word may mean several, of none where only a number was said. */
export interface Part {
  readonly count: number;
  readonly unit: readonly SaidUnitName[] | null;
}

/** What a line says from some token on: its parts, and the token after them. */
export interface Phrase {
  readonly parts: readonly Part[];
  readonly next: number;
}

const FRACTIONS: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};

const TOKEN = /(\d+\/\d+|[½⅓⅔¼¾⅛⅜⅝⅞])|(\d[\d.,]*|[.,]\d+)|([\p{L}°%]+\.?)|(\S)/gu;

/** A line in its pieces, with numbers read by the household's decimal sign. */
export function tokensOf(line: string, decimal: string): readonly Token[] {
  const plainLine = line
    .toLowerCase()
    .normalize('NFC')
    .replace(/(\d)[ \u00a0\u202f](?=\d{3}(?!\d))/g, '$1');
  let end = 0;
  return [...plainLine.matchAll(TOKEN)].map((found): Token => {
    const [text, fraction, digits, word] = found;
    const joined = found.index === end;
    end = found.index + text.length;
    if (fraction) return { is: 'fraction', text, value: fractionOf(fraction), joined };
    if (digits) return { is: 'number', text, value: numberOf(digits, decimal), joined };
    if (word) return { is: 'word', text: word.replace(/\.$/, ''), value: NaN, joined };
    return { is: 'sign', text, value: NaN, joined };
  });
}

function fractionOf(text: string): number {
  const [over, under] = text.split('/').map(Number);
  return under === undefined ? FRACTIONS[text]! : over! / under;
}

/** One sign that parts thousands: before three digits, with more before it. */
const THOUSANDS = /^[1-9]\d{0,2}[.,]\d{3}$/;

/** Digits with a point or a comma as decimal sign, and thousands parted by the other one. */
function numberOf(digits: string, decimal: string): number {
  const signs = new Set(digits.match(/[.,]/g));
  const last = Math.max(digits.lastIndexOf('.'), digits.lastIndexOf(','));
  const partsThousands = signs.size === 1 && digits.charAt(last) !== decimal && THOUSANDS.test(digits);
  if (partsThousands) return Number(digits.replace(/[.,]/g, ''));
  const whole = digits.slice(0, last === -1 ? undefined : last);
  const parts = last === -1 ? '' : `.${digits.slice(last + 1)}`;
  return Number((signs.size === 2 ? whole.replace(/[.,]/g, '') : whole) + parts);
}

/**
 * The amount that a line says from a token on, as far as it goes: "500 ml + 100 ml", "1 lb 4 oz", "a pint and a half",
 * "3 x 400 g", "2 kg - 340 g". Null where it says none there.
 */
export function phraseAt(tokens: readonly Token[], from: number, words: AmountWords): Phrase | null {
  const parts: Part[] = [];
  let next = from;
  let sign = 1;
  for (;;) {
    const count = countAt(tokens, next, words) ?? (from === next ? unsaidOne(tokens, next, words) : null);
    if (!count) break;
    const unit = unitAt(tokens, count.next, words);
    next = unit?.next ?? count.next;
    const half = unit && andHalfAt(tokens, next, words);
    parts.push({ count: sign * (count.value + (half?.value ?? 0)), unit: unit?.names ?? null });
    next = half?.next ?? next;
    const joint = jointAt(tokens, next, words);
    if (!joint || !countAt(tokens, joint.next, words)) break;
    ({ sign, next } = joint);
  }
  return parts.length > 0 ? { parts, next } : null;
}

interface Count {
  readonly value: number;
  readonly next: number;
}

/** How many: "2", "1½", "1 and a half", "two", "half a", "a", "3 x 2". */
function countAt(tokens: readonly Token[], from: number, words: AmountWords): Count | null {
  const i = skipIdle(tokens, from, words);
  const at = (k: number) => tokens[k];
  const first = at(i);
  if (!first) return null;
  if (words.articles.has(first.text)) {
    return fractionAt(tokens, i + 1, words) ?? { value: 1, next: i + 1 };
  }
  const fraction = fractionAt(tokens, i, words);
  if (fraction) return fraction;
  const value = first.is === 'number' ? first.value : (words.numberOf.get(first.text) ?? NaN);
  if (Number.isNaN(value)) return null;
  return countWith(value, tokens, i + 1, words);
}

/** A number with what follows it: "1 ½", "1 and a half", "three quarters of a", "3 x 400". */
function countWith(value: number, tokens: readonly Token[], from: number, words: AmountWords): Count {
  const then = tokens[from];
  const fraction = fractionAt(tokens, from, words);
  if (fraction && then?.is === 'fraction') return { value: value + fraction.value, next: fraction.next };
  if (fraction) return { value: value * fraction.value, next: fraction.next };
  const half = afterAnd(tokens, from, words);
  if (half) return { value: value + half.value, next: half.next };
  if (then && /^[x×*]$/.test(then.text)) {
    const each = countAt(tokens, from + 1, words);
    if (each) return { value: value * each.value, next: each.next };
  }
  return { value, next: from };
}

/** One litre where only "litre and a half" is said. */
function unsaidOne(tokens: readonly Token[], from: number, words: AmountWords): Count | null {
  const unit = unitAt(tokens, from, words);
  return unit && andHalfAt(tokens, unit.next, words) ? { value: 1, next: from } : null;
}

/** A part of one: "½", "half", "half a", "a quarter of a". */
function fractionAt(tokens: readonly Token[], from: number, words: AmountWords): Count | null {
  const token = tokens[from];
  if (!token) return null;
  const value = token.is === 'fraction' ? token.value : (words.numberOf.get(token.text) ?? NaN);
  if (!(value < 1)) return null;
  const next = skipIdle(tokens, from + 1, words);
  return { value, next: words.articles.has(tokens[next]?.text ?? '') ? next + 1 : next };
}

/** "and a half", of what it follows. */
function afterAnd(tokens: readonly Token[], from: number, words: AmountWords): Count | null {
  if (!words.and.has(tokens[from]?.text ?? '')) return null;
  return fractionAt(tokens, words.articles.has(tokens[from + 1]?.text ?? '') ? from + 2 : from + 1, words);
}

/** "and a half" after a unit: of that unit, where it has none of its own ("a pint and half a cup"). */
function andHalfAt(tokens: readonly Token[], from: number, words: AmountWords): Count | null {
  const half = afterAnd(tokens, from, words);
  return half && !unitAt(tokens, half.next, words) ? half : null;
}

function unitAt(
  tokens: readonly Token[],
  from: number,
  { unitsOf }: AmountWords,
): { readonly names: readonly SaidUnitName[]; readonly next: number } | null {
  const [one, two] = [tokens[from]?.text ?? '', tokens[from + 1]?.text ?? ''];
  const both = unitsOf.get(`${one} ${two}`);
  if (both) return { names: both, next: from + 2 };
  const names = unitsOf.get(one);
  return names ? { names, next: from + 1 } : null;
}

/** What joins two amounts: "and", "+", a comma, nothing; "-" between spaces, or "minus", takes off. */
function jointAt(
  tokens: readonly Token[],
  from: number,
  { and, minus }: AmountWords,
): { readonly sign: 1 | -1; readonly next: number } | null {
  const token = tokens[from];
  if (!token) return null;
  if (and.has(token.text) || token.text === '+' || token.text === ',' || token.text === '&')
    return { sign: 1, next: from + 1 };
  const isDash = /^[-−–]$/.test(token.text) && !token.joined && tokens[from + 1]?.joined === false;
  if (isDash || minus.has(token.text)) return { sign: -1, next: from + 1 };
  return token.is === 'sign' ? null : { sign: 1, next: from };
}

/** The next token that is not an idle word. */
export function skipIdle(tokens: readonly Token[], from: number, { idle }: AmountWords): number {
  let i = from;
  while (idle.has(tokens[i]?.text ?? '')) i++;
  return i;
}
