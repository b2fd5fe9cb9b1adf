import { say, type Text } from '../messages/message.js';
import { acidity, mass } from '../messages/quantity.js';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import { FRESH_COW_PH, MOLAR_G, type Treatment } from '../constants/milk.js';
import { DEAD_CHANCE, PACE_SD, STARTER_AS_MILK } from '../constants/starter.js';
import { bufferMilkOf, lacticForPh } from '../physics/buffer.js';
import { nativeAsBought } from '../physics/denaturation.js';
import { materialFromLabel, massesOfMaterial, freshPhOf, type Stock } from '../materials/materials.js';
import { totalG, type Masses } from '../materials/composition.js';
import { stockOf, type StockParam } from '../materials/reference-materials.js';
import { ingredientName } from '../materials/short-name.js';
import { materialDensity } from '../physics/density.js';
import { pourIn } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { Problem, StageKind } from './kind.js';
import { sown } from './sowing.js';

/** What is taken already sour: yogurt, or cream that was soured on purpose or stood by itself. */
export type SouredIs = 'yogurt' | 'sour cream';

export interface BoughtParams {
  readonly is: SouredIs;
  readonly massG: number;
  /** Of yogurt, as its label has it. */
  readonly fatPct: number;
  /** How sour the yogurt is; cream has its own. */
  readonly ph: number;
  /** Which cream. */
  readonly cream: StockParam;
}

interface Soured {
  readonly name: Text;
  readonly begins: Text;
  readonly culture: CultureId;
  readonly treatment: Treatment;
  /** Temperature at which it was set, °C: yogurt as dairies set it, cream in a room. */
  readonly setC: number;
}

const SOURED: Readonly<Record<SouredIs, Soured>> = {
  yogurt: {
    name: say('stages.bought.boughtYogurt'),
    begins: say('stages.bought.takeYogurtOut'),
    culture: 'thermophilic',
    treatment: 'scalded',
    setC: 43,
  },
  'sour cream': {
    name: say('stages.bought.souredCream'),
    begins: say('stages.bought.takeCreamOut'),
    culture: 'mesophilic',
    treatment: '72C-15s',
    setC: 22,
  },
};

const TAKES_MIN = 5;
/** Density of yogurt, g/mL. */
const YOGURT_G_PER_ML = 1.03;
/** Relative biomass of a yogurt a week old: alive, and done growing. */
const BIOMASS = 0.8;
/** Sweeter than this (pH), cream has not been soured. */
const SOUR_BELOW_PH = 5.3;

const creamOf = ({ cream }: BoughtParams): Stock => stockOf(cream);
const phOf = (params: BoughtParams) => (params.is === 'yogurt' ? params.ph : freshPhOf(creamOf(params)));

/** Something that has been soured, set and chilled before: bought, or of another make. */
export const bought: StageKind<BoughtParams, 'bought'> = {
  kind: 'bought',
  defaults: { is: 'yogurt', massG: 2000, fatPct: 3.6, ph: 4.4, cream: 'soured-cream-36' },
  pours: (params) => (params.is === 'yogurt' ? [] : [creamOf(params)]),
  name: ({ is }) => SOURED[is].name,
  begins: ({ is }) => SOURED[is].begins,
  over: () => say('stages.bought.itIsWeighedIn'),
  instruction: (params) =>
    params.is === 'yogurt'
      ? say('stages.bought.plainYogurtColdNo', { mass: mass(params.massG) })
      : say('stages.bought.creamCold', { mass: mass(params.massG) }),
  ...handsWork(TAKES_MIN),
  gear: () => ['cold shelf'],
  weighIn: (params) => {
    const { massG } = params;
    if (params.is === 'yogurt')
      return [{ what: say('stages.bought.plainYogurt'), massG, gPerMl: YOGURT_G_PER_ML, pricedAs: 'milk' }];
    const cream = creamOf(params);
    return [
      {
        what: cream.name,
        ingredient: ingredientName(cream),
        massG,
        gPerMl: materialDensity(cream, 5),
        stockId: cream.id,
        pricedAs: 'cream',
      },
    ];
  },
  begin: (state, params, { member }) => {
    const { culture, treatment, setC } = SOURED[params.is];
    const material =
      params.is === 'yogurt' ? materialFromLabel(params.fatPct, STARTER_AS_MILK.proteinPct) : creamOf(params);
    const { masses, lacticMolPerKg } = souredTo(phOf(params), massesOfMaterial(material, params.massG), culture);
    const native = nativeAsBought(params.is === 'yogurt' ? treatment : creamOf(params).treatment);
    const prior = { deadChance: DEAD_CHANCE.enough, paceSd: PACE_SD.active };
    const living = { culture, biomass: BIOMASS, lagQ: 1 };
    const sour = pourIn({ ...state, native }, masses);
    return { ...sown(sour, { living: [living] as const, lacticMolPerKg, prior }, member), setTempC: setC };
  },
  slack: () => ({ earlyMin: 0, lateMin: 24 * 60, cost: say('stages.bought.keepsCold') }),
  endCue: () => say('stages.bought.coldWheyStirredPoured'),
  cues: [],
  cautions: () => [CAUTIONS.clean, CAUTIONS.allergen],
  problems: (params) => sweetProblems(params),
};

/**
 * A milk or cream soured to a pH: its acid is what its label counts among other solids, and beyond that was made of its sugar:
 * of glucose first, where its lactose was split (1 glucose → 2 lactic, as heavy), then of lactose, of which a yogurt culture
 * leaves the galactose.
 */
function souredTo(ph: number, masses: Masses, culture: CultureId) {
  const kg = totalG(masses) / 1000;
  const lacticMolPerKg = lacticForPh(bufferMilkOf(masses, FRESH_COW_PH.mean), ph);
  const lacticG = lacticMolPerKg * kg * MOLAR_G.lactic;
  const ofOtherG = Math.min(lacticG, masses.other);
  const glucoseG = Math.min(lacticG - ofOtherG, masses.glucose);
  const { leavesGalactose } = CULTURES[culture];
  const sugarMol = Math.min(
    (lacticG - ofOtherG - glucoseG) / MOLAR_G.lactic / (leavesGalactose ? 2 : 4),
    masses.lactose / MOLAR_G.lactose,
  );
  const lactoseG = sugarMol * MOLAR_G.lactose;
  const galactoseG = leavesGalactose ? sugarMol * MOLAR_G.galactose : 0;
  const soured: Masses = {
    ...masses,
    lactic: masses.lactic + lacticG,
    other: masses.other - ofOtherG,
    glucose: masses.glucose - glucoseG,
    lactose: masses.lactose - lactoseG,
    galactose: masses.galactose + galactoseG,
    water: masses.water - (lacticG - ofOtherG - glucoseG) + lactoseG - galactoseG,
  };
  return { masses: soured, lacticMolPerKg };
}

function sweetProblems(params: BoughtParams): Problem[] {
  const ph = phOf(params);
  if (params.is === 'yogurt' || ph <= SOUR_BELOW_PH) return [];
  return [
    {
      field: 'sourCream',
      message: say('stages.bought.stillSweet', { name: creamOf(params).name, ph: acidity(ph, 1) }),
      remedy: say('stages.bought.sourItFirst'),
      works: { from: 'cream' },
    },
  ];
}
