import { createSelector } from '@ngrx/store';
import type { Settings } from '@oat-crock/contract/wire';
import { HOB, type Gear } from '@oat-crock/core';
import { householdFeature } from './household.feature';
import { larderFeature } from './larder.feature';

/** The household's kitchen as the engine is told of it: what was measured of its hob and cold shelf counts before what was typed. */
export const selectKitchen = createSelector(householdFeature.selectSettings, larderFeature.selectGearHere, kitchenOf);

export function kitchenOf(settings: Settings, gear: readonly Gear[]): Settings {
  const powerW = latest(gear, 'hob', 'powerW');
  const holdsC = latest(gear, 'cold-shelf', 'holdsC');
  return {
    ...settings,
    ...(powerW !== null && { hobW: powerW / HOB.efficiency }),
    ...(holdsC !== null && { refrigeratorC: holdsC }),
  };
}

/** The newest figure measured of any gear of a kind. */
function latest(gear: readonly Gear[], kind: Gear['kind'], key: 'powerW' | 'holdsC'): number | null {
  const measured = gear.filter((g) => g.kind === kind).flatMap((g) => g.learned[key] ?? []);
  const newest = measured.reduce((a, b) => (b.atMs > a.atMs ? b : a), measured[0]!);
  return measured.length > 0 ? newest.value : null;
}
