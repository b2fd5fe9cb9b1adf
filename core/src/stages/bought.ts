import { say, type Text } from '../messages/message.js';
import { acidity, mass } from '../messages/quantity.js';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import { FRESH_COW_PH, MOLAR_G, SOUR_CREAM_BELOW_PH, type Treatment } from '../constants/milk.js';
import { DEAD_CHANCE, PACE_SD, STARTER_AS_MILK } from '../constants/starter.js';
import { bufferMilkOf, lacticForPh } from '../physics/buffer.js';
import { nativeAsBought } from '../physics/denaturation.js';
import { materialFromLabel, massesOfMaterial, freshPhOf, type Stock } from '../materials/materials.js';
import { totalG, type Masses } from '../materials/composition.js';
import { referenceStock, stockOf, type StockParam } from '../materials/reference-materials.js';
import { ingredientName } from '../materials/short-name.js';
import { materialDensity } from '../physics/density.js';
import { pourIn } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { Problem, StageKind } from './kind.js';
import { sown } from './sowing.js';

/** What is taken already sour: yogurt, clabber, or cream that was soured on purpose or stood by itself. */
export type SouredIs = 'yogurt' | 'clabber' | 'sour cream';

export interface BoughtParams {
  readonly is: SouredIs;
  readonly massG: number;
  /** Of yogurt and clabber, as a label would have it. */
  readonly fatPct: number;
  /** How sour the yogurt or the clabber is; cream has its own. */
  readonly ph: number;
  /** Whether the milk of the clabber was raw. */
  readonly raw: 'yes' | 'no';
  /** Which cream. */
  readonly cream: StockParam;
}

interface Soured {
  readonly name: Text;
  readonly begins: Text;
  /** What it is called among what is weighed in. */
  readonly what: Text;
  readonly culture: CultureId;
  readonly treatment: Treatment;
  /** Temperature at which it was set, °C: yogurt as dairies set it, cream in a room. */
  readonly setC: number;
}

const SOURED: Readonly<Record<SouredIs, Soured>> = {
  yogurt: {
    name: say('stages.bought.boughtYogurt'),
    begins: say('stages.bought.takeYogurtOut'),
    what: say('stages.bought.plainYogurt'),
    culture: 'thermophilic',
    treatment: 'scalded',
    setC: 43,
  },
  clabber: {
    name: say('stages.bought.clabberTaken'),
    begins: say('stages.bought.takeClabberOut'),
    what: say('stages.bought.clabber'),
    culture: 'clabber',
    treatment: '72C-15s',
    setC: 23,
  },
  'sour cream': {
    name: say('stages.bought.souredCream'),
    begins: say('stages.bought.takeCreamOut'),
    what: say('stages.bought.souredCream'),
    culture: 'mesophilic',
    treatment: '72C-15s',
    setC: 22,
  },
};

/** What is done with so much of it. */
const TAKES: Readonly<Record<SouredIs, (massG: number) => Text>> = {
  yogurt: (massG) => say('stages.bought.plainYogurtColdNo', { mass: mass(massG) }),
  clabber: (massG) => say('stages.bought.clabberSet', { mass: mass(massG) }),
  'sour cream': (massG) => say('stages.bought.creamCold', { mass: mass(massG) }),
};
const TAKES_MIN = 5;
/** Density of yogurt and of clabber, g/mL. */
const SOURED_G_PER_ML = 1.03;
/** Relative biomass of a yogurt a week old: alive, and done growing. */
const BIOMASS = 0.8;

const creamOf = ({ cream }: BoughtParams): Stock => stockOf(cream);
const phOf = (params: BoughtParams) => (params.is === 'sour cream' ? freshPhOf(creamOf(params)) : params.ph);
/** The milk that a clabber was. */
const milkOf = ({ fatPct, raw }: BoughtParams): Stock => ({
  ...referenceStock(raw === 'yes' ? 'raw' : 'whole'),
  ...materialFromLabel(fatPct, STARTER_AS_MILK.proteinPct),
});
/** What it was before it was soured, where that is known. */
function pouredAs(params: BoughtParams): Stock | null {
  if (params.is === 'yogurt') return null;
  return params.is === 'clabber' ? milkOf(params) : creamOf(params);
}

/** Something that has been soured, set and chilled before: bought, or of another make. */
export const bought: StageKind<BoughtParams, 'bought'> = {
  kind: 'bought',
  defaults: { is: 'yogurt', massG: 2000, fatPct: 3.6, ph: 4.4, raw: 'yes', cream: 'soured-cream-36' },
  pours: (params) => {
    const stock = pouredAs(params);
    return stock ? [stock] : [];
  },
  name: ({ is }) => SOURED[is].name,
  begins: ({ is }) => SOURED[is].begins,
  over: () => say('stages.bought.itIsWeighedIn'),
  instruction: ({ is, massG }) => TAKES[is](massG),
  ...handsWork(TAKES_MIN),
  gear: () => ['cold shelf'],
  weighIn: (params) => {
    const { massG } = params;
    if (params.is !== 'sour cream')
      return [{ what: SOURED[params.is].what, massG, gPerMl: SOURED_G_PER_ML, pricedAs: 'milk', outOf: params.is }];
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
    const poured = pouredAs(params);
    const material = poured ?? materialFromLabel(params.fatPct, STARTER_AS_MILK.proteinPct);
    const { masses, lacticMolPerKg } = souredTo(phOf(params), massesOfMaterial(material, params.massG), culture);
    const native = nativeAsBought(poured?.treatment ?? treatment);
    const prior = { deadChance: DEAD_CHANCE.enough, paceSd: PACE_SD.active };
    const living = { culture, biomass: BIOMASS, lagQ: 1 };
    const sour = pourIn({ ...state, native }, masses);
    return { ...sown(sour, { living: [living] as const, lacticMolPerKg, prior }, member), setTempC: setC };
  },
  slack: () => ({ earlyMin: 0, lateMin: 24 * 60, cost: say('stages.bought.keepsCold') }),
  endCue: () => say('stages.bought.coldWheyStirredPoured'),
  cues: [],
  cautions: (params) => [
    CAUTIONS.clean,
    CAUTIONS.allergen,
    ...(pouredAs(params)?.treatment === 'raw' ? [CAUTIONS.raw] : []),
  ],
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
  if (params.is !== 'sour cream' || ph <= SOUR_CREAM_BELOW_PH) return [];
  return [
    {
      field: 'sourCream',
      message: say('stages.bought.stillSweet', { name: creamOf(params).name, ph: acidity(ph, 1) }),
      remedy: say('stages.bought.sourItFirst'),
      works: { from: 'cream' },
    },
  ];
}
