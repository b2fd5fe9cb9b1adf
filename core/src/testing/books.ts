import { cultureBook } from './culture-book.js';
import { makeBook, type Words } from './make-book.js';
import { planBook } from './plan-book.js';

/** Every make, every culture and two weeks, told in lines. */
export const books = (words: Words): readonly string[] => [
  ...makeBook(words),
  ...cultureBook(words),
  ...planBook(words),
];

/** Lines that two books do not share, each with its number, as many as are worth reading. */
export function otherLines(is: readonly string[], was: readonly string[], most = 6): string[] {
  const other = Array.from({ length: Math.max(is.length, was.length) }, (_, i) => i).filter((i) => is[i] !== was[i]);
  return other.slice(0, most).map((i) => `${i + 1}: ${is[i] ?? '(none)'} — was: ${was[i] ?? '(none)'}`);
}
