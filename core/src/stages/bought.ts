import { say } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { DEAD_CHANCE, PACE_SD, STARTER_AS_MILK, STARTER_LACTIC_MOL_PER_KG } from '../constants/starter.js';
import { nativeAsBought } from '../physics/denaturation.js';
import { materialFromLabel, massesOfMaterial } from '../materials/materials.js';
import { pourIn } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import { ripened } from './inoculate.js';
import type { StageKind } from './kind.js';
import { sown } from './sowing.js';

export interface BoughtParams {
  readonly massG: number;
  readonly fatPct: number;
}

const TAKES_MIN = 5;
/** Density of yogurt, g/mL; its milk's protein, percent. */
const G_PER_ML = 1.03;
/** Relative biomass of a yogurt a week old: alive, and done growing. */
const BIOMASS = 0.8;

/** Yogurt bought ready: soured, set and cold. */
export const bought: StageKind<BoughtParams, 'bought'> = {
  kind: 'bought',
  defaults: { massG: 2000, fatPct: 3.6 },
  pours: () => [],
  name: () => say('stages.bought.boughtYogurt'),
  begins: () => say('stages.bought.takeYogurtOut'),
  over: () => say('stages.bought.itIsWeighedIn'),
  instruction: (params) => say('stages.bought.plainYogurtColdNo', { mass: mass(params.massG) }),
  ...handsWork(TAKES_MIN),
  gear: () => ['cold shelf'],
  weighIn: (params) => [
    { what: say('stages.bought.plainYogurt'), massG: params.massG, gPerMl: G_PER_ML, pricedAs: 'milk' },
  ],
  begin: (state, params, { member }) => {
    const milk = massesOfMaterial(materialFromLabel(params.fatPct, STARTER_AS_MILK.proteinPct), params.massG);
    const sour = pourIn({ ...state, native: nativeAsBought('scalded') }, ripened(milk, params.massG));
    const living = { culture: 'thermophilic' as const, biomass: BIOMASS, lagQ: 1 };
    const prior = { deadChance: DEAD_CHANCE.enough, paceSd: PACE_SD.active };
    const sowing = { living: [living] as const, lacticMolPerKg: STARTER_LACTIC_MOL_PER_KG, prior };
    return { ...sown(sour, sowing, member), setTempC: SET_AT_C };
  },
  slack: () => ({ earlyMin: 0, lateMin: 24 * 60, cost: say('stages.bought.keepsCold') }),
  endCue: () => say('stages.bought.coldWheyStirredPoured'),
  cues: [],
  cautions: () => [CAUTIONS.clean, CAUTIONS.allergen],
  problems: () => [],
};

/** Dairies set theirs at about this, °C. */
const SET_AT_C = 43;
