import type { Texts } from '@oat-crock/messages';

/** Texts before those of the household's language are read: none, as the page is drawn only then. */
export const FIRST_TEXTS: Texts = {};
