import { createEntityAdapter, type EntityState } from '@ngrx/entity';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import type { PastMakes, StoredEntry } from '@oat-crock/contract/api';
import { replay, takenBy, type Batch, type Entry, type Taken } from '@oat-crock/core';
import type { Refused } from './waiting';

/** An entry as the page holds it: stored by the server (with a place in its order), or still to be sent. */
export type UnsentEntry = Entry & { readonly seq: number | null };

export interface LogState extends EntityState<UnsentEntry> {
  readonly loaded: boolean;
  /** Older makes that the server did not tell to begin with. */
  readonly past: PastMakes;
  /** Those of them that were read since, because somebody looked at them. */
  readonly readSince: readonly string[];
  /** Ids that somebody looked for and that no make has. */
  readonly unknown: readonly string[];
  readonly refused: readonly Refused[];
  /** Why the server could not write what waits, in its words; empty where it can. */
  readonly unsentWhy: string;
  /** When what stands here was last told by the server, while it is only remembered, ms by this device; null once it is told. */
  readonly seenMs: number | null;
}

export const LogActions = createActionGroup({
  source: 'log',
  events: {
    /** The log as the server has it, from the last place known here. */
    Loaded: props<{ entries: readonly StoredEntry[]; past?: PastMakes | undefined }>(),
    /** The log as this browser last saw it. */
    Recalled: props<{ entries: readonly StoredEntry[]; past: PastMakes; seenMs: number }>(),
    /** What the server has is not what it had: all that stands here is only remembered, until it is told anew. */
    Doubted: props<{ seenMs: number }>(),
    /** A make as a whole, which may be one that was not told to begin with. */
    'Make Unknown': props<{ batchId: string }>(),
    'Make Read': props<{ batchId: string; entries: readonly StoredEntry[] }>(),
    /** Entries the server tells of. */
    Arrived: props<{ entries: readonly StoredEntry[] }>(),
    /** Entries written here and not yet sent. */
    Logged: props<{ entries: readonly Entry[] }>(),
    /** Entries found waiting from before the page was closed. */
    Recovered: props<{ entries: readonly Entry[] }>(),
    Refused: props<Refused>(),
    'Refusals Seen': emptyProps(),
    /** The same, in another tab. */
    'Seen Elsewhere': emptyProps(),
    /** The server answers, and cannot write just now. */
    Unsent: props<{ why: string }>(),
  },
});

const adapter = createEntityAdapter<UnsentEntry>();
const initial: LogState = adapter.getInitialState({
  loaded: false,
  past: { count: 0, taken: [], delivered: [] },
  readSince: [],
  unknown: [],
  refused: [],
  unsentWhy: '',
  seenMs: null,
});

const unsent = (entries: readonly Entry[]): UnsentEntry[] => entries.map((entry) => ({ ...entry, seq: null }));

export const logFeature = createFeature({
  name: 'log',
  reducer: createReducer(
    initial,
    on(LogActions.loaded, (before, { entries, past }) => {
      const state = past && before.seenMs !== null ? unsentOnly(before) : before;
      return adapter.upsertMany([...entries], {
        ...state,
        loaded: true,
        ...(past && { past, readSince: notAmong(state, entries) }),
      });
    }),
    on(LogActions.recalled, (state, { entries, past, seenMs }) =>
      state.loaded ? state : adapter.upsertMany([...entries], { ...state, loaded: true, past, seenMs }),
    ),
    on(LogActions.doubted, (state, { seenMs }) => ({ ...state, seenMs })),
    on(LogActions.makeRead, (state, { batchId, entries }) =>
      adapter.upsertMany([...entries], {
        ...state,
        readSince: isTold(state, batchId) ? state.readSince : [...state.readSince, batchId],
      }),
    ),
    on(LogActions.makeUnknown, (state, { batchId }) => ({ ...state, unknown: [...state.unknown, batchId] })),
    on(LogActions.arrived, (state, { entries }) => adapter.upsertMany([...entries], { ...state, unsentWhy: '' })),
    on(LogActions.unsent, (state, { why }) => ({ ...state, unsentWhy: why })),
    on(LogActions.logged, LogActions.recovered, (state, { entries }) => adapter.addMany(unsent(entries), state)),
    on(LogActions.refused, (state, { entry, errors }) => {
      const others = state.refused.filter((refused) => refused.entry.id !== entry.id);
      return adapter.removeOne(entry.id, { ...state, refused: [...others, { entry, errors }] });
    }),
    on(LogActions.refusalsSeen, LogActions.seenElsewhere, (state) => ({ ...state, refused: [] })),
  ),
  extraSelectors: ({ selectLogState, selectPast, selectReadSince, selectSeenMs }) => {
    const { selectAll } = adapter.getSelectors();
    const selectEntries = createSelector(selectLogState, selectAll);
    const selectBatches = createSelector(selectEntries, batchesOf);
    return {
      selectEntries,
      selectPending: createSelector(selectEntries, (entries) => entries.filter((e) => e.seq === null)),
      selectBatches,
      /** What the server has of it. */
      selectStored: createSelector(selectEntries, (entries) =>
        entries.filter((entry): entry is StoredEntry => entry.seq !== null),
      ),
      /** Everything that makes took out of the larder, those among them that are not here; in order of time. */
      selectTaken: createSelector(selectBatches, selectPast, selectReadSince, takenByAll),
      /** The last place in the server's order that is known here; 0 while it is only remembered: then all of it is read anew. */
      selectLastSeq: createSelector(selectEntries, selectSeenMs, (entries, seenMs) =>
        seenMs === null ? entries.reduce((last, e) => Math.max(last, e.seq ?? 0), 0) : 0,
      ),
      /** The same of lines by hand: what instruments read changes nothing of what was made. */
      selectLastByHand: createSelector(selectEntries, (entries) =>
        entries.reduce((last, e) => (e.source === 'hand' ? Math.max(last, e.seq ?? 0) : last), 0),
      ),
    };
  },
});

/** The log without what the server is known to have: what waits here to be sent. */
function unsentOnly(state: LogState): LogState {
  const waits = Object.values(state.entities).filter((entry): entry is UnsentEntry => entry?.seq === null);
  return adapter.setAll(waits, { ...state, readSince: [], seenMs: null });
}

/** Makes that the server has and that are here, but not among what it told just now. */
function notAmong({ entities }: LogState, told: readonly StoredEntry[]): readonly string[] {
  const among = new Set(told.map(({ batchId }) => batchId));
  const here = Object.values(entities).filter((e) => e!.seq !== null && e!.body.type === 'started');
  return here.map((e) => e!.batchId).filter((id) => !among.has(id));
}

/** Whether the beginning of a make is known here. */
const isTold = ({ entities }: LogState, batchId: string) =>
  Object.values(entities).some((e) => e!.batchId === batchId && e!.body.type === 'started');

/** What the makes here took, and what the older ones took together: one that was read since is among those already. */
function takenByAll(batches: readonly Batch[], past: PastMakes, readSince: readonly string[]): readonly Taken[] {
  const told = batches.filter(({ id }) => !readSince.includes(id));
  const older = past.taken.map((taken): Taken => ({ ...taken, batchId: '', batchName: '' }));
  return [...older, ...takenBy(told)].sort((a, b) => a.atMs - b.atMs);
}

/** Replays are kept by batch and made anew only where its entries have changed. */
const replayed = new Map<string, { readonly key: string; readonly batch: Batch }>();

function batchesOf(entries: readonly UnsentEntry[]): readonly Batch[] {
  const byBatch = Map.groupBy(entries, (e) => e.batchId);
  const batches: Batch[] = [];
  for (const [batchId, own] of byBatch) {
    const key = `${own.length}/${own.reduce((last, e) => (e.id > last ? e.id : last), '')}`;
    const known = replayed.get(batchId);
    const batch = known?.key === key ? known.batch : replay(own);
    if (!batch) continue;
    replayed.set(batchId, { key, batch });
    batches.push(batch);
  }
  return batches.sort((a, b) => b.startedMs - a.startedMs);
}

/** Batches on the way, oldest first: those nearest to done lead. */
export const selectLive = createSelector(logFeature.selectBatches, (batches) =>
  batches.filter((b) => b.ended === null).reverse(),
);

/** One batch by its id. */
export const selectBatch = (id: string) =>
  createSelector(logFeature.selectBatches, (batches) => batches.find((b) => b.id === id) ?? null);
