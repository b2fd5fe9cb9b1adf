import { CULTURES, type CultureId } from '../constants/cultures.js';
import { FRESH_COW_PH } from '../constants/milk.js';
import { STARTER_LACTIC_MOL_PER_KG } from '../constants/starter.js';
import { NORMAL_MINERALS_G_PER_KG } from '../constants/buffer.js';
import { starterActivity, type Starter } from '../physics/starter-activity.js';
import { keepAt, souringCrock, souringLaw, sourStep, SOURING_STEP_MIN } from '../physics/souring.js';
import { say, type Message } from '../messages/message.js';
import { amount as amountOf, temp } from '../messages/quantity.js';

/** What a chain of starters is asked for. */
export interface ChainAsked {
  readonly culture: CultureId;
  /** Ripe starter wanted in the end, g. */
  readonly neededG: number;
  /** What there is to begin with: how it was kept, and how much of it, g. */
  readonly from: Starter & { readonly massG: number };
  /** Its activity, 1 as a fresh one's, where that is known better than by its age and store. */
  readonly activity?: number;
  /** Starter as a share of the milk in each step, percent. */
  readonly dosePct: number;
  /** Temperature at which each step ripens, °C, and the pH at which it is ripe. */
  readonly tempC: number;
  readonly ripePh: number;
  /** Held back from each step as the next mother, g. */
  readonly heldBackG: number;
}

/** One step of a chain: milk sown with what the step before gave. */
export interface ChainStep {
  readonly milkG: number;
  readonly starterG: number;
  /** Hours until it is ripe, and when it is begun, counted back from when the last is wanted. */
  readonly ripensH: number;
  readonly beginsHBefore: number;
}

/** Left in jar and on spoon, as a share. */
const LEFT_BEHIND = 0.02;
/** Steps beyond which a chain is no plan. */
const MOST_STEPS = 6;
const LONGEST_H = 72;

/**
 * Starter in the amount needed, reckoned backwards: bulk starter from mother, mother from what there is. As few steps as
 * what there is allows; the first takes longer where it is tired.
 *
 * @returns the steps in order of time; the first error in words where it cannot be done
 */
export function starterChain(asked: ChainAsked): readonly ChainStep[] | { readonly impossible: Message } {
  const { culture, neededG, from, dosePct, tempC, ripePh, heldBackG } = asked;
  const dose = dosePct / 100;
  const amounts: { milkG: number; starterG: number }[] = [];
  let wantedG = neededG;
  do {
    if (amounts.length >= MOST_STEPS)
      return { impossible: say('forecast.starterChain.tooMuch', { steps: amountOf(MOST_STEPS) }) };
    const wholeG = (wantedG + heldBackG) / (1 - LEFT_BEHIND);
    const starterG = (wholeG * dose) / (1 + dose);
    amounts.unshift({ milkG: wholeG - starterG, starterG });
    wantedG = starterG;
  } while (wantedG > from.massG);
  const firstActivity = asked.activity ?? starterActivity(from, culture);
  const hours = amounts.map((_, i) => ripeningH(culture, dose, i === 0 ? firstActivity : 1, tempC, ripePh));
  if (hours.some((h) => h === null))
    return { impossible: say('forecast.starterChain.neverRipens', { temp: temp(tempC) }) };
  return amounts.map((amount, i) => ({
    ...amount,
    ripensH: hours[i]!,
    beginsHBefore: hours.slice(i).reduce((sum: number, h) => sum + h!, 0),
  }));
}

/** Hours until milk sown with a starter (a share of it, of some activity) is ripe; null where it is not within three days. */
export function ripeningH(
  culture: CultureId,
  dose: number,
  activity: number,
  tempC: number,
  ripePh: number,
): number | null {
  const law = souringLaw(CULTURES[culture], USUAL_MILK);
  const { biomassPerDose, lagQActive } = CULTURES[culture];
  const crock = souringCrock(law, {
    biomass: dose * biomassPerDose * activity,
    lagQ: lagQActive,
    lacticMolPerKg: (dose / (1 + dose)) * STARTER_LACTIC_MOL_PER_KG,
  });
  keepAt(law, crock, tempC);
  for (let min = 0; min < LONGEST_H * 60; min += SOURING_STEP_MIN) {
    const before = crock.ph;
    sourStep(law, crock, SOURING_STEP_MIN);
    if (crock.ph <= ripePh) return (min + (SOURING_STEP_MIN * (before - ripePh)) / (before - crock.ph)) / 60;
  }
  return null;
}

const USUAL_MILK = { proteinGPerKg: 34, mineralsGPerKg: NORMAL_MINERALS_G_PER_KG, freshPh: FRESH_COW_PH.mean };
