import { isMessage, METRIC, type Message, type Text } from '@oat-crock/core';
import type { Reader } from './reader.js';
import { renderText } from './render.js';
import en from './texts/en.json' with { type: 'json' };

/** English, metric: what is read where no household has been asked (the command line, the engine's tests). */
export const ENGLISH: Reader = { language: 'en-GB', texts: en, units: METRIC, zone: 'UTC' };

/** In English, metric. */
export const english = (text: Text): string => renderText(text, ENGLISH);

/** Data with every message in it said in English, metric. */
export type InEnglish<T> = T extends Message
  ? string
  : T extends readonly (infer E)[]
    ? readonly InEnglish<E>[]
    : T extends object
      ? { readonly [K in keyof T]: InEnglish<T[K]> }
      : T;

export function inEnglish<T>(data: T): InEnglish<T> {
  return saidIn(data) as InEnglish<T>;
}

function saidIn(data: unknown): unknown {
  if (isMessage(data)) return english(data);
  if (Array.isArray(data)) return data.map(saidIn);
  if (typeof data !== 'object' || data === null) return data;
  return Object.fromEntries(Object.entries(data).map(([name, value]) => [name, saidIn(value)]));
}
