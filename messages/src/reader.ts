import type { Units } from '@oat-crock/core';

/** The texts of one language, by key, in ICU's syntax. */
export type Texts = Readonly<Record<string, string>>;

/** For whom something is said: what changes how it reads, and nothing of what is said. */
export interface Reader {
  /** A tag as in "en", "es": how numbers, dates and plurals go. */
  readonly language: string;
  readonly texts: Texts;
  readonly units: Units;
  /** Whether its clock goes to twelve, twice a day; to twenty-four where left out. */
  readonly halfDays?: boolean;
  /** The household's zone, as in "Europe/Berlin". */
  readonly zone: string;
}
