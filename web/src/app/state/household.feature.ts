import { asleepOf, worksOf } from '@oat-crock/calendar';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import { dequal } from 'dequal/lite';
import { USUAL_SETTINGS, type FieldProblem, type Settings, type VersionedSettings } from '@oat-crock/contract/api';
import { say } from '@oat-crock/core';

export const HouseholdActions = createActionGroup({
  source: 'household',
  events: {
    /** The settings as the server has them. */
    Received: props<{ household: VersionedSettings }>(),
    /** Something was written that is not saved. */
    Edited: props<{ change: Partial<Settings> }>(),
    /** What was written is left. */
    'Put Back': emptyProps(),
    /** What was written when the page was closed came back. */
    Recovered: props<Pick<HouseholdState, 'writing' | 'before'>>(),
    /** A change is to be saved: what is being written, or one made elsewhere in one touch. */
    'Save Wanted': props<{ change: Partial<Settings> }>(),
    /** What was learned of something up to a moment counts no more. */
    'Forget Wanted': props<{ of: string; beforeMs: number }>(),
    /** The server has a change as it was sent. What was written since then is still being written. */
    Saved: props<{ household: VersionedSettings; change: Partial<Settings> }>(),
    /** Somebody else has changed the same settings first. */
    Conflicted: emptyProps(),
    /** What somebody else wrote into the same settings stands. */
    'Theirs Taken': emptyProps(),
    Refused: props<{ errors: readonly FieldProblem[] }>(),
    Opened: emptyProps(),
  },
});

export interface HouseholdState {
  readonly version: number;
  readonly settings: Settings;
  /** What was written otherwise and not saved. */
  readonly writing: Partial<Settings>;
  /** What the settings that are being written were when they were first touched. */
  readonly before: Partial<Settings>;
  /** Which of them somebody else has changed since. */
  readonly conflicts: readonly (keyof Settings)[];
  /** Why the last change was not taken, by the field where it is one's. */
  readonly errors: readonly FieldProblem[];
  /** The change that was sent and is not answered yet; null where none is. */
  readonly sending: Partial<Settings> | null;
  /** How often a change was taken: a form that sees it grow may close. */
  readonly saved: number;
}

const initial: HouseholdState = {
  version: 0,
  settings: USUAL_SETTINGS,
  writing: {},
  before: {},
  conflicts: [],
  errors: [],
  sending: null,
  saved: 0,
};

const NOT_TAKEN: FieldProblem = {
  field: '',
  message: say('page.state.household.notTaken'),
  remedy: say('page.state.household.tryAgainMoment'),
};

const NOTHING_WRITTEN = { writing: {}, before: {}, conflicts: [] } as const;

export const householdFeature = createFeature({
  name: 'household',
  reducer: createReducer(
    initial,
    on(HouseholdActions.received, (state, { household }) => received(state, household)),
    on(HouseholdActions.edited, (state, { change }) => ({
      ...state,
      writing: { ...state.writing, ...change },
      before: { ...state.before, ...asTheyAre(state, change) },
      conflicts: state.conflicts.filter((key) => !(key in change)),
      errors: state.errors.filter((e) => !(e.field in change)),
    })),
    on(HouseholdActions.recovered, (state, { writing, before }) => ({ ...state, writing, before })),
    on(HouseholdActions.putBack, (state) => ({ ...state, ...NOTHING_WRITTEN, errors: [] })),
    on(HouseholdActions.opened, (state) => ({ ...state, errors: [] })),
    // What is saved against a conflict is saved knowing of it.
    on(HouseholdActions.saveWanted, (state, { change }) => ({
      ...state,
      before: asTheyAre(state, state.writing),
      conflicts: [],
      errors: [],
      sending: change,
    })),
    on(HouseholdActions.saved, (state, { household, change }) => {
      const writing = without(state.writing, (key) => dequal(state.writing[key], change[key]));
      const next = { ...received({ ...state, writing }, household), sending: null };
      return { ...next, saved: state.saved + (Object.keys(writing).length === 0 ? 1 : 0) };
    }),
    on(HouseholdActions.conflicted, (state) => ({ ...state, sending: null })),
    on(HouseholdActions.theirsTaken, (state) => ({
      ...state,
      writing: without(state.writing, (key) => state.conflicts.includes(key)),
      conflicts: [],
    })),
    on(HouseholdActions.refused, (state, { errors }) => ({
      ...state,
      sending: null,
      errors: errors.length > 0 ? errors : [NOT_TAKEN],
    })),
  ),
  extraSelectors: ({ selectSettings, selectWriting, selectBefore }) => ({
    /** What is being written, and what it is over. */
    selectDrafted: createSelector(selectWriting, selectBefore, (writing, before) => ({ writing, before })),
    /** The settings with what is being written. */
    selectDraft: createSelector(selectSettings, selectWriting, (settings, writing): Settings => ({
      ...settings,
      ...writing,
    })),
    selectAsleep: createSelector(selectSettings, asleepOf),
    selectWorks: createSelector(selectSettings, worksOf),
  }),
});

/** The settings of a change as the server has them now. */
function asTheyAre({ settings }: HouseholdState, change: Partial<Settings>): Partial<Settings> {
  return Object.fromEntries(keysOf(change).map((key) => [key, settings[key]]));
}

/** Settings as the server has them. Those that are being written stay as written; where somebody else has changed the same, that is noted. */
function received(state: HouseholdState, household: VersionedSettings): HouseholdState {
  if (household.version < state.version) return state;
  const { settings } = household;
  const writing = without(state.writing, (key) => dequal(state.writing[key], settings[key]));
  // What this page itself has sent of it is no other's change, whichever way the news of it comes.
  const own = keysOf(writing).filter((key) => dequal(settings[key], state.sending?.[key]));
  const before = { ...state.before, ...Object.fromEntries(own.map((key) => [key, settings[key]])) };
  const conflicts = keysOf(writing).filter((key) => key in before && !dequal(settings[key], before[key]));
  return { ...state, ...household, writing, before, conflicts };
}

function without(change: Partial<Settings>, leaves: (key: keyof Settings) => boolean): Partial<Settings> {
  return Object.fromEntries(keysOf(change).flatMap((key) => (leaves(key) ? [] : [[key, change[key]]])));
}

const keysOf = (change: Partial<Settings>) => Object.keys(change) as (keyof Settings)[];
