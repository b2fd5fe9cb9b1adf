import { unitsOf, USUAL_SETTINGS, type Settings } from '@oat-crock/contract';
import type { Text } from '@oat-crock/core';
import { LANGUAGES, renderText, type Language, type Reader, type Texts } from '@oat-crock/messages';

/** How something is said to whoever asks this server. */
export type Words = (text: Text) => string;

const TEXTS: Readonly<Record<string, Texts>> = Object.fromEntries(
  await Promise.all(Object.entries(LANGUAGES).map(async ([language, { texts }]) => [language, await texts()] as const)),
);

/** Says things as a household reads them at that moment: in its language, units and zone. */
export function wordsFor(settings: () => Settings): Words {
  return (text) => renderText(text, readerOf(settings()));
}

/** Says things in a terminal, where no household has been asked: in the language that the machine is set to, where there are texts in it. */
export function wordsOfMachine(environment: Readonly<Record<string, string | undefined>>): Words {
  const set = environment['LC_ALL'] || environment['LC_MESSAGES'] || environment['LANG'] || '';
  return wordsFor(() => ({ ...USUAL_SETTINGS, language: set.slice(0, 2) }));
}

/** How something is said in each language there is, in the units and zone of a household. */
export function inEveryLanguage(text: Text, settings: Settings): readonly string[] {
  return Object.keys(LANGUAGES).map((language) => renderText(text, readerOf({ ...settings, language })));
}

function readerOf(settings: Settings): Reader {
  const language = settings.language in LANGUAGES ? (settings.language as Language) : 'en';
  const { tag } = LANGUAGES[language];
  return {
    language: tag,
    texts: TEXTS[language]!,
    units: unitsOf(settings),
    zone: settings.zone,
    halfDays: settings.datesIn === 'en-US',
  };
}
