import { createEntityAdapter, type EntityAdapter, type EntityState } from '@ngrx/entity';
import { createActionGroup, createFeature, createReducer, createSelector, on, props } from '@ngrx/store';
import { USUAL_SETTINGS, type FieldProblem, type Kept } from '@oat-crock/contract/api';
import { dequal } from 'dequal/lite';
import { LogActions } from './log.feature';
import {
  edited,
  goesByField,
  householdRecord,
  isSaved,
  overNewer,
  RECORD_FAMILIES,
  withTheirs,
  type Draft,
  type RecordFamilies,
  type RecordFamily,
  type RecordItem,
  type Writing,
} from './record-writing';

/** Something that could not be taken away, brought back or forgotten, and why. */
export interface Stays {
  readonly id: string;
  readonly name: string;
  readonly wanted: 'taken away' | 'brought back' | 'forgotten' | 'changed';
  readonly errors: readonly FieldProblem[];
}

/** Records as the server has them: some of some families. */
export type Received = { readonly [F in RecordFamily]?: readonly Kept<RecordFamilies[F]>[] };

/** Records by their ids. */
export type Records<T> = Readonly<Record<string, Kept<T>>>;

export interface RecordsState {
  readonly families: { readonly [F in RecordFamily]: EntityState<Kept<RecordFamilies[F]>> };
  /** By id: what is being written and not yet saved. */
  readonly writing: Readonly<Record<string, Writing>>;
  /** What could not be taken away, brought back or forgotten, until somebody has seen it. */
  readonly stays: readonly Stays[];
  /** Whether the records are only remembered: then what the server tells of all takes their place, whatever their versions. */
  readonly isRecalled: boolean;
}

export const RecordActions = createActionGroup({
  source: 'records',
  events: {
    /** Records as the server has them: all, or those that changed. */
    Received: props<{ records: Received; all?: boolean }>(),
    /** Records as this browser last saw them. */
    Recalled: props<{ records: Received }>(),
    /** A field was touched. */
    Edited: props<{ family: RecordFamily; draft: Draft; overVersion: number }>(),
    'Save Wanted': props<{ id: string }>(),
    /** A draft is on its way to the server. */
    Sent: props<{ id: string; draft: Draft }>(),
    /** The server has a draft as it was sent. What was written since then is still being written. */
    Saved: props<{ family: RecordFamily; kept: Kept<RecordItem>; sent: Draft }>(),
    'Remove Wanted': props<{ family: RecordFamily; id: string }>(),
    /** Brings back what was taken away. */
    'Restore Wanted': props<{ family: RecordFamily; id: string }>(),
    /** What was to be taken away, brought back or forgotten stays as it was. */
    'Stays As It Was': props<{ stays: Stays }>(),
    'Seen That It Stays': props<{ id: string }>(),
    Refused: props<{ id: string; errors: readonly FieldProblem[] }>(),
    /** The server cannot be reached: it is sent again once it can. */
    Unreachable: props<{ id: string; errors: readonly FieldProblem[] }>(),
    /** Somebody else has changed the record first. */
    Conflicted: props<{ family: RecordFamily; id: string; theirs: Kept<RecordItem> }>(),
    /** What was written is put aside: theirs stands, or it was saved. */
    Discarded: props<{ id: string }>(),
    /** What was written stands against theirs: it will be saved over that. */
    Kept: props<{ id: string }>(),
    /** Theirs stands in the fields that both changed. */
    'Theirs Taken': props<{ id: string }>(),
    Recovered: props<{ writing: RecordsState['writing'] }>(),
  },
});

const ADAPTER = createEntityAdapter<Kept<RecordItem>>({ selectId: ({ item }) => item.id });
/** The adapter of one family: they differ in what they hold alone. */
const adapterOf = <T extends { readonly id: string }>() => ADAPTER as unknown as EntityAdapter<Kept<T>>;

const NO_RECORDS: RecordsState['families'] = {
  lots: adapterOf<RecordFamilies['lots']>().getInitialState(),
  gear: adapterOf<RecordFamilies['gear']>().getInitialState(),
  methods: adapterOf<RecordFamilies['methods']>().getInitialState(),
  orders: adapterOf<RecordFamilies['orders']>().getInitialState(),
  plannedBatches: adapterOf<RecordFamilies['plannedBatches']>().getInitialState(),
  supplies: adapterOf<RecordFamilies['supplies']>().getInitialState(),
  settings: withTold(adapterOf<RecordFamilies['settings']>().getInitialState(), [
    householdRecord({ version: 0, settings: USUAL_SETTINGS }),
  ]),
};

const initial: RecordsState = { families: NO_RECORDS, writing: {}, stays: [], isRecalled: false };

export const recordsFeature = createFeature({
  name: 'records',
  reducer: createReducer(
    initial,
    on(RecordActions.received, (state, { records, all = false }) =>
      told(all && state.isRecalled ? { ...state, families: NO_RECORDS, isRecalled: false } : state, records),
    ),
    on(RecordActions.recalled, (state, { records }) => ({ ...told(state, records), isRecalled: true })),
    on(LogActions.doubted, (state) => ({ ...state, isRecalled: true })),
    on(RecordActions.edited, (state, touched) => {
      const { id } = touched.draft;
      const base = state.families[touched.family].entities[id];
      const writing = edited(state.writing[id], touched, base);
      const isAsItWas = base !== undefined && isSaved(writing, base);
      return isAsItWas ? without(state, id) : { ...state, writing: { ...state.writing, [id]: writing } };
    }),
    // What is saved against a conflict is saved knowing of it.
    on(RecordActions.saveWanted, (state, { id }) => changed(state, id, (w) => ({ ...w, wanted: true, conflicts: [] }))),
    on(RecordActions.sent, (state, { id, draft }) => changed(state, id, (w) => ({ ...w, inFlight: draft }))),
    on(RecordActions.saved, (state, { family, kept, sent }) => {
      const next = told(state, { [family]: [kept] });
      const draft = next.writing[sent.id]?.draft;
      if (dequal(draft, sent)) return without(next, sent.id);
      return changed(next, sent.id, (w) => ({ ...w, over: kept.item, overVersion: kept.version, inFlight: null }));
    }),
    on(RecordActions.staysAsItWas, (state, { stays }) => ({
      ...state,
      stays: [...state.stays.filter(({ id }) => id !== stays.id), stays],
    })),
    on(RecordActions.seenThatItStays, RecordActions.removeWanted, RecordActions.restoreWanted, (state, { id }) => ({
      ...state,
      stays: state.stays.filter((stays) => stays.id !== id),
    })),
    on(RecordActions.refused, (state, { id, errors }) =>
      changed(state, id, (w) => ({ ...w, errors, wanted: false, inFlight: null })),
    ),
    on(RecordActions.unreachable, (state, { id, errors }) => changed(state, id, (w) => ({ ...w, errors }))),
    on(RecordActions.conflicted, (state, { family, id, theirs }) =>
      changed(told(state, { [family]: [theirs] }), id, (w) => ({
        ...w,
        inFlight: null,
        ...(!goesByField(family) && { theirs, wanted: false }),
      })),
    ),
    on(RecordActions.kept, (state, { id }) =>
      changed(state, id, (w) => ({ ...w, overVersion: w.theirs?.version ?? w.overVersion, theirs: null })),
    ),
    on(RecordActions.theirsTaken, (state, { id }) => {
      const next = changed(state, id, withTheirs);
      const writing = next.writing[id];
      return writing && dequal(writing.draft, writing.over) ? without(next, id) : next;
    }),
    on(RecordActions.discarded, (state, { id }) => without(state, id)),
    on(RecordActions.recovered, (state, { writing }) => {
      const next = { ...state, writing: { ...writing, ...state.writing } };
      return Object.values(next.writing).reduce(overWhatIsKnown, next);
    }),
  ),
  extraSelectors: ({ selectFamilies }) => {
    const selectLots = createSelector(selectFamilies, ({ lots }) => byId(lots));
    const selectGear = createSelector(selectFamilies, ({ gear }) => byId(gear));
    const selectMethods = createSelector(selectFamilies, ({ methods }) => byId(methods));
    const selectSupplies = createSelector(selectFamilies, ({ supplies }) => byId(supplies));
    const selectOrders = createSelector(selectFamilies, ({ orders }) => byId(orders));
    return {
      selectLots,
      selectGear,
      selectMethods,
      selectOrders,
      selectPlannedBatches: createSelector(selectFamilies, ({ plannedBatches }) => byId(plannedBatches)),
      selectLotsHere: createSelector(selectLots, here),
      selectGearHere: createSelector(selectGear, here),
      selectMethodsHere: createSelector(selectMethods, here),
      selectOrdersHere: createSelector(selectOrders, here),
      selectSupplies,
      selectSuppliesHere: createSelector(selectSupplies, here),
    };
  },
});

const byId = <T>({ entities }: EntityState<Kept<T>>) => entities as Records<T>;

function here<T>(records: Records<T>): readonly T[] {
  return Object.values(records)
    .filter((kept) => kept.goneMs === null)
    .map((kept) => kept.item);
}

/** Records as the server has them; what is being written goes over those, and is put away where the server has it. */
function told(state: RecordsState, received: Received): RecordsState {
  const families = Object.fromEntries(
    RECORD_FAMILIES.map((family) => [family, withTold<RecordItem>(state.families[family], received[family] ?? [])]),
  ) as unknown as RecordsState['families'];
  const items = Object.values(received).flatMap((kept: readonly Kept<RecordItem>[]) => kept);
  return items.reduce(
    (next, { item }) => {
      const writing = next.writing[item.id];
      return writing ? overWhatIsKnown(next, writing) : next;
    },
    { ...state, families },
  );
}

/** With a draft over what is known of its record by now, or put away where that is what it is. */
function overWhatIsKnown(state: RecordsState, writing: Writing): RecordsState {
  const { id } = writing.draft;
  const base = state.families[writing.family].entities[id];
  if (!base) return state;
  const next = overNewer(writing, base);
  return isSaved(next, base) ? without(state, id) : changed(state, id, () => next);
}

function without(state: RecordsState, id: string): RecordsState {
  const writing = Object.fromEntries(Object.entries(state.writing).filter(([key]) => key !== id));
  return { ...state, writing };
}

/** What is told replaces what was known, unless it is older. */
function withTold<T extends { readonly id: string }>(
  records: EntityState<Kept<T>>,
  received: readonly Kept<T>[],
): EntityState<Kept<T>> {
  const newer = received.filter(({ item, version }) => version >= (records.entities[item.id]?.version ?? 0));
  return newer.length === 0 ? records : adapterOf<T>().setMany([...newer], records);
}

function changed(state: RecordsState, id: string, change: (writing: Writing) => Writing): RecordsState {
  const writing = state.writing[id];
  return writing ? { ...state, writing: { ...state.writing, [id]: change(writing) } } : state;
}
