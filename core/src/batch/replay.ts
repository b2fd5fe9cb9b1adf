import type { LotStock } from '../lots/lot.js';
import type { Choices, Method } from '../methods/method.js';
import type { Addition } from '../stages/told.js';
import type { FaultId } from './fault-ids.js';
import type { Counted, Entry, EntryBody, IssuedHow, IssuedTo, ProductStore, Quantity, ReadBy, Score } from './entry.js';
import { answerId } from '../stages/answers.js';

/** An entry as it stands after corrections. */
export interface StandingEntry {
  readonly id: string;
  readonly atMs: number;
  readonly source: string;
  readonly body: Exclude<EntryBody, { type: 'correction' }>;
  /** True where a correction has changed what it said. */
  readonly corrected: boolean;
}

/** A line of the log as shown: with what became of it. */
export interface LogLine {
  readonly entry: Entry;
  readonly fate: 'stands' | 'corrected' | 'taken back' | 'is a correction';
  /** What it says now, where a correction changed it. */
  readonly now: StandingEntry['body'] | null;
  /** When it happened, ms, as it stands now. */
  readonly atMs: number;
}

export interface Reading {
  readonly atMs: number;
  readonly quantity: Quantity;
  readonly value: number;
  readonly by: ReadBy;
  readonly id: string;
}

/** What the make took out of the larder. */
export interface TookOut {
  readonly atMs: number;
  readonly lotId: string;
  readonly massG: number;
  readonly id: string;
}

/** Something put in by hand. */
export interface AddedBy {
  readonly atMs: number;
  readonly what: Addition;
  readonly massG: number;
  readonly id: string;
}

/** A decision on whether it may go out, with a name to it. */
export interface Decision {
  readonly atMs: number;
  readonly decided: 'held' | 'released';
  readonly by: string;
  readonly reason: string;
  readonly id: string;
}

/** Some of what was made that went out, or was put elsewhere. */
export type Movement = { readonly id: string; readonly atMs: number } & Counted &
  (
    | ({ readonly is: 'issued'; readonly how: IssuedHow } & IssuedTo)
    | { readonly is: 'stored'; readonly where: ProductStore }
  );

export interface CueSeen {
  readonly atMs: number;
  readonly cue: string;
  readonly answer: string;
  readonly id: string;
}

/** A batch as its entries tell it. */
export interface Batch {
  readonly id: string;
  readonly name: string;
  readonly methodId: string;
  readonly choices: Choices;
  /** The lots that the choices name, as they were when it began. */
  readonly stocks: readonly LotStock[];
  /** Ids of the gear of one's own that it is made in. */
  readonly gear: readonly string[];
  /** The method as it was, where it is one's own. */
  readonly ownMethod: Method | null;
  readonly startedMs: number;
  /** Stages begun, in order of time. */
  readonly steps: readonly { readonly stageId: string; readonly atMs: number }[];
  readonly readings: readonly Reading[];
  readonly cues: readonly CueSeen[];
  readonly taken: readonly TookOut[];
  readonly added: readonly AddedBy[];
  /** Decisions to hold it or let it go, in order of time; the last one counts. */
  readonly decisions: readonly Decision[];
  readonly photos: readonly {
    readonly atMs: number;
    readonly photoId: string;
    readonly text: string;
    readonly id: string;
  }[];
  readonly notes: readonly { readonly atMs: number; readonly text: string; readonly id: string }[];
  /** What went out of what came of it, and what was frozen or thawed, in order of time. */
  readonly movements: readonly Movement[];
  /** Where what came of it stands, as was said last; null where nobody has said. */
  readonly place: string | null;
  /** What was seen to be wrong with it, each once, as first said. */
  readonly complaints: readonly FaultId[];
  readonly ended:
    | null
    | {
        readonly how: 'finished';
        readonly atMs: number;
        readonly productG: number;
        readonly wheyG: number | null;
        readonly heldBackG: number | null;
        readonly score: Score | null;
        readonly pots: number | null;
        readonly left: readonly { readonly what: string; readonly massG: number; readonly lotId: string }[];
        readonly words: string;
        readonly useBy: string | null;
        readonly openDays: number | null;
      }
    | { readonly how: 'discarded'; readonly atMs: number; readonly reason: string; readonly by: string | null };
  readonly log: readonly LogLine[];
}

/**
 * The batch that its entries tell, whatever order they came in and however often each was sent.
 * Pure: the same set of entries gives the same batch. Returns null while no entry has started it.
 */
export function replay(entries: readonly Entry[]): Batch | null {
  const unique = [...new Map(entries.map((e) => [e.id, e])).values()].sort(byTime);
  const standing = applyCorrections(unique);
  const started = standing.find((e) => e.body.type === 'started');
  if (!started || started.body.type !== 'started') return null;
  const batchId = unique[0]!.batchId;
  return {
    id: batchId,
    name: started.body.name,
    methodId: started.body.methodId,
    choices: started.body.choices,
    stocks: started.body.stocks ?? [],
    gear: started.body.gear ?? [],
    ownMethod: started.body.method ?? null,
    startedMs: started.atMs,
    steps: collect(standing, (e) => (e.body.type === 'step' ? { stageId: e.body.stageId, atMs: e.atMs } : null)),
    readings: collect(standing, (e) =>
      e.body.type === 'reading'
        ? { atMs: e.atMs, quantity: e.body.quantity, value: e.body.value, by: e.body.by, id: e.id }
        : null,
    ),
    cues: collect(standing, (e) =>
      e.body.type === 'cue' ? { atMs: e.atMs, cue: e.body.cue, answer: answerId(e.body.answer), id: e.id } : null,
    ),
    taken: collect(standing, (e) =>
      e.body.type === 'took' ? { atMs: e.atMs, lotId: e.body.lotId, massG: e.body.massG, id: e.id } : null,
    ),
    added: collect(standing, (e) =>
      e.body.type === 'added' ? { atMs: e.atMs, what: e.body.what, massG: e.body.massG, id: e.id } : null,
    ),
    decisions: collect(standing, (e) =>
      e.body.type === 'held' || e.body.type === 'released'
        ? { atMs: e.atMs, decided: e.body.type, by: e.body.by, reason: e.body.reason, id: e.id }
        : null,
    ),
    photos: collect(standing, (e) =>
      e.body.type === 'photo' ? { atMs: e.atMs, photoId: e.body.photoId, text: e.body.text, id: e.id } : null,
    ),
    notes: collect(standing, (e) => (e.body.type === 'note' ? { atMs: e.atMs, text: e.body.text, id: e.id } : null)),
    movements: collect(standing, movementOf),
    place: collect(standing, (e) => (e.body.type === 'placed' ? e.body.place : null)).at(-1) ?? null,
    complaints: [...new Set(collect(standing, (e) => (e.body.type === 'complaint' ? e.body.fault : null)))],
    ended: endOf(standing),
    log: logOf(unique, standing),
  };
}

/** The decision that keeps a batch from going out, or null where none does. */
export function holdOf({ decisions }: Pick<Batch, 'decisions'>): Decision | null {
  const last = decisions.at(-1);
  return last?.decided === 'held' ? last : null;
}

/** Entries in order of what happened; those of one moment in order of their making. */
function byTime(a: Pick<Entry, 'atMs' | 'id'>, b: Pick<Entry, 'atMs' | 'id'>): number {
  return a.atMs - b.atMs || (a.id < b.id ? -1 : 1);
}

function applyCorrections(entries: readonly Entry[]): StandingEntry[] {
  const last = new Map<string, EntryBody & { type: 'correction' }>();
  const times = new Map<string, number>();
  for (const { body } of [...entries].sort((a, b) => (a.id < b.id ? -1 : 1))) {
    if (body.type !== 'correction') continue;
    last.set(body.replaces, body);
    if (body.atMs !== undefined) times.set(body.replaces, body.atMs);
  }
  const standing = entries.flatMap((entry): StandingEntry[] => {
    if (entry.body.type === 'correction') return [];
    const correction = last.get(entry.id);
    if (!correction) return [{ ...entry, body: entry.body, corrected: false }];
    const atMs = times.get(entry.id) ?? entry.atMs;
    return correction.body ? [{ ...entry, atMs, body: correction.body, corrected: true }] : [];
  });
  return times.size > 0 ? standing.sort(byTime) : standing;
}

function collect<T>(entries: readonly StandingEntry[], pick: (entry: StandingEntry) => T | null): T[] {
  return entries.flatMap((entry) => pick(entry) ?? []);
}

function endOf(entries: readonly StandingEntry[]): Batch['ended'] {
  const end = entries.findLast((e) => e.body.type === 'finished' || e.body.type === 'discarded');
  if (!end) return null;
  if (end.body.type === 'discarded') {
    return { how: 'discarded', atMs: end.atMs, reason: end.body.reason, by: end.body.by ?? null };
  }
  if (end.body.type !== 'finished') return null;
  const { productG, wheyG, heldBackG, score, pots = null, left = [], words = '' } = end.body;
  const { useBy = null, openDays = null } = end.body;
  return { how: 'finished', atMs: end.atMs, productG, wheyG, heldBackG, score, pots, left, words, useBy, openDays };
}

function movementOf({ id, atMs, body }: StandingEntry): Movement | null {
  if (body.type === 'issued') return { ...body, is: 'issued', id, atMs };
  return body.type === 'stored' ? { ...body, is: 'stored', id, atMs } : null;
}

function logOf(entries: readonly Entry[], standing: readonly StandingEntry[]): LogLine[] {
  const byId = new Map(standing.map((s) => [s.id, s]));
  return entries.map((entry) => logLine(entry, byId.get(entry.id)));
}

function logLine(entry: Entry, now: StandingEntry | undefined): LogLine {
  const { atMs } = now ?? entry;
  if (entry.body.type === 'correction') return { entry, fate: 'is a correction', now: null, atMs };
  if (!now) return { entry, fate: 'taken back', now: null, atMs };
  return now.corrected ? { entry, fate: 'corrected', now: now.body, atMs } : { entry, fate: 'stands', now: null, atMs };
}
