import { LANGUAGES, type Language } from '@oat-crock/messages';
import { speakIn } from './reader';

/** Reads the texts of a language, and speaks it from then on. */
export async function speak(language: Language): Promise<void> {
  const { tag, texts } = LANGUAGES[language];
  speakIn(tag, await texts());
}
