import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import { USUAL_SETTINGS, type FieldProblem, type Settings, type VersionedSettings } from '@oat-crock/contract/wire';
import type { Asleep, Works } from '@oat-crock/contract/wire';

export const HouseholdActions = createActionGroup({
  source: 'household',
  events: {
    Told: props<{ household: VersionedSettings }>(),
    'Change Wanted': props<{ settings: Settings }>(),
    /** Somebody else has changed the settings meanwhile. */
    Overtaken: emptyProps(),
    Refused: props<{ errors: readonly FieldProblem[] }>(),
    Opened: emptyProps(),
  },
});

export interface HouseholdState {
  readonly version: number;
  readonly settings: Settings;
  /** Why the last change was not taken, in words; empty where it was. */
  readonly trouble: string;
  /** How often a change was taken: a form that sees it grow may close. */
  readonly saved: number;
}

const initial: HouseholdState = { version: 0, settings: USUAL_SETTINGS, trouble: '', saved: 0 };

export const householdFeature = createFeature({
  name: 'household',
  reducer: createReducer(
    initial,
    on(HouseholdActions.told, (state, { household }) => ({
      ...state,
      ...household,
      saved: household.version > state.version ? state.saved + 1 : state.saved,
    })),
    on(HouseholdActions.changeWanted, HouseholdActions.opened, (state) => ({ ...state, trouble: '' })),
    on(HouseholdActions.overtaken, (state) => ({
      ...state,
      trouble:
        'Somebody else has changed these since you opened them. What they wrote is now shown; make your change on it.',
    })),
    on(HouseholdActions.refused, (state, { errors }) => ({
      ...state,
      trouble: errors.map((e) => `${e.message} ${e.remedy}`).join(' ') || 'It was not taken.',
    })),
  ),
  extraSelectors: ({ selectSettings }) => ({
    selectAsleep: createSelector(selectSettings, ({ asleepFromH, asleepToH }): Asleep => ({
      fromH: asleepFromH,
      toH: asleepToH,
    })),
    selectWorks: createSelector(selectSettings, ({ worksFromH, worksToH, worksDays }): Works => ({
      fromH: worksFromH,
      toH: worksToH,
      days: worksDays,
    })),
  }),
});
