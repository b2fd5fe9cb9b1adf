import { LANGUAGES, type Language } from '@oat-crock/messages';
import { speakIn } from './reader';

const KEY = 'oat-crock.language';
const isLanguage = (id: string | null | undefined): id is Language => typeof id === 'string' && id in LANGUAGES;

/** What the browser asks for first among the languages there are; English where it asks for none of them. */
const ofBrowser = (): Language =>
  navigator.languages.map((tag) => tag.split('-')[0]).find((id) => isLanguage(id)) ?? 'en';

/** The language this device spoke last: what the page opens in, before the household is known. */
export function spokenHere(): string {
  try {
    return localStorage.getItem(KEY) ?? '';
  } catch {
    return '';
  }
}

/**
 * Reads the texts of a language, and speaks it from then on.
 *
 * @param wanted as the household chose it; empty, or one that there is not, for that of the browser
 */
export async function speak(wanted: string): Promise<void> {
  const language = isLanguage(wanted) ? wanted : ofBrowser();
  const { tag, texts } = LANGUAGES[language];
  speakIn(tag, await texts());
  try {
    localStorage.setItem(KEY, wanted);
  } catch {
    // Forbidden: the page opens in the browser's language until the household is known.
  }
}
