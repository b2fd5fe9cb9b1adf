import { say } from '../messages/message.js';
import { temp, percent } from '../messages/quantity.js';
import { CULTURES, LETHAL_RISE_C, lacticPerSugar, type CultureId } from '../constants/cultures.js';
import { TAKEN_FOR_DEAD } from '../constants/starter.js';
import { MOLAR_G } from '../constants/milk.js';
import type { Member } from '../environment/environment.js';
import { bufferMilkOf, phFromTable } from '../physics/buffer.js';
import { fractionOf, totalG, type Masses } from '../materials/composition.js';
import type { CrockState, Living } from '../state/crock-state.js';
import { spentBelow, type Starter, type StarterPrior } from '../physics/starter-activity.js';
import type { Problem } from './kind.js';
import { lawFor } from './pass-time.js';

/** What goes into a milk to sour it. */
export interface Sowing {
  readonly living: readonly [Living, ...Living[]];
  /** Lactic acid that comes with it, mol per kg of the crock. */
  readonly lacticMolPerKg: number;
  readonly prior: StarterPrior;
  /** Masses whose buffer decides the pH; the crock's own where none are given. */
  readonly milkOf?: Masses;
}

/** A crock in which cultures have just begun: its milk is taken as it stands now, its sugar as far as it goes. */
export function sown(
  state: CrockState,
  { living: [first, ...beside], lacticMolPerKg, prior, milkOf = state.masses }: Sowing,
  { life, buffer, phShift }: Pick<Member, 'life' | 'buffer' | 'phShift'>,
): CrockState {
  const ends = [first, ...beside].map(({ culture }) => lacticFromSugar(culture, state.masses));
  const milk = {
    ...bufferMilkOf(milkOf, state.freshPh),
    lacticEndMolPerKg: lacticMolPerKg + Math.min(...ends),
  };
  return {
    ...state,
    ph: phFromTable(lawFor(first.culture, milk).ph, lacticMolPerKg / buffer) + phShift,
    souring: {
      ...first,
      beside,
      milk,
      waterFraction: state.masses.water / totalG(state.masses),
      lacticMolPerKg,
      dead: life === 'as kept' ? prior.deadChance >= TAKEN_FOR_DEAD : life === 'dead',
      prior,
    },
  };
}

/** Lactic acid (mol per kg) that the sugar a culture lives on can give. */
function lacticFromSugar(culture: CultureId, masses: Masses): number {
  const sugarMolPerKg = (1000 * fractionOf(masses, CULTURES[culture].sugar)) / MOLAR_G.lactose;
  return sugarMolPerKg * lacticPerSugar(culture) + lacticFromSplit(culture, masses);
}

/** The same from milk sugar that was split: its glucose, and its galactose where the culture takes that. */
function lacticFromSplit(culture: CultureId, masses: Masses): number {
  if (masses.glucose <= 0) return 0;
  const { leavesGalactose, gasPerLactic } = CULTURES[culture];
  const mol = fractionOf(masses, 'glucose') + (leavesGalactose ? 0 : fractionOf(masses, 'galactose'));
  return (1000 * 2 * mol) / MOLAR_G.glucose / (1 + gasPerLactic);
}

/** What is wrong with sowing a culture at the temperature of the crock. */
export function lethalProblems(culture: CultureId, tempC: number): Problem[] {
  const { growth } = CULTURES[culture];
  if (tempC < growth.maxC + LETHAL_RISE_C) return [];
  return [
    {
      field: 'starterC',
      message: say('stages.sowing.starterDies', { temp: temp(tempC) }),
      remedy: say('stages.sowing.coolMilkFirst', { opt: temp(growth.optC + 1) }),
      works: { starterC: Math.round(growth.optC + 1) },
    },
  ];
}

/** What is wrong with a starter of which so little is left that it is given up. */
export function spentProblems(
  starter: Pick<Starter, 'form' | 'store' | 'ageDays'>,
  activity: number,
  { remedy, works }: Pick<Problem, 'remedy' | 'works'>,
): Problem[] {
  if (activity >= spentBelow(starter)) return [];
  return [
    {
      field: 'ageDays',
      message: say('stages.sowing.afterDaysLifeLeft', {
        days: Math.round(starter.ageDays),
        store: starter.store,
        left:
          activity >= LEAST_SAID
            ? say('stages.sowing.aboutSoMuch', { left: percent(100 * activity, 0) })
            : say('stages.sowing.lessThanHundredth'),
      }),
      remedy,
      ...(works && { works }),
    },
  ];
}

/** Of less life than this the figure says nothing. */
const LEAST_SAID = 0.01;
