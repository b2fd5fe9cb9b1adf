import type { LanguageOf } from './language.js';

/** The languages there are texts in. Written by `npm run messages`, an entry a file of texts. */
export const LANGUAGES = {
  en: {
    name: 'English',
    tag: 'en-GB',
    texts: async () => (await import('./texts/en.json', { with: { type: 'json' } })).default,
  },
  es: {
    name: 'Español',
    tag: 'es-ES',
    texts: async () => (await import('./texts/es.json', { with: { type: 'json' } })).default,
  },
} as const satisfies Readonly<Record<string, LanguageOf>>;

export type Language = keyof typeof LANGUAGES;
