import { createActionGroup, createFeature, createReducer, createSelector, on, props } from '@ngrx/store';
import type { Family, FieldProblem, Kept, KeptItem, Larder, PlannedBatch, WantedOrder } from '@oat-crock/contract/api';
import type { Gear, Lot, Method } from '@oat-crock/core';
import { dequal } from 'dequal/lite';

/** A record as it is being written: any field may still be empty or wrong. */
export interface Draft {
  readonly id: string;
  readonly kind?: unknown;
  readonly name?: unknown;
  readonly amount?: unknown;
  readonly agent?: unknown;
}

/** A record being written: over which version, and what the server said of it. */
export interface Writing {
  readonly family: Family;
  readonly draft: Draft;
  readonly overVersion: number;
  readonly errors: readonly FieldProblem[];
  /** It is to be saved, and the server has not answered yet. */
  readonly wanted: boolean;
  /** What somebody else has written meanwhile. */
  readonly theirs: Kept<KeptItem> | null;
}

/** Something that could not be taken away, or brought back, and why. */
export interface Stays {
  readonly id: string;
  readonly name: string;
  readonly wanted: 'taken away' | 'brought back';
  readonly errors: readonly FieldProblem[];
}

type Records<T> = Readonly<Record<string, Kept<T>>>;

export interface LarderState {
  readonly lots: Records<Lot>;
  readonly gear: Records<Gear>;
  readonly methods: Records<Method>;
  readonly orders: Records<WantedOrder>;
  readonly plannedBatches: Records<PlannedBatch>;
  /** By id: what is being written and not yet saved. */
  readonly writing: Readonly<Record<string, Writing>>;
  /** What could not be taken away or brought back, until somebody has seen it. */
  readonly stays: readonly Stays[];
}

export const LarderActions = createActionGroup({
  source: 'larder',
  events: {
    /** Records as the server has them: all, or those that changed. */
    Received: props<{ larder: Partial<Larder> }>(),
    /** A field was touched. */
    Edited: props<{ family: Family; draft: Draft; overVersion: number }>(),
    'Save Wanted': props<{ id: string }>(),
    /** The server has a draft as it was sent. What was written since then is still being written. */
    Saved: props<{ family: Family; kept: Kept<KeptItem>; sent: Draft }>(),
    'Remove Wanted': props<{ family: Family; id: string }>(),
    /** Brings back what was taken away. */
    'Restore Wanted': props<{ family: Family; id: string }>(),
    /** What was to be taken away, or brought back, stays as it was. */
    'Stays As It Was': props<{ stays: Stays }>(),
    'Seen That It Stays': props<{ id: string }>(),
    Refused: props<{ id: string; errors: readonly FieldProblem[] }>(),
    /** The server cannot be reached: it is sent again once it can. */
    Unreachable: props<{ id: string; errors: readonly FieldProblem[] }>(),
    Conflicted: props<{ id: string; theirs: Kept<KeptItem> }>(),
    /** What was written is put aside: theirs stands, or it was saved. */
    Discarded: props<{ id: string }>(),
    /** What was written stands against theirs: it will be saved over that. */
    Kept: props<{ id: string }>(),
    Recovered: props<{ writing: LarderState['writing'] }>(),
  },
});

const initial: LarderState = {
  lots: {},
  gear: {},
  methods: {},
  orders: {},
  plannedBatches: {},
  writing: {},
  stays: [],
};

export const larderFeature = createFeature({
  name: 'larder',
  reducer: createReducer(
    initial,
    on(LarderActions.received, (state, { larder }) => told(state, larder)),
    on(LarderActions.edited, (state, { family, draft, overVersion }) => {
      const before = state.writing[draft.id];
      const writing = { theirs: null, ...before, errors: [], wanted: false, family, draft, overVersion };
      return { ...state, writing: { ...state.writing, [draft.id]: writing } };
    }),
    on(LarderActions.saveWanted, (state, { id }) => changed(state, id, (w) => ({ ...w, wanted: true }))),
    on(LarderActions.saved, (state, { family, kept, sent }) => {
      const next = told(state, { [family]: [kept] });
      const draft = next.writing[sent.id]?.draft;
      if (dequal(draft, sent)) return without(next, sent.id);
      return changed(next, sent.id, (w) => ({ ...w, overVersion: kept.version }));
    }),
    on(LarderActions.staysAsItWas, (state, { stays }) => ({
      ...state,
      stays: [...state.stays.filter(({ id }) => id !== stays.id), stays],
    })),
    on(LarderActions.seenThatItStays, LarderActions.removeWanted, LarderActions.restoreWanted, (state, { id }) => ({
      ...state,
      stays: state.stays.filter((stays) => stays.id !== id),
    })),
    on(LarderActions.refused, (state, { id, errors }) => changed(state, id, (w) => ({ ...w, errors, wanted: false }))),
    on(LarderActions.unreachable, (state, { id, errors }) => changed(state, id, (w) => ({ ...w, errors }))),
    on(LarderActions.conflicted, (state, { id, theirs }) =>
      changed(state, id, (w) => ({ ...w, theirs, wanted: false })),
    ),
    on(LarderActions.kept, (state, { id }) =>
      changed(state, id, (w) => ({ ...w, overVersion: w.theirs?.version ?? w.overVersion, theirs: null })),
    ),
    on(LarderActions.discarded, (state, { id }) => without(state, id)),
    on(LarderActions.recovered, (state, { writing }) => ({ ...state, writing: { ...writing, ...state.writing } })),
  ),
  extraSelectors: ({ selectLots, selectGear, selectMethods, selectOrders }) => ({
    selectLotsHere: createSelector(selectLots, here),
    selectGearHere: createSelector(selectGear, here),
    selectMethodsHere: createSelector(selectMethods, here),
    selectOrdersHere: createSelector(selectOrders, here),
  }),
});

function here<T>(records: Records<T>): readonly T[] {
  return Object.values(records)
    .filter((kept) => kept.goneMs === null)
    .map((kept) => kept.item);
}

/** Records as the server has them. A draft that waits for its answer and is what the server has is saved. */
function told(state: LarderState, larder: Partial<Larder>): LarderState {
  const next = {
    ...state,
    lots: withTold(state.lots, larder.lots ?? []),
    gear: withTold(state.gear, larder.gear ?? []),
    methods: withTold(state.methods, larder.methods ?? []),
    orders: withTold(state.orders, larder.orders ?? []),
    plannedBatches: withTold(state.plannedBatches, larder.plannedBatches ?? []),
  };
  const items = Object.values(larder).flatMap((kept: readonly Kept<KeptItem>[]) => kept);
  const saved = items.filter(({ item, goneMs }) => {
    const writing = state.writing[item.id];
    return goneMs === null && writing?.wanted === true && dequal(writing.draft, item);
  });
  return saved.reduce((done, { item }) => without(done, item.id), next);
}

function without(state: LarderState, id: string): LarderState {
  const writing = Object.fromEntries(Object.entries(state.writing).filter(([key]) => key !== id));
  return { ...state, writing };
}

/** What is told replaces what was known, unless it is older. */
function withTold<T extends { readonly id: string }>(records: Records<T>, told: readonly Kept<T>[]): Records<T> {
  if (told.length === 0) return records;
  const newer = told.filter((kept) => kept.version >= (records[kept.item.id]?.version ?? 0));
  return { ...records, ...Object.fromEntries(newer.map((kept) => [kept.item.id, kept])) };
}

function changed(state: LarderState, id: string, change: (writing: Writing) => Writing): LarderState {
  const writing = state.writing[id];
  return writing ? { ...state, writing: { ...state.writing, [id]: change(writing) } } : state;
}
