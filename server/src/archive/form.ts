/** The form of an archive: raised whenever a reader of the form before could not read it any more. */
export const ARCHIVE_FORM = 1;

export const ARCHIVE_IS = 'oat-crock-archive';

/** What an archive says of itself, first of all. */
export interface Manifest {
  readonly is: typeof ARCHIVE_IS;
  readonly form: number;
  /** When it was written, by the kitchen's clock, ms. */
  readonly writtenMs: number;
  readonly zone: string;
  /** How many lines each of its tables has. */
  readonly lines: Readonly<Record<string, number>>;
}

export const MANIFEST = 'manifest.json';
/** The last file: SHA-256 of each other one's content, in hex. Where it is missing, the archive was cut off. */
export const CHECKSUMS = 'checksums.json';

/** The only names that files of an archive have. */
const NAMES: readonly RegExp[] = [
  /^README\.md$/,
  /^manifest\.json$/,
  /^checksums\.json$/,
  /^schemas\/[a-z-]+\.schema\.json$/,
  /^records\/[a-z-]+\.jsonl$/,
  /^csv\/[a-z-]+\.csv$/,
  // The papers of makes, which a page may add after all else.
  /^paper\/(record|label)-[0-9A-Z-]+\.pdf$/,
  /^photos\/[0-9A-HJKMNP-TV-Z]{26}\.(jpg|png|webp)$/,
];

/** Whether a file may stand in an archive: nothing that climbs out of it, nothing that nobody knows. */
export const belongs = (name: string): boolean => NAMES.some((form) => form.test(name));
