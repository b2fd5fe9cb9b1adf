import { createEntityAdapter, type EntityState } from '@ngrx/entity';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import type { StoredEntry } from '@oat-crock/contract/api';
import { replay, type Batch, type Entry } from '@oat-crock/core';
import type { Refused } from './waiting';

/** An entry as the page holds it: stored by the server (with a place in its order), or still to be sent. */
export type UnsentEntry = Entry & { readonly seq: number | null };

export interface LogState extends EntityState<UnsentEntry> {
  readonly loaded: boolean;
  readonly refused: readonly Refused[];
  /** Why the server could not write what waits, in its words; empty where it can. */
  readonly unsentWhy: string;
}

export const LogActions = createActionGroup({
  source: 'log',
  events: {
    /** The log as the server has it, from the last place known here. */
    Loaded: props<{ entries: readonly StoredEntry[] }>(),
    /** Entries the server tells of. */
    Arrived: props<{ entries: readonly StoredEntry[] }>(),
    /** Entries written here and not yet sent. */
    Logged: props<{ entries: readonly Entry[] }>(),
    /** Entries found waiting from before the page was closed. */
    Recovered: props<{ entries: readonly Entry[] }>(),
    Refused: props<Refused>(),
    'Refusals Seen': emptyProps(),
    /** The server answers, and cannot write just now. */
    Unsent: props<{ why: string }>(),
  },
});

const adapter = createEntityAdapter<UnsentEntry>();
const initial: LogState = adapter.getInitialState({ loaded: false, refused: [], unsentWhy: '' });

const unsent = (entries: readonly Entry[]): UnsentEntry[] => entries.map((entry) => ({ ...entry, seq: null }));

export const logFeature = createFeature({
  name: 'log',
  reducer: createReducer(
    initial,
    on(LogActions.loaded, (state, { entries }) => adapter.upsertMany([...entries], { ...state, loaded: true })),
    on(LogActions.arrived, (state, { entries }) => adapter.upsertMany([...entries], { ...state, unsentWhy: '' })),
    on(LogActions.unsent, (state, { why }) => ({ ...state, unsentWhy: why })),
    on(LogActions.logged, LogActions.recovered, (state, { entries }) => adapter.addMany(unsent(entries), state)),
    on(LogActions.refused, (state, { entry, errors }) =>
      adapter.removeOne(entry.id, { ...state, refused: [...state.refused, { entry, errors }] }),
    ),
    on(LogActions.refusalsSeen, (state) => ({ ...state, refused: [] })),
  ),
  extraSelectors: ({ selectLogState }) => {
    const { selectAll } = adapter.getSelectors();
    const selectEntries = createSelector(selectLogState, selectAll);
    return {
      selectEntries,
      selectPending: createSelector(selectEntries, (entries) => entries.filter((e) => e.seq === null)),
      selectBatches: createSelector(selectEntries, batchesOf),
      /** The last place in the server's order that is known here. */
      selectLastSeq: createSelector(selectEntries, (entries) =>
        entries.reduce((last, e) => Math.max(last, e.seq ?? 0), 0),
      ),
    };
  },
});

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
