import { CULTURES, lacticPerLactose, LETHAL_RISE_C, type CultureId } from '../constants/cultures.js';
import { MOLAR_G } from '../constants/milk.js';
import { STARTER_AS_MILK, STARTER_LACTIC_MOL_PER_KG } from '../constants/starter.js';
import type { Member } from '../environment/environment.js';
import { bufferMilkOf, phForLactic } from '../physics/buffer.js';
import { vitality, type Starter } from '../physics/vitality.js';
import { fractionOf, totalG, type Masses } from '../state/composition.js';
import { massesOfMaterial } from '../state/materials.js';
import { pourIn, type CrockState } from '../state/crock-state.js';
import { kitchenMeasure } from '../units/kitchen.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { sayMass, sayTemp } from './words.js';

export interface InoculateParams {
  readonly culture: CultureId;
  /** Starter as a share of the milk, percent by mass. */
  readonly dosePct: number;
  readonly form: Starter['form'];
  readonly ageDays: number;
  readonly store: Starter['store'];
}

/** Starter mass (g) for a crock. */
export function starterG(params: InoculateParams, crock: Masses): number {
  return (totalG(crock) * params.dosePct) / 100;
}

/** Density of a yogurt, g/mL. */
const STARTER_G_PER_ML = 1.03;
const TAKES_MIN = 6;
/** Milk is called warm above this, °C. */
const WARM_C = 30;

/** Starter dispersed in warm milk. */
export const inoculate: StageKind<InoculateParams> = {
  kind: 'inoculate',
  defaults: { culture: 'thermophilic', dosePct: 2.5, form: 'active', ageDays: 4, store: 'cold' },
  name: () => 'starter',
  instruction: (params, before) => {
    const massG = starterG(params, before.masses);
    return `Stir ${sayMass(massG)} starter (${kitchenMeasure(massG / STARTER_G_PER_ML)}) smooth with a cup of the ${before.tempC > WARM_C ? 'warm ' : ''}milk, then into the pot.`;
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['pot'],
  weighIn: (params, before) => [
    { what: 'Starter', massG: starterG(params, before.masses), gPerMl: STARTER_G_PER_ML, pricedAs: 'milk' },
  ],
  begin: (state, params, environment) => addStarter(state, params, environment.member),
  give: () => ({ earlyMin: 0, lateMin: 10, cost: 'Every ten minutes in the cool kitchen cost it about a degree.' }),
  endCue: () => 'No lumps left when you drag a spoon along the bottom.',
  cues: [{ cue: 'slurry', ask: 'Lumps in the starter?', answers: ['smooth', 'a few', 'lumpy'] }],
  cautions: () => [CAUTIONS.spoon],
  problems: (params, state) => {
    const culture = CULTURES[params.culture];
    const lethalC = culture.growth.maxC + LETHAL_RISE_C;
    if (state.tempC < lethalC) return [];
    return [
      {
        field: 'starterC',
        message: `At ${sayTemp(state.tempC)} the starter dies.`,
        remedy: `Cool the milk to ${sayTemp(culture.growth.optC + 1)} first.`,
      },
    ];
  },
};

function addStarter(state: CrockState, params: InoculateParams, member: Member): CrockState {
  const massG = starterG(params, state.masses);
  const soured = params.form === 'active';
  const filled = pourIn(state, soured ? asYogurt(massG) : massesOfMaterial(STARTER_AS_MILK, massG));
  const share = massG / totalG(filled.masses);
  const lacticMolPerKg = soured ? share * STARTER_LACTIC_MOL_PER_KG : 0;
  const sugarMolPerKg = (1000 * fractionOf(filled.masses, 'lactose')) / MOLAR_G.lactose;
  const milk = {
    ...bufferMilkOf(filled.masses, state.freshPh),
    lacticEndMolPerKg: lacticMolPerKg + sugarMolPerKg * lacticPerLactose(params.culture),
  };
  return {
    ...filled,
    tempC: state.tempC + share * (5 - state.tempC),
    ph: phForLactic(milk, lacticMolPerKg) + member.phShift,
    souring: {
      culture: params.culture,
      milk,
      waterFraction: filled.masses.water / totalG(filled.masses),
      ...starterAtWork(params, member),
      lacticMolPerKg,
    },
  };
}

/** Biomass and readiness that a dose of starter brings. */
export function starterAtWork(
  params: InoculateParams,
  member: Pick<Member, 'vitality' | 'lag'>,
): { readonly biomass: number; readonly lagQ: number } {
  const culture = CULTURES[params.culture];
  const lagQ = params.form === 'active' ? culture.lagQActive : culture.lagQFreezeDried;
  return {
    biomass: (params.dosePct / 100) * culture.biomassPerDose * vitality(params, params.culture) * member.vitality,
    lagQ: lagQ * member.lag,
  };
}

/** A starter's component masses: a yogurt whose lactic acid came from its own lactose. */
function asYogurt(massG: number): Masses {
  const milk = massesOfMaterial(STARTER_AS_MILK, massG);
  const lacticMol = (STARTER_LACTIC_MOL_PER_KG * massG) / 1000;
  const lacticG = lacticMol * MOLAR_G.lactic;
  const lactoseG = (lacticMol / 2) * MOLAR_G.lactose;
  const galactoseG = (lacticMol / 2) * MOLAR_G.galactose;
  return {
    ...milk,
    lactic: lacticG,
    galactose: galactoseG,
    lactose: milk.lactose - lactoseG,
    water: milk.water - (lacticG + galactoseG - lactoseG),
  };
}
