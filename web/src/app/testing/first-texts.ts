import { ENGLISH, type Texts } from '@oat-crock/messages';

/** In unit tests, which have no start of the page that would read them, the texts are the English ones from the first. */
export const FIRST_TEXTS: Texts = ENGLISH.texts;
