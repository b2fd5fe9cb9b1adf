import { isMessage, type List, type Message, type Text, type Value } from '@oat-crock/core';
import { sayQuantity } from './quantities.js';
import type { Reader } from './reader.js';
import { textOf } from './text.js';

/** A message as its reader has it: in their language, units and zone. */
export function render(message: Message, reader: Reader): string {
  const values: Record<string, string | number> = {};
  for (const [name, value] of Object.entries(message.values ?? {})) values[name] = inWords(value, reader);
  return textOf(reader, message.key, values);
}

function inWords(value: Value, reader: Reader): string | number {
  if (typeof value === 'string' || typeof value === 'number') return value;
  if (isMessage(value)) return render(value, reader);
  return 'all' in value ? sayList(value, reader) : sayQuantity(value, reader);
}

const LISTS = {
  and: { type: 'conjunction', style: 'long' },
  or: { type: 'disjunction', style: 'long' },
  comma: { type: 'unit', style: 'short' },
} as const satisfies Record<string, Intl.ListFormatOptions>;

const lists = new Map<string, Intl.ListFormat>();

/** Some things in a row, as a language has it. */
export function sayList({ all, by }: List, reader: Reader): string {
  const name = `${reader.language} ${by}`;
  const format = lists.get(name) ?? new Intl.ListFormat(reader.language, LISTS[by]);
  lists.set(name, format);
  return format.format(all.map((value) => String(inWords(value, reader))));
}

/** What is said to people, as its reader has it: a message; a name or words of somebody's own stand as they are. */
export const renderText = (text: Text, reader: Reader): string =>
  typeof text === 'string' ? text : render(text, reader);
