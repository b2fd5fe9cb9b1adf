import { CULTURES, LETHAL_RISE_C, lacticPerSugar, type CultureId } from '../constants/cultures.js';
import { MOLAR_G } from '../constants/milk.js';
import type { Member } from '../environment/environment.js';
import { bufferMilkOf, phFromTable } from '../physics/buffer.js';
import { fractionOf, totalG, type Masses } from '../state/composition.js';
import type { CrockState, Living } from '../state/crock-state.js';
import type { Problem } from './kind.js';
import { lawFor } from './pass-time.js';
import { sayTemp } from './words.js';

/**
 * A crock in which cultures have just begun: its milk is taken as it stands now, its sugar as far as it goes.
 *
 * @param milkOf masses whose buffer decides the pH; the crock's own where none are given
 */
export function sown(
  state: CrockState,
  [first, ...beside]: readonly [Living, ...Living[]],
  lacticMolPerKg: number,
  member: Pick<Member, 'phShift'>,
  milkOf: Masses = state.masses,
): CrockState {
  const ends = [first, ...beside].map(({ culture }) => lacticFromSugar(culture, state.masses));
  const milk = {
    ...bufferMilkOf(milkOf, state.freshPh),
    lacticEndMolPerKg: lacticMolPerKg + Math.min(...ends),
  };
  return {
    ...state,
    ph: phFromTable(lawFor(first.culture, milk).ph, lacticMolPerKg) + member.phShift,
    souring: { ...first, beside, milk, waterFraction: state.masses.water / totalG(state.masses), lacticMolPerKg },
  };
}

/** Lactic acid (mol per kg) that the sugar a culture lives on can give. */
function lacticFromSugar(culture: CultureId, masses: Masses): number {
  const sugarMolPerKg = (1000 * fractionOf(masses, CULTURES[culture].sugar)) / MOLAR_G.lactose;
  return sugarMolPerKg * lacticPerSugar(culture);
}

/** What is wrong with sowing a culture at the temperature of the crock. */
export function lethalProblems(culture: CultureId, tempC: number): Problem[] {
  const { growth } = CULTURES[culture];
  if (tempC < growth.maxC + LETHAL_RISE_C) return [];
  return [
    {
      field: 'starterC',
      message: `At ${sayTemp(tempC)} the starter dies.`,
      remedy: `Cool the milk to ${sayTemp(growth.optC + 1)} first.`,
      works: { starterC: Math.round(growth.optC + 1) },
    },
  ];
}
