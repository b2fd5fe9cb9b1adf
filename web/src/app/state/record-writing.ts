import type { FieldProblem, Kept, KeptFamilies, Settings, VersionedSettings } from '@oat-crock/contract/api';
import { dequal } from 'dequal/lite';

/** The household's settings as a record: the only one of its family. */
export const HOUSEHOLD_ID = 'household';
export type Household = Settings & { readonly id: typeof HOUSEHOLD_ID };

/** Whatever the page has a record of and may change, by its family. */
export interface RecordFamilies extends KeptFamilies {
  readonly settings: Household;
}
export type RecordFamily = keyof RecordFamilies;
export type RecordItem = RecordFamilies[RecordFamily];

export const RECORD_FAMILIES = [
  'lots',
  'gear',
  'methods',
  'orders',
  'plannedBatches',
  'supplies',
  'settings',
] as const satisfies readonly RecordFamily[];

/** Settings with their version, as a record. */
export function householdRecord({ version, settings }: VersionedSettings): Kept<Household> {
  return { version, goneMs: null, item: { ...settings, id: HOUSEHOLD_ID } };
}

/** A record as it is being written: any field may still be empty or wrong. */
export interface Draft {
  readonly id: string;
  readonly kind?: unknown;
  readonly name?: unknown;
  readonly amount?: unknown;
  readonly agent?: unknown;
}

/** A record being written: what it is written over, and what became of sending it. */
export interface Writing {
  readonly family: RecordFamily;
  readonly draft: Draft;
  /** The record as it was when writing began, or as it has come since; null where it is new. */
  readonly over: RecordItem | null;
  readonly overVersion: number;
  /** The draft that was sent and is not answered yet. */
  readonly inFlight: Draft | null;
  /** It is to be saved, and the server has not answered yet. */
  readonly wanted: boolean;
  readonly errors: readonly FieldProblem[];
  /** What somebody else has written meanwhile, where one of the two must be chosen whole. */
  readonly theirs: Kept<RecordItem> | null;
  /** Fields that somebody else has changed otherwise meanwhile, where the two go together field by field. */
  readonly conflicts: readonly string[];
}

/** Families whose fields stand on their own, so that two people may each change some of one record. */
const BY_FIELD: readonly RecordFamily[] = ['settings'];
export const goesByField = (family: RecordFamily) => BY_FIELD.includes(family);

type Fields = Readonly<Record<string, unknown>>;
const fields = (record: object) => record as Fields;

/**
 * A record with a field touched. What is wrong with fields that were not touched stays said; a touched one is no conflict any more.
 *
 * @param base the record as the server has it, where it has it
 */
export function edited(
  before: Writing | undefined,
  { family, draft, overVersion }: Pick<Writing, 'family' | 'draft' | 'overVersion'>,
  base: Kept<RecordItem> | undefined,
): Writing {
  const was = fields(before?.draft ?? base?.item ?? {});
  const isTouched = (field: string) => !dequal(was[field], fields(draft)[field]);
  return {
    over: base?.item ?? null,
    inFlight: null,
    theirs: null,
    ...before,
    family,
    draft,
    overVersion,
    wanted: false,
    errors: (before?.errors ?? []).filter(({ field }) => field !== '' && !isTouched(topOf(field))),
    conflicts: (before?.conflicts ?? []).filter((field) => !isTouched(field)),
  };
}

/** The field of a record that a problem's path begins with: "away[0].fromMs" is about "away". */
const topOf = (path: string) => /^\w*/.exec(path)![0];

/**
 * A record being written, over what the server has by now. Fields left alone follow the server's. Where somebody else has changed
 * one that is being written, it stays as written and is named a conflict; what this page itself has sent is no other's change.
 */
export function overNewer(writing: Writing, base: Kept<RecordItem>): Writing {
  if (!goesByField(writing.family) || base.version < writing.overVersion) return writing;
  const [was, is, own, sent] = [writing.over ?? {}, base.item, writing.draft, writing.inFlight ?? {}].map(fields) as [
    Fields,
    Fields,
    Fields,
    Fields,
  ];
  const isWritten = (field: string) => !dequal(own[field], was[field]);
  const draft = { ...is, ...Object.fromEntries(Object.entries(own).filter(([field]) => isWritten(field))) };
  const isConflict = (field: string) =>
    isWritten(field) &&
    !dequal(own[field], is[field]) &&
    !dequal(is[field], sent[field]) &&
    (writing.conflicts.includes(field) || !dequal(is[field], was[field]));
  const conflicts = Object.keys(own).filter(isConflict);
  return {
    ...writing,
    draft: draft as unknown as Draft,
    over: base.item,
    overVersion: base.version,
    conflicts,
    wanted: writing.wanted && conflicts.length === 0,
  };
}

/** A draft with theirs in the fields that both changed. */
export function withTheirs(writing: Writing): Writing {
  const theirs = Object.fromEntries(writing.conflicts.map((field) => [field, fields(writing.over ?? {})[field]]));
  return { ...writing, draft: { ...writing.draft, ...theirs }, conflicts: [] };
}

/** Whether the server has what is written: nothing is left to be saved. */
export function isSaved({ family, draft, wanted }: Writing, { item, goneMs }: Kept<RecordItem>): boolean {
  return goneMs === null && (wanted || goesByField(family)) && dequal(draft, item);
}
