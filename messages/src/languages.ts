import type { Texts } from './reader.js';

/** The languages there are texts in: a file each, read when it is asked for. */
export const LANGUAGES = {
  en: async (): Promise<Texts> => (await import('./texts/en.json', { with: { type: 'json' } })).default,
} as const satisfies Readonly<Record<string, () => Promise<Texts>>>;

export type Language = keyof typeof LANGUAGES;
