import { asleepOf, worksOf } from '@oat-crock/calendar';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import { USUAL_SETTINGS, type FieldProblem, type Settings, type VersionedSettings } from '@oat-crock/contract/api';

export const HouseholdActions = createActionGroup({
  source: 'household',
  events: {
    Received: props<{ household: VersionedSettings }>(),
    /** Something was written that is not saved. */
    Edited: props<{ change: Partial<Settings> }>(),
    /** What was written is left. */
    'Put Back': emptyProps(),
    /** What was written when the page was closed came back. */
    Recovered: props<{ writing: Partial<Settings> }>(),
    'Change Wanted': props<{ settings: Settings }>(),
    /** Somebody else has changed the settings meanwhile. */
    Conflicted: emptyProps(),
    Refused: props<{ errors: readonly FieldProblem[] }>(),
    Opened: emptyProps(),
  },
});

export interface HouseholdState {
  readonly version: number;
  readonly settings: Settings;
  /** What was written otherwise and not saved. */
  readonly writing: Partial<Settings>;
  /** Why the last change was not taken, by the field where it is one's. */
  readonly errors: readonly FieldProblem[];
  /** True from when a change is sent until it is answered. */
  readonly sending: boolean;
  /** How often a change was taken: a form that sees it grow may close. */
  readonly saved: number;
}

const initial: HouseholdState = {
  version: 0,
  settings: USUAL_SETTINGS,
  writing: {},
  errors: [],
  sending: false,
  saved: 0,
};

const OVERTAKEN: FieldProblem = {
  field: '',
  message: 'Somebody else has changed these since you opened them.',
  remedy: 'What they wrote is now shown; make your change on it.',
};
const NOT_TAKEN: FieldProblem = { field: '', message: 'It was not taken.', remedy: 'Try again in a moment.' };

export const householdFeature = createFeature({
  name: 'household',
  reducer: createReducer(
    initial,
    on(HouseholdActions.received, (state, { household }) => {
      const taken = state.sending && household.version > state.version;
      return {
        ...state,
        ...household,
        ...(taken && { writing: {}, sending: false, saved: state.saved + 1 }),
      };
    }),
    on(HouseholdActions.edited, (state, { change }) => ({
      ...state,
      writing: { ...state.writing, ...change },
      errors: state.errors.filter((e) => !(e.field in change)),
    })),
    on(HouseholdActions.recovered, (state, { writing }) => ({ ...state, writing })),
    on(HouseholdActions.putBack, (state) => ({ ...state, writing: {}, errors: [] })),
    on(HouseholdActions.opened, (state) => ({ ...state, errors: [] })),
    on(HouseholdActions.changeWanted, (state) => ({ ...state, errors: [], sending: true })),
    on(HouseholdActions.conflicted, (state) => ({ ...state, writing: {}, sending: false, errors: [OVERTAKEN] })),
    on(HouseholdActions.refused, (state, { errors }) => ({
      ...state,
      sending: false,
      errors: errors.length > 0 ? errors : [NOT_TAKEN],
    })),
  ),
  extraSelectors: ({ selectSettings, selectWriting }) => ({
    /** The settings with what is being written. */
    selectDraft: createSelector(selectSettings, selectWriting, (settings, writing): Settings => ({
      ...settings,
      ...writing,
    })),
    selectAsleep: createSelector(selectSettings, asleepOf),
    selectWorks: createSelector(selectSettings, worksOf),
  }),
});
