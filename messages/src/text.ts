import type { MessageKey } from '@oat-crock/core';
import { IntlMessageFormat } from 'intl-messageformat';
import type { Reader, Texts } from './reader.js';

interface Read {
  readonly format: IntlMessageFormat;
  readonly isSentence: boolean;
}

/** Texts that were read already: parsing one costs twenty times as much as filling it in. */
const parsed = new WeakMap<Texts, Map<string, Read>>();

/**
 * A text with its places filled in.
 *
 * @param values what stands in each place: words as they shall read; a number where the text counts by it
 * @returns the key itself where the language has no such text (the check of the texts lets none be missing)
 */
export function textOf(
  { language, texts }: Reader,
  key: MessageKey,
  values: Readonly<Record<string, string | number>> = {},
): string {
  const read = parsed.get(texts) ?? new Map<string, Read>();
  parsed.set(texts, read);
  let known = read.get(key);
  if (!known) {
    const text = texts[key];
    if (text === undefined) return key;
    const format = new IntlMessageFormat(text, language, undefined, { ignoreTag: true });
    known = { format, isSentence: SENTENCE.test(text) };
    read.set(key, known);
  }
  const words = known.format.format(withCapitals(values)) as string;
  return known.isSentence ? capital(words) : words;
}

/**
 * A whole sentence begins with a capital, also where what stands first in it is a word of another text. It ends with its own
 * stop, or that of each of its ways to be said; one that ends with what is filled in may be part of another.
 */
const SENTENCE = /[.!?]\}*$/;

/** A place that is written with a capital, "{Name}: {was}", is filled in with one. */
function withCapitals(values: Readonly<Record<string, string | number>>): Record<string, string | number> {
  const both: Record<string, string | number> = { ...values };
  for (const [name, value] of Object.entries(values))
    if (typeof value === 'string') both[capital(name)] = capital(value);
  return both;
}

const capital = (words: string) => words.charAt(0).toLocaleUpperCase() + words.slice(1);
