import type { Method } from '@oat-crock/core';
import { textOf } from '../../shared/ui/said';

/** Words that no method's name, family or summary has. */
export function unknownOf(words: string, methods: readonly Method[]): readonly string[] {
  return words.split(/\s+/).filter((word) => word !== '' && !methods.some((method) => isCalled(method, word)));
}

/** Whether a method's name, family and summary, as the household reads them, have all of some words, in any order. */
export function isCalled({ name, family, summary }: Method, words: string): boolean {
  const text = [name, family, summary].map(textOf).join(' ').toLowerCase();
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}
