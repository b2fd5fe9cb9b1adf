import { createActionGroup, createSelector, props } from '@ngrx/store';
import { asleepOf, worksOf } from '@oat-crock/calendar';
import type { LabelStock, Settings } from '@oat-crock/contract/api';
import { HOUSEHOLD_ID, type Writing } from './record-writing';
import { recordsFeature } from './records.feature';

export const HouseholdActions = createActionGroup({
  source: 'household',
  events: {
    /** What was learned of something up to a moment counts no more. */
    'Forget Wanted': props<{ of: string; beforeMs: number }>(),
    /** What was learned of something up to a moment stays as it is; with null it is learned on. */
    'Pin Wanted': props<{ of: string; afterMs: number | null }>(),
    /** Pots are labelled with something else now. */
    'Label Stock Wanted': props<{ labelStock: LabelStock }>(),
    /** Plans are to be so sure from now on. */
    'Plan Chance Wanted': props<{ planChance: number }>(),
  },
});

const selectKept = createSelector(recordsFeature.selectFamilies, ({ settings }) => settings.entities[HOUSEHOLD_ID]!);
const selectSettings = createSelector(selectKept, ({ item }): Settings => item);
const selectWriting = createSelector(
  recordsFeature.selectWriting,
  (writing): Writing | undefined => writing[HOUSEHOLD_ID],
);

/** The household's settings, of the records of the page. */
export const householdSelectors = {
  selectSettings,
  /** Their version; 0 until the server has told them. */
  selectVersion: createSelector(selectKept, ({ version }) => version),
  /** What is being written of them; undefined where nothing is. */
  selectWriting,
  /** The settings with what is being written. */
  selectDraft: createSelector(selectKept, selectWriting, ({ item }, writing) => (writing?.draft ?? item) as Settings),
  selectAsleep: createSelector(selectSettings, asleepOf),
  selectWorks: createSelector(selectSettings, worksOf),
};
