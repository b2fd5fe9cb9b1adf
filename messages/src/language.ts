import type { Texts } from './reader.js';

/** A language: what it calls itself, its tag for numbers, dates and plurals, and its texts, a file read when it is asked for. */
export interface LanguageOf {
  readonly name: string;
  readonly tag: string;
  readonly texts: () => Promise<Texts>;
}
