import { createSelector } from '@ngrx/store';
import { kitchenOf } from '@oat-crock/calendar';
import { householdSelectors } from './household';
import { recordsFeature } from './records.feature';

/** The household's kitchen as the engine is told of it: what was measured of its hob and cold shelf counts before what was typed. */
export const selectKitchen = createSelector(
  householdSelectors.selectSettings,
  recordsFeature.selectGearHere,
  kitchenOf,
);
