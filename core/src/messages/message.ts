import type { MessageValues } from './keys.js';
import type { SaidQuantity } from './quantity.js';

/** What may stand in a sentence: a quantity, another message, a list, a name as its maker wrote it, or a count. */
export type Value = SaidQuantity | Message | List | string | number;

/** Some things in a row: "a, b and c", "a, b or c", "a, b, c". */
export interface List {
  readonly all: readonly Value[];
  readonly by: 'and' | 'or' | 'comma';
}

export const listOf = (all: readonly Value[], by: List['by'] = 'and'): List => ({ all, by });

export type MessageKey = keyof MessageValues;

/**
 * Something said to people, as data: which text, and what stands in it. How it reads, in which language and units, is decided
 * where it is shown (`messages/`). Two messages that say the same are equal as data, and survive JSON and a worker.
 */
export interface Message {
  readonly key: MessageKey;
  readonly values?: Readonly<Record<string, Value>>;
}

/** What is said to people: a message; or a name, or words of somebody's own, which stand as they are. */
export type Text = Message | string;

export type ValuesOf<K extends MessageKey> = keyof MessageValues[K] extends never ? [] : [values: MessageValues[K]];

/** A message: its key, and every value that its text has. */
export function say<K extends MessageKey>(key: K, ...[values]: ValuesOf<K>): Message {
  return values === undefined ? { key } : { key, values: values as Readonly<Record<string, Value>> };
}

/** Whether something is a message, where it may also be a sentence or a quantity. */
export function isMessage(value: unknown): value is Message {
  if (typeof value !== 'object' || value === null || !('key' in value) || typeof value.key !== 'string') return false;
  return Object.keys(value).every((name) => name === 'key' || name === 'values');
}

/** Something to tell texts apart by: two that say the same have the same. */
export const idOfText = (text: Text): string => (typeof text === 'string' ? text : JSON.stringify(text));

/** Texts without those that say the same again. */
export const uniqueTexts = (texts: readonly Text[]): Text[] => [
  ...new Map(texts.map((t) => [idOfText(t), t])).values(),
];
