import { createSelector } from '@ngrx/store';
import { kitchenOf } from '@oat-crock/calendar';
import { householdFeature } from './household.feature';
import { larderFeature } from './larder.feature';

/** The household's kitchen as the engine is told of it: what was measured of its hob and cold shelf counts before what was typed. */
export const selectKitchen = createSelector(householdFeature.selectSettings, larderFeature.selectGearHere, kitchenOf);
