import type { Texts } from './reader.js';

/** A language: what it calls itself, its tag for numbers, dates and plurals, and its texts, a file read when it is asked for. */
interface LanguageOf {
  readonly name: string;
  readonly tag: string;
  readonly texts: () => Promise<Texts>;
}

/** The languages there are texts in. */
export const LANGUAGES = {
  en: {
    name: 'English',
    tag: 'en-GB',
    texts: async () => (await import('./texts/en.json', { with: { type: 'json' } })).default,
  },
} as const satisfies Readonly<Record<string, LanguageOf>>;

export type Language = keyof typeof LANGUAGES;
